import { Box, Button, Typography } from '@mui/material';
import { useCallback, useState } from 'react';
import { NavLink, useLocation } from 'react-router';
import type { Job, StageState } from '@kymar/core/job';
import type { Direction } from '@kymar/core/catalog/links';
import { pathAt } from '../state/derived';
import type { Placed } from '../state/placed';
import { useNarrow } from './narrow';
import { STAGE_NAMES, StageMark } from './stages';
import { MiniStrip } from './strip';

interface Props {
  job: Job;
  at: Placed | null;
  direction: Direction;
  states: readonly StageState[];
}

/** The job's header in one line, once one scrolled past where this stands. */
export default function HeadLine(props: Props) {
  const [start, isPast] = usePast();
  return (
    <>
      <Box ref={start} />
      {isPast && <Line {...props} />}
    </>
  );
}

/** Whether one scrolled past an element. @returns its ref, and that */
function usePast(): [(element: Element | null) => (() => void) | undefined, boolean] {
  const [isPast, setPast] = useState(false);
  const watch = useCallback((element: Element | null) => {
    if (element === null || !('IntersectionObserver' in globalThis)) return undefined;
    const observer = new IntersectionObserver(([entry]) =>
      setPast(entry !== undefined && !entry.isIntersecting && entry.boundingClientRect.top < 0),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [watch, isPast];
}

/** Its name, the path as a thin channel, the stages and the next action. */
function Line({ job, at, direction, states }: Props) {
  const narrow = useNarrow();
  const { pathname } = useLocation();
  const path = pathAt(at, direction);
  const now = states.find(({ stage }) => pathname.endsWith(`/${stage}`));
  return (
    <Box
      className="no-print"
      component="nav"
      aria-label="The job in one line"
      sx={{
        position: 'fixed',
        top: 0,
        left: 0,
        right: 0,
        zIndex: 'appBar',
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        height: 44,
        px: { xs: 1.5, sm: 3 },
        bgcolor: 'background.paper',
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      <Typography variant="h3" component="p" noWrap sx={{ minWidth: 0, flex: '0 1 auto', maxWidth: 320 }}>
        {job.title}
      </Typography>
      {path && !narrow && (
        <Box sx={{ flex: '0 0 130px' }}>
          <MiniStrip path={path} direction={direction} />
        </Box>
      )}
      {narrow ? (
        now && (
          <Typography variant="body2" color="textSecondary" noWrap sx={{ flex: 1, textAlign: 'right' }}>
            {STAGE_NAMES[now.stage]}: {now.next.toLowerCase()}
          </Typography>
        )
      ) : (
        <Box sx={{ display: 'flex', flex: 1, justifyContent: 'end', gap: 0.25, minWidth: 0 }}>
          {states.map(({ stage, state }) => (
            <Button
              key={stage}
              component={NavLink}
              to={{ pathname: `/jobs/${job.id}/${stage}`, search: at?.search ?? '' }}
              size="small"
              color="inherit"
              startIcon={<StageMark state={state} />}
              sx={{ minWidth: 0, px: 1, '&.active': { bgcolor: 'sunken', fontWeight: 700 } }}
            >
              {STAGE_NAMES[stage]}
            </Button>
          ))}
        </Box>
      )}
    </Box>
  );
}
