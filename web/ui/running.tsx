import { Box } from '@mui/material';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { format } from '@kymar/core/units';
import { useJobs } from '../state/jobs';
import { useRuns, type Going } from '../state/runs';
import { clock, watchSeconds, useWatch, type Stopwatch, momentOf, startOf } from '../state/watch';

/** What runs, in the bar of every page: a clock, a time that is not kept yet, a real run. */
export function Running() {
  const { watch } = useWatch();
  const going = useRuns((s) => s.going);
  return (
    <>
      {watch && <ClockChip watch={watch} />}
      {Object.values(going)
        .filter((g) => g.waiting === null)
        .map((one) => (
          <RunChip key={one.run.id} going={one} />
        ))}
    </>
  );
}

function Chip({ to, label, children }: { to: string; label: string; children: React.ReactNode }) {
  return (
    <Box
      component={Link}
      to={to}
      aria-label={label}
      title={label}
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 0.75,
        px: 1.25,
        height: 28,
        borderRadius: 1,
        bgcolor: 'primary.main',
        color: 'primary.contrastText',
        fontSize: '0.8125rem',
        fontWeight: 620,
        fontVariantNumeric: 'tabular-nums',
        textDecoration: 'none',
        whiteSpace: 'nowrap',
        maxWidth: 260,
        flexShrink: 0,
        overflow: 'hidden',
      }}
    >
      {children}
    </Box>
  );
}

function ClockChip({ watch }: { watch: Stopwatch }) {
  const face = useRef<HTMLSpanElement>(null);
  const title = useJobs((s) => s.jobs[watch.job]?.title ?? 'a job that is not here');
  const stopped = watchSeconds(watch);
  const start = startOf(watch);
  useEffect(() => {
    const draw = () => {
      if (face.current)
        face.current.textContent = clock(stopped ?? (momentOf(performance.now()) - start) / 1000).replace(
          /\.\d$/,
          '',
        );
    };
    draw();
    if (stopped !== null) return;
    const timer = setInterval(draw, 250);
    return () => clearInterval(timer);
  }, [start, stopped]);
  return (
    <Chip
      to={`/jobs/${watch.job}/bench`}
      label={`${stopped === null ? 'Clock running' : 'Time not kept yet'}: ${title}`}
    >
      <span ref={face} />
      <Box
        component="span"
        sx={{
          fontWeight: 450,
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          display: { xs: 'none', md: 'inline' },
        }}
      >
        {stopped === null ? title : `not kept, ${title}`}
      </Box>
    </Chip>
  );
}

function RunChip({ going }: { going: Going }) {
  const { run, samples, total, direction, watching } = going;
  const job = useJobs((s) => (run.request.purpose ? s.jobs[run.request.purpose.job] : undefined));
  const done = samples.at(-1)?.bytes ?? 0;
  const doing = watching ? watchWords(watching.state) : direction === 'write' ? 'writing' : 'reading';
  const far = total === null ? format(done, 'B', 3) : `${Math.floor((100 * done) / total)} %`;
  const begin = `${doing[0]!.toUpperCase()}${doing.slice(1)}`;
  const words =
    total === null
      ? `${begin}, ${format(done, 'B')}:`
      : `${begin} ${format(done, 'B')} of ${format(total, 'B')} in`;
  return (
    <Chip to={job ? `/jobs/${job.id}/bench` : '/jobs'} label={`${words} ${run.folder}`}>
      <span>{far}</span>
      <Box component="span" sx={{ fontWeight: 450, display: { xs: 'none', md: 'inline' } }}>
        {doing}
      </Box>
    </Chip>
  );
}

const watchWords = (state: NonNullable<Going['watching']>['state']): string =>
  ({ waiting: 'waiting for the first bytes', moving: 'watching', flushing: 'being flushed', over: 'over' })[
    state
  ];
