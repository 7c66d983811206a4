import { CheckIcon, PriorityHighIcon } from './icons';
import { Box, Typography } from '@mui/material';
import visuallyHidden from '@mui/utils/visuallyHidden';
import { useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import { NARROW } from './narrow';
import type { Stage, StageState } from '@kymar/core/job';
import { Row } from './layout';

export const STAGE_NAMES: Record<Stage, string> = {
  brief: 'Brief',
  choice: 'Choice',
  path: 'Path',
  forecast: 'Forecast',
  setup: 'Set-up',
  bench: 'Bench',
  verdict: 'Verdict',
  handover: 'Handover',
};
const SAID = { open: 'open', done: 'done', attention: 'needs attention' } as const;

/** The stages of a job in their order, each with its state and its one next action. */
export function StageTrack({
  id,
  search,
  states,
}: {
  id: string;
  /** What names the place that is looked at. */
  search: string;
  states: readonly StageState[];
}) {
  const track = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  // Where not all have room, the one that is shown is in sight.
  useEffect(() => {
    const shown = track.current?.querySelector<HTMLElement>('.active');
    if (shown) track.current!.scrollLeft = shown.offsetLeft - 48;
  }, [pathname]);
  return (
    <Box
      ref={track}
      component="nav"
      aria-label="Stages of the job"
      className="no-print"
      sx={{
        display: 'grid',
        gridTemplateColumns: `repeat(${states.length}, minmax(118px, 1fr))`,
        [NARROW]: { gridTemplateColumns: `repeat(${states.length}, max-content)`, scrollbarWidth: 'none' },
        overflowX: 'auto',
        position: 'relative',
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      {states.map(({ stage, state, next }) => (
        <Box
          key={stage}
          component={NavLink}
          to={{ pathname: `/jobs/${id}/${stage}`, search }}
          sx={{
            textDecoration: 'none',
            color: 'text.primary',
            px: 1.5,
            py: 0.9,
            [NARROW]: { py: 0.4 },
            borderBottom: 3,
            borderColor: 'transparent',
            '&:hover': { bgcolor: 'sunken' },
            '&.active': { borderColor: 'primary.main', bgcolor: 'background.default' },
          }}
        >
          <Row gap={0.75} align="center">
            <StageMark state={state} />
            <Typography variant="body2" sx={{ fontWeight: 620 }}>
              {STAGE_NAMES[stage]}
              <Box component="span" sx={visuallyHidden}>
                , {SAID[state]}
              </Box>
            </Typography>
          </Row>
          <Typography
            variant="caption"
            color="textSecondary"
            component="div"
            sx={{ lineHeight: 1.3, [NARROW]: { display: 'none' } }}
          >
            {next}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}

/** How a stage stands, as a sign. */
export function StageMark({ state }: { state: StageState['state'] }) {
  if (state === 'done') return <CheckIcon sx={{ fontSize: 16, color: 'primary.main' }} />;
  if (state === 'attention') return <PriorityHighIcon sx={{ fontSize: 16, color: 'error.main' }} />;
  return (
    <Box
      aria-hidden
      sx={{
        width: 9,
        height: 9,
        mx: '3.5px',
        border: 1.5,
        borderColor: 'text.secondary',
        borderRadius: '50%',
      }}
    />
  );
}
