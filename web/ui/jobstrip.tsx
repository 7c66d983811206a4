import { Box, Typography } from '@mui/material';
import { Suspense, useState } from 'react';
import { useLocation } from 'react-router';
import { samePlace, traitsOf, type Job, type Run } from '@kymar/core/job';
import type { Direction } from '@kymar/core/catalog/links';
import { blockWords, type Segment } from '@kymar/core/assembly';
import { flowSaid, measuredSaid } from '@kymar/core/statements';
import type { Claim, Verdict } from '@kymar/core/verdict';
import { blockedAt, pathAt } from '../state/derived';
import type { Placed } from '../state/placed';
import { useVerdict } from '../state/verdict';
import { patientLazy } from './lazy';
import { PathStrip } from './strip';
import { Told } from './told';
import { OpeningOver } from './waiting';

const AlternativesMenu = patientLazy(() => import('./alternatives'));

/** Measured flow of the strip's direction: the largest sound activity measured at this place. */
function measuredHere(verdict: Verdict | null, { place }: Placed, direction: Direction): Claim | null {
  const isHere = ({ path }: Run) => path !== null && 'machine' in path && samePlace(path, place);
  const found = (verdict?.claims ?? []).filter(({ own, simulated, measured }) => {
    const [run] = measured?.runs ?? [];
    return own && !simulated && run && isHere(run) && run.direction === direction;
  });
  return found.find(({ measured }) => measured?.rate) ?? null;
}

/** The path strip of a job's page, its segments to be changed where they stand. */
export default function JobStrip({ job, at, direction }: { job: Job; at: Placed; direction: Direction }) {
  const path = pathAt(at, direction)!;
  const block = path.blocked.length > 0 ? undefined : blockedAt(at)[0];
  const [open, setOpen] = useState<{ segment: Segment; anchor: HTMLElement } | null>(null);
  const claim = measuredHere(useVerdict(job), at, direction);
  const measured = claim?.measured?.rate?.expected ?? null;
  // Of loads and small requests the path is seldom the limit.
  const isCopied =
    at.activities.length === 0 || at.activities.some((a) => traitsOf(a).requests === 'sequential');
  // At full size where it is worked on, low elsewhere.
  const full = useLocation().pathname.endsWith('/path');
  return (
    <>
      <PathStrip
        place={at.place}
        path={path}
        direction={direction}
        height={full ? 96 : 60}
        measured={measured}
        onSegment={(segment, anchor) => setOpen({ segment, anchor })}
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
            {block && (
              <Box component="span" sx={{ color: 'error.main', fontWeight: 600 }}>
                Blocked: {block.title}.{' '}
              </Box>
            )}
            {block ? 'Without that: ' : ''}
            {isCopied ? 'Flow' : 'At most'} <Told of={flowSaid(at.place, path, direction).flow} />
            {!isCopied
              ? ' for what is opened or asked for here: most of its time is spent elsewhere'
              : direction === 'write'
                ? ' with a fresh cache'
                : ''}
            {claim && (
              <Box component="span" sx={{ color: 'var(--mui-palette-measured)', fontWeight: 600 }}>
                , measured over the whole copy <Told of={measuredSaid(claim).rate} />
              </Box>
            )}
            . Click a part to try another.
          </>
        )}
      </Typography>
      <Suspense fallback={<OpeningOver />}>
        {open && (
          <AlternativesMenu
            anchor={open.anchor}
            at={at}
            segment={open.segment.id}
            direction={direction}
            close={() => setOpen(null)}
          />
        )}
      </Suspense>
    </>
  );
}
