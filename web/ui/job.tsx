import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { Suspense, useState } from 'react';
import { Link, Outlet, useLocation, useOutletContext, useParams, useSearchParams } from 'react-router';
import { directionOf, machineNames, type Job } from '@kymar/core/job';
import type { Direction } from '@kymar/core/catalog/links';
import { useStages } from '../state/stages';
import { placedAt, placedOf, type Placed } from '../state/placed';
import { useJobs } from '../state/jobs';
import { useStatus } from '../state/status';
import { idle } from '../state/idle';
import { Guarded } from './boundary';
import { FINGER, NARROW, useNarrow } from './narrow';
import { StageTrack } from './stages';
import { patientLazy } from './lazy';

const JobStrip = patientLazy(() => import('./jobstrip'));
/** Nobody has scrolled yet. */
const HeadLine = patientLazy(async () => {
  await idle();
  return import('./headline');
});
/* What stands in the place of a path, a stage or a job that is not there. */
const Unbuilt = patientLazy(async () => ({ default: (await import('./unbuilt')).Unbuilt }));
const NoMachine = patientLazy(async () => ({ default: (await import('./unbuilt')).NoMachine }));
const NoSuchJob = patientLazy(async () => ({ default: (await import('./unbuilt')).NoSuchJob }));
/** Of the strip with its words, where it is not worked on: nothing moves when it comes. */
const STRIP_HEIGHT = 130;

interface Context {
  job: Job;
  /** The place that is looked at; null while the job has no machine. */
  at: Placed | null;
  direction: Direction;
}

/** The job a view stands in, and the direction the strip shows. */
export const useJob = () => useOutletContext<Context>();

/** The place a view stands at, for views that a job without a machine has not. */
export const usePlace = (): Placed => useJob().at!;

/** Frame of every view of a job: title, the path strip, the stages. */
export function JobFrame() {
  const { id = '' } = useParams();
  const job = useJobs((s) => s.jobs[id]);
  const loaded = useStatus((s) => s.loaded);
  const [chosen, setDirection] = useState<Direction | null>(null);
  const [search] = useSearchParams();
  const stage = useLocation().pathname;
  if (!job) return <Suspense fallback={null}>{loaded && <NoSuchJob id={id} />}</Suspense>;
  return (
    <Guarded name={`The job “${job.title}”`} job={job}>
      <Frame
        job={job}
        at={placedAt(job, search.get('at'))}
        chosen={chosen}
        setDirection={setDirection}
        stage={stage}
      />
    </Guarded>
  );
}

/** Title, strip and stages of a job, and the view below. */
function Frame({
  job,
  at,
  chosen,
  setDirection,
  stage,
}: {
  job: Job;
  at: Placed | null;
  chosen: Direction | null;
  setDirection(direction: Direction): void;
  stage: string;
}) {
  const stagesOf = useStages();
  const [first] = at?.activities ?? [];
  const direction = chosen ?? (first ? directionOf(first) : 'write');
  // Without a machine there is nothing to draw, forecast or time.
  const bare = at === null && /\/(choice|path|forecast|setup|bench)$/.test(stage);
  const narrow = useNarrow();
  const states = stagesOf(job);
  const strip = (
    <>
      <ToggleButtonGroup
        size="small"
        exclusive
        value={direction}
        onChange={(_, value: Direction | null) => value && setDirection(value)}
        aria-label="Direction shown"
        sx={narrow ? { mb: 1 } : { position: 'absolute', right: 0, top: 0 }}
      >
        <ToggleButton value="write" sx={{ py: 0.25 }}>
          Writing to the drive
        </ToggleButton>
        <ToggleButton value="read" sx={{ py: 0.25 }}>
          Reading from it
        </ToggleButton>
      </ToggleButtonGroup>
      {at?.build ? (
        <Suspense fallback={<Box sx={{ height: STRIP_HEIGHT }} />}>
          <JobStrip job={job} at={at} direction={direction} />
        </Suspense>
      ) : (
        <Suspense fallback={<Box sx={{ height: 80 }} />}>
          <Unbuilt job={job} at={at} />
        </Suspense>
      )}
    </>
  );
  return (
    <>
      <Box className="no-print" sx={{ bgcolor: 'background.paper', borderBottom: 1, borderColor: 'divider' }}>
        <Box
          sx={{
            px: { xs: 1.5, sm: 3 },
            pt: narrow ? 0.5 : 1.25,
            pb: narrow ? 0.25 : 0.75,
            maxWidth: 1680,
            mx: 'auto',
          }}
        >
          <Box sx={{ position: 'relative' }}>
            <Box
              sx={{
                display: 'flex',
                alignItems: 'baseline',
                columnGap: 1.5,
                // On a phone the title gives way, not the page below it.
                flexWrap: narrow ? 'nowrap' : 'wrap',
                ...(narrow ? {} : { mb: 0.75, pr: '320px', minHeight: 30 }),
              }}
            >
              <Typography
                variant="h1"
                noWrap={narrow}
                sx={{ minWidth: 0, overflowWrap: 'anywhere', ...(narrow ? { fontSize: '1rem' } : {}) }}
              >
                {job.title}
              </Typography>
              {!narrow && (
                <Typography color="textSecondary">
                  {job.customer && (
                    <Link
                      to={`/jobs?find=${encodeURIComponent(job.customer)}`}
                      title="All jobs of this customer"
                      style={{ color: 'inherit' }}
                    >
                      {job.customer}
                    </Link>
                  )}
                  {job.customer && job.machines.length > 0 && ', '}
                  {machineNames(job)}
                </Typography>
              )}
              <Typography
                variant="body2"
                component={Link}
                to={`/jobs/${job.id}/known${at?.search ?? ''}`}
                sx={{
                  color: 'primary.main',
                  whiteSpace: 'nowrap',
                  flex: 'none',
                  [NARROW]: { lineHeight: 1 },
                  [FINGER]: { display: 'flex', alignItems: 'center', minHeight: 44 },
                }}
              >
                What is known
              </Typography>
            </Box>
            <Places job={job} at={at} />
            {!narrow && strip}
          </Box>
        </Box>
        <Box sx={{ maxWidth: 1680, mx: 'auto', px: { xs: 0, sm: 1.5 } }}>
          <StageTrack id={job.id} search={at?.search ?? ''} states={states} />
        </Box>
      </Box>
      <Suspense fallback={null}>
        <HeadLine job={job} at={at} direction={direction} states={states} />
      </Suspense>
      <Box
        component="main"
        sx={{
          px: { xs: 1.5, sm: 3 },
          py: narrow ? 1.25 : 2,
          width: '100%',
          maxWidth: 1680,
          mx: 'auto',
          flex: 1,
        }}
      >
        {narrow && stage.endsWith('/path') && strip}
        <Guarded name="This page of the job" job={job} watch={[stage, at?.name]}>
          {bare ? (
            <Suspense fallback={null}>
              <NoMachine job={job} />
            </Suspense>
          ) : (
            <Outlet context={{ job, at, direction } satisfies Context} />
          )}
        </Guarded>
      </Box>
    </>
  );
}

/** The way to each device on each machine; nothing where there is but one. */
function Places({ job, at }: { job: Job; at: Placed | null }) {
  const list = placedOf(job);
  if (!at || list.length < 2) return null;
  return (
    <Box
      component="nav"
      aria-label="Device and machine"
      sx={{ display: 'flex', gap: 0.5, mb: 0.75, overflowX: 'auto' }}
    >
      {list.map((placed) => (
        <Button
          key={`${placed.place.device} ${placed.place.machine}`}
          component={Link}
          to={{ search: placed.search }}
          replace
          size="small"
          aria-current={placed === at ? 'page' : undefined}
          sx={{
            flex: 'none',
            borderRadius: 0,
            borderBottom: 2,
            borderColor: placed === at ? 'primary.main' : 'transparent',
            color: placed === at ? 'primary.main' : 'text.primary',
          }}
        >
          {placed.name}
        </Button>
      ))}
    </Box>
  );
}
