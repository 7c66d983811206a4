import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { Suspense, useState } from 'react';
import { Link, Outlet, useLocation, useOutletContext, useParams } from 'react-router';
import { directionOf, type Job } from '@kymar/core/job';
import type { Direction } from '@kymar/core/catalog/links';
import { blockWords, type Joint, type Path } from '@kymar/core/build/path';
import { format } from '@kymar/core/units';
import { pathOfJob, useStages } from '../state/derived';
import { useVerdict } from '../state/verdict';
import type { Verdict } from '@kymar/core/verdict';
import { useJobs } from '../state/jobs';
import { useStatus } from '../state/status';
import { discard, useWatch } from '../state/watch';
import { Guarded } from './boundary';
import { StageTrack } from './stages';
import { PathStrip } from './strip';
import { patientLazy } from './lazy';

const AlternativesMenu = patientLazy(() => import('./alternatives'));

interface Context {
  job: Job;
  direction: Direction;
}

/** The job a view stands in, and the direction the strip shows. */
export const useJob = () => useOutletContext<Context>();

/** Frame of every view of a job: title, the path strip, the stages. */
export function JobFrame() {
  const { id = '' } = useParams();
  const job = useJobs((s) => s.jobs[id]);
  const loaded = useStatus((s) => s.loaded);
  const [chosen, setDirection] = useState<Direction | null>(null);
  const stage = useLocation().pathname;
  if (!job) return loaded ? <Gone id={id} /> : null;
  return (
    <Guarded name={`The job “${job.title}”`} job={job}>
      <Frame job={job} chosen={chosen} setDirection={setDirection} stage={stage} />
    </Guarded>
  );
}

/** Title, strip and stages of a job, and the view below. */
function Frame({
  job,
  chosen,
  setDirection,
  stage,
}: {
  job: Job;
  chosen: Direction | null;
  setDirection(direction: Direction): void;
  stage: string;
}) {
  const stagesOf = useStages();
  const direction = chosen ?? (job.activities[0] ? directionOf(job.activities[0]) : 'write');
  const path = pathOfJob(job, direction);
  return (
    <>
      <Box className="no-print" sx={{ bgcolor: 'background.paper', borderBottom: 1, borderColor: 'divider' }}>
        <Box sx={{ px: 3, pt: 1.25, pb: 0.75, maxWidth: 1680, mx: 'auto' }}>
          <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, mb: 0.75, flexWrap: 'wrap' }}>
            <Typography variant="h1">{job.title}</Typography>
            <Typography color="textSecondary" sx={{ flex: 1 }}>
              {[job.customer, job.host.name].filter(Boolean).join(', ')}
            </Typography>
            <ToggleButtonGroup
              size="small"
              exclusive
              value={direction}
              onChange={(_, value: Direction | null) => value && setDirection(value)}
              aria-label="Direction shown"
            >
              <ToggleButton value="write" sx={{ py: 0.25 }}>
                Writing to the drive
              </ToggleButton>
              <ToggleButton value="read" sx={{ py: 0.25 }}>
                Reading from it
              </ToggleButton>
            </ToggleButtonGroup>
          </Box>
          {path ? <Strip job={job} path={path} direction={direction} /> : <Unbuilt job={job} />}
        </Box>
        <Box sx={{ maxWidth: 1680, mx: 'auto', px: 1.5 }}>
          <StageTrack id={job.id} states={stagesOf(job)} />
        </Box>
      </Box>
      <Box component="main" sx={{ px: 3, py: 2, width: '100%', maxWidth: 1680, mx: 'auto', flex: 1 }}>
        <Guarded name="This page of the job" job={job} watch={[stage]}>
          <Outlet context={{ job, direction } satisfies Context} />
        </Guarded>
      </Box>
    </>
  );
}

function Gone({ id }: { id: string }) {
  const { watch } = useWatch();
  const aside = useStatus((s) => s.stores.jobs?.aside.find((a) => a.key === id));
  if (aside)
    return (
      <Box component="main" sx={{ p: 4 }}>
        <Typography variant="h1">This job cannot be opened</Typography>
        <Typography sx={{ my: 1.5 }}>It is kept untouched. {aside.problem}</Typography>
        <Button component={Link} to="/settings" variant="contained">
          Repair or export it
        </Button>
      </Box>
    );
  return (
    <Box component="main" sx={{ p: 4 }}>
      <Typography variant="h1">No such job</Typography>
      <Typography sx={{ my: 1.5 }}>
        This browser keeps no job “{id}”. It may have been removed, or belong to another browser.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button component={Link} to="/jobs" variant="contained">
          See all jobs
        </Button>
        <Button component={Link} to="/settings" variant="outlined">
          Look in the bin
        </Button>
        {watch?.job === id && <Button onClick={discard}>Discard its clock</Button>}
      </Box>
    </Box>
  );
}

function Unbuilt({ job }: { job: Job }) {
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        minHeight: 72,
        px: 2,
        mb: 1,
        borderRadius: 1,
        bgcolor: 'sunken',
        border: '1px dashed',
        borderColor: 'divider',
      }}
    >
      <Typography color="textSecondary" sx={{ flex: 1 }}>
        No drive is chosen yet, so there is no path to draw: {job.host.name} has {job.host.ports.length} ports
        and slots waiting.
      </Typography>
      <Button component={Link} to={`/jobs/${job.id}/path`} variant="contained">
        Choose the parts
      </Button>
    </Box>
  );
}

/** Measured flow of the strip's direction: the largest sound activity measured on the customer's machine. */
function measuredFlow(verdict: Verdict | null, direction: Direction): number | null {
  const found = (verdict?.claims ?? []).filter(
    (c) => c.own && !c.simulated && c.measured && c.measured.runs[0]?.direction === direction,
  );
  return found[0]?.measured?.rate.expected ?? null;
}

function Strip({ job, path, direction }: { job: Job; path: Path; direction: Direction }) {
  const [open, setOpen] = useState<{ joint: Joint; anchor: HTMLElement } | null>(null);
  const measured = measuredFlow(useVerdict(job), direction);
  // At full size where it is worked on, low elsewhere.
  const full = useLocation().pathname.endsWith('/path');
  return (
    <>
      <PathStrip
        path={path}
        direction={direction}
        height={full ? 96 : 60}
        measured={measured}
        onJoint={(joint, anchor) => setOpen({ joint, anchor })}
      />
      <Typography
        variant="caption"
        color="textSecondary"
        component="p"
        sx={{ textAlign: 'center', mt: 0.25 }}
      >
        {path.blocked.length > 0 ? (
          <Box component="span" sx={{ color: 'error.main', fontWeight: 600 }}>
            Nothing flows: {blockWords(path.blocked[0]!)}.
          </Box>
        ) : (
          <>
            Flow {format(path.flow![direction].expected, 'B/s')} with a fresh cache
            {measured ? (
              <Box
                component="span"
                sx={{ color: 'var(--mui-palette-measured)', fontWeight: 600 }}
              >{`, measured over the whole copy ${format(measured, 'B/s')}`}</Box>
            ) : (
              ''
            )}
            . Click a joint to try another.
          </>
        )}
      </Typography>
      <Suspense>
        {open && (
          <AlternativesMenu
            anchor={open.anchor}
            job={job}
            joint={open.joint.id}
            direction={direction}
            close={() => setOpen(null)}
          />
        )}
      </Suspense>
    </>
  );
}
