import { Z95 } from '@kymar/core/stats';
import { Alert, Box, Button, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { stopwatchError } from '@kymar/core/measure';
import { isLoad, isMove, type Move, type Load } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { useSettings } from '../state/settings';
import { EntryScope, scopeOf } from '../ui/entries';
import { QuantityField, WholeScope } from '../ui/field';
import { UntilField, type Until } from './until';
import {
  bringBack,
  clock,
  correct,
  describe,
  discard,
  isUnknown,
  lap,
  momentOf,
  press,
  reloadError,
  reset,
  watchSeconds,
  startOf,
  useWatch,
} from '../state/watch';
import { courseOfShares, isRising, showed } from './shown';
import { waysOf, type Taken } from './taken';
import { ThumbLine } from './thumb';
import { useWrongAt } from './wrong';

const STEP = 0.1;

/** The big timer. Space starts and stops, L laps, arrows correct, Enter keeps, Escape discards, F fills the screen: the mouse is never needed. */
export function StopwatchPanel({
  job,
  activity,
  onTaken,
}: {
  job: string;
  activity: Move | Load | null;
  onTaken(taken: Taken): void;
}) {
  const { watch: any, discarded } = useWatch();
  const elsewhere = any !== null && any.job !== job;
  const watch = elsewhere ? null : any;
  const move = isMove(activity) ? activity : null;
  const single = (value: Move['bytes']['value'] | undefined) =>
    Array.isArray(value) ? value[1] : (value ?? null);
  const [said, setSaid] = useState<{ bytes: number | null; files: number | null; until: Until }>({
    bytes: single(move?.bytes.value),
    files: single(move?.files.value),
    until: 'bar',
  });
  // What was moved belongs to the clock from its start on: it is there again after a reload.
  const { bytes, files, until } = watch ?? said;
  const set = (part: Partial<typeof said>) => (watch ? describe(part) : setSaid({ ...said, ...part }));
  const face = useRef<HTMLDivElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const { laps = [], correction = 0, shown = [] } = watch ?? {};
  const start = watch && startOf(watch);
  const isSetBack = watch !== null && isUnknown(watch);
  const shownAt = (t: number | undefined) => shown.find((one) => one.t === t)?.share ?? null;
  const last = shownAt(laps.at(-1));
  const rises = isRising(shown);
  const thumb = useSettings((s) => s.thumb);
  const running = watch !== null && watch.stop === null;
  const seconds = watch ? watchSeconds(watch) : null;
  const error = Math.hypot(
    stopwatchError(correction === 0 ? [] : [correction], thumb?.spread),
    watch ? reloadError(watch) : 0,
  );
  const moved = isLoad(activity) || (bytes !== null && bytes > 0);
  const wrong = useWrongAt(job, 'stopwatch');
  const ready =
    seconds !== null &&
    seconds > 0 &&
    !isSetBack &&
    moved &&
    activity !== null &&
    rises &&
    wrong.length === 0;

  const keep = () => {
    if (!ready) return;
    onTaken({
      activity: activity.id,
      ...waysOf(activity),
      source: 'stopwatch',
      measure: {
        kind: 'timed',
        bytes: move ? bytes : null,
        files: move ? files : null,
        seconds,
        ...(move ? { until } : {}),
        error,
        correction,
        laps: [...laps],
        block: null,
        depth: null,
      },
      samples: watch && move ? courseOfShares(watch, bytes, seconds) : [],
    });
    reset();
  };
  const startStop = (at: number) => {
    if (activity) press(at, { job, activity: activity.id, bytes, files, until });
  };

  // The face is drawn straight into the page: a state a frame would redraw everything.
  useEffect(() => {
    if (!face.current) return;
    if (!running) {
      face.current.textContent = clock(seconds ?? 0);
      return;
    }
    let frame = 0;
    const draw = () => {
      if (face.current) face.current.textContent = clock((momentOf(performance.now()) - start!) / 1000);
      frame = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [running, start, seconds]);

  const { full, toggle } = useFullScreen();
  const acting = useRef({ keep, startStop, elsewhere, full, toggle });
  useEffect(() => {
    acting.current = { keep, startStop, elsewhere, full, toggle };
  });
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (
        acting.current.elsewhere ||
        busyElsewhere(event.target, box.current, event.key) ||
        event.repeat ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey
      )
        return;
      // The time of the press itself, not of the moment the page got round to it.
      const actions: Record<string, () => void> = {
        ' ': () => acting.current.startStop(event.timeStamp),
        l: () => lap(event.timeStamp),
        ArrowUp: () => correct(STEP),
        '+': () => correct(STEP),
        ArrowDown: () => correct(-STEP),
        '-': () => correct(-STEP),
        Enter: () => acting.current.keep(),
        f: () => acting.current.toggle(),
        Escape: () => (acting.current.full ? acting.current.toggle() : discard()),
      };
      const action = actions[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      const onButton = event.target instanceof HTMLElement && event.target.closest('button');
      if (!action || (onButton && event.key === 'Enter')) return;
      event.preventDefault();
      action();
    };
    // A focused button would take the release of the space bar for a click.
    const up = (event: KeyboardEvent) => {
      if (event.key === ' ' && !busyElsewhere(event.target, box.current, event.key)) event.preventDefault();
    };
    addEventListener('keydown', down);
    addEventListener('keyup', up);
    return () => {
      removeEventListener('keydown', down);
      removeEventListener('keyup', up);
    };
  }, []);

  const state = running ? 'Running' : seconds !== null ? 'Stopped' : 'Ready';
  return (
    <EntryScope value={scopeOf(job, 'bench', 'stopwatch')}>
      <Box ref={box} data-work sx={full ? FULL : COLUMN}>
        {elsewhere && (
          <Alert
            severity="info"
            variant="outlined"
            action={
              <Button component={Link} to={`/jobs/${any.job}/bench`}>
                Go there
              </Button>
            }
          >
            {any.stop === null ? 'The clock runs for another job.' : 'A time of another job is not kept yet.'}{' '}
            One clock at a time: keep or discard it first.
          </Alert>
        )}
        <Box
          sx={{
            textAlign: 'center',
            bgcolor: 'sunken',
            borderRadius: 1,
            py: 2,
            border: 1,
            borderColor: running ? 'primary.main' : 'divider',
          }}
        >
          <Box
            ref={face}
            data-testid="clock"
            role="timer"
            sx={{
              fontSize: full ? 'clamp(4.5rem, 22vw, 19rem)' : 'clamp(3rem, 7.2vw, 5.5rem)',
              fontWeight: 600,
              fontStretch: '112%',
              lineHeight: 1.05,
              fontVariantNumeric: 'tabular-nums',
            }}
          >
            0:00.0
          </Box>
          <Typography variant="body2" color="textSecondary" role="status">
            {state}
            {correction !== 0
              ? `, corrected by ${correction > 0 ? '+' : '−'}${Math.abs(correction).toFixed(1)} s`
              : ''}
            {isSetBack
              ? '. The clock of this computer was set back while it ran: this time is not known'
              : ''}
            {seconds !== null && !isSetBack ? `, known to ± ${(Z95 * error).toFixed(2)} s` : ''}
            {seconds !== null && seconds > 0 && !isSetBack && move && bytes
              ? `, ${format(bytes / seconds, 'B/s')}`
              : ''}
          </Typography>
          {laps.length > 0 && (
            <Typography variant="caption" color="textSecondary">
              Laps: {laps.map((l) => lapWords(l, shownAt(l))).join(', ')}
              {running && last ? `. At that rate ${clock(laps.at(-1)! / last)} in all` : ''}
            </Typography>
          )}
        </Box>
        <Box
          sx={{
            display: 'flex',
            gap: 1,
            flexWrap: 'wrap',
            '& > button': { minHeight: TARGET, flexGrow: 1 },
            [SMALL]: { '& > [data-press]': { minHeight: PRESSED } },
          }}
        >
          <Button
            variant={running || seconds === null ? 'contained' : 'outlined'}
            disabled={seconds !== null || elsewhere || !activity}
            onClick={(e) => startStop(e.timeStamp)}
            data-next
            data-press
            sx={{ flexBasis: { xs: '55%', sm: '30%' } }}
          >
            {running ? 'Stop' : 'Start'} <Key name="Space" />
          </Button>
          <Button variant="outlined" disabled={!running} onClick={(e) => lap(e.timeStamp)} data-press>
            Lap <Key name="L" />
          </Button>
          <Button
            variant="outlined"
            disabled={seconds === null}
            onClick={() => correct(-STEP)}
            aria-label="Take off 0.1 s"
          >
            <span data-typed>−0.1 s</span> <Key name="↓" />
          </Button>
          <Button
            variant="outlined"
            disabled={seconds === null}
            onClick={() => correct(STEP)}
            aria-label="Add 0.1 s"
          >
            <span data-typed>+0.1 s</span> <Key name="↑" />
          </Button>
        </Box>
        <Box
          sx={{
            display: move || !activity ? 'grid' : 'none',
            gridTemplateColumns: {
              xs: 'minmax(0, 1fr) minmax(0, 1fr)',
              sm: 'minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1.15fr)',
            },
            gap: 1.5,
          }}
        >
          <QuantityField label="Moved" dimension="bytes" value={bytes} onValue={(v) => set({ bytes: v })} />
          <QuantityField
            label="Files"
            dimension="count"
            optional
            value={files}
            onValue={(v) => set({ files: v })}
            helperText={files === null ? 'Empty: nobody counted' : undefined}
          />
          <UntilField value={until} onValue={(v) => set({ until: v })} />
          {watch && move && laps.length > 0 && (
            <WholeScope value={bytes ?? undefined}>
              <QuantityField
                key={laps.at(-1)}
                label={`The bar showed at ${clock(laps.at(-1)!)}`}
                dimension="percent"
                optional
                value={last}
                onValue={showed}
              />
            </WholeScope>
          )}
        </Box>
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', '& > button': { minHeight: TARGET } }}>
          <Button
            variant={ready ? 'contained' : 'outlined'}
            disabled={!ready}
            onClick={keep}
            data-next
            sx={{ flex: { xs: '1 0 100%', sm: 1 } }}
          >
            Keep this run <Key name="Enter" />
          </Button>
          <Button disabled={watch === null} onClick={discard}>
            Discard {!full && <Key name="Esc" />}
          </Button>
          <Button onClick={toggle}>
            {full ? 'Leave full screen' : 'Full screen'} <Key name="F" />
          </Button>
        </Box>
        {!rises && (
          <Typography variant="body2" color="error" role="alert">
            A bar rises, from above 0 % to below 100 %.
          </Typography>
        )}
        {seconds !== null && !moved && (
          <Typography variant="body2" color="textSecondary">
            Say what was moved before it can be kept: the brief gives {rangeOf(move)}, a run moves one size.
          </Typography>
        )}
        <ThumbLine />
        {discarded && any === null && discarded.job === job && (
          <Button size="small" onClick={bringBack}>
            Discarded {watchSeconds(discarded) === null ? 'while running' : clock(watchSeconds(discarded)!)}:
            bring it back
          </Button>
        )}
      </Box>
    </EntryScope>
  );
}

const lapWords = (t: number, share: number | null): string =>
  share === null ? clock(t) : `${clock(t)} (${format(share, '%')})`;

const rangeOf = (move: Move | null): string => {
  const value = move?.bytes.value;
  return Array.isArray(value) ? `${format(value[0], 'B')} to ${format(value[2], 'B')}` : 'no size';
};

/** Nothing in it is wider than it is. */
const COLUMN = { display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5 } as const;
/** Over all else; menus still open above it. */
const FULL = {
  ...COLUMN,
  position: 'fixed',
  inset: 0,
  zIndex: 'drawer',
  bgcolor: 'background.default',
  overflow: 'auto',
  p: { xs: 2, sm: 4 },
  alignContent: 'center',
} as const;
/** px a finger finds without looking, on a screen that is touched; of what is pressed while one looks at the bar. */
const TARGET = { xs: 44, sm: 36 };
const PRESSED = 64;
const SMALL = '@media (max-width: 599.95px)';

/** The clock alone on the screen: the whole of it where the browser gives it, the whole page else. */
function useFullScreen(): { full: boolean; toggle(): void } {
  const [full, setFull] = useState(false);
  useEffect(() => {
    const left = () => document.fullscreenElement || setFull(false);
    document.addEventListener('fullscreenchange', left);
    return () => document.removeEventListener('fullscreenchange', left);
  }, []);
  const toggle = () => {
    setFull(!full);
    const going = full
      ? document.fullscreenElement && document.exitFullscreen()
      : document.documentElement.requestFullscreen?.();
    // A browser that refuses leaves the page's own full size.
    void Promise.resolve(going).catch(() => undefined);
  };
  return { full, toggle };
}

/** Whether a key belongs to something else: a field being typed in, a menu, or a control outside the timer. Space does nothing to a link. */
function busyElsewhere(target: EventTarget | null, timer: HTMLElement | null, key: string): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (
    target.closest(
      'input, textarea, select, [role="combobox"], [role="menu"], [role="listbox"], [role="dialog"]',
    )
  )
    return true;
  const controls = key === ' ' ? 'button, summary, [role="tab"]' : 'button, a, summary, [role="tab"]';
  return target.closest(controls) !== null && !timer?.contains(target);
}

function Key({ name }: { name: string }) {
  return (
    <Box
      component="kbd"
      sx={{
        ml: 1,
        font: 'inherit',
        fontSize: '0.72rem',
        fontWeight: 560,
        opacity: 0.75,
        border: 1,
        borderColor: 'currentColor',
        borderRadius: 0.5,
        px: 0.5,
        lineHeight: 1.5,
      }}
    >
      {name}
    </Box>
  );
}
