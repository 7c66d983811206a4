import { Box, Button, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { stopwatchError } from '@kymar/core/bench';
import type { Move } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { QuantityField } from '../ui/field';
import { UntilField, type Until } from './until';
import { bringBack, correct, discard, lap, press, reset, secondsOf, useWatch } from './watch';
import type { Taken } from '.';

const STEP = 0.1;

/** `1:27:05.3`, `4:56.4`, `0.0`. */
export function clock(seconds: number): string {
  const tenths = Math.floor(Math.max(0, seconds) * 10 + 1e-6);
  const [h, m, s] = [Math.floor(tenths / 36000), Math.floor(tenths / 600) % 60, Math.floor(tenths / 10) % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return `${h > 0 ? `${h}:${two(m)}` : m}:${two(s)}.${tenths % 10}`;
}

/** The big timer. Space starts and stops, L laps, arrows correct, Enter keeps, Escape discards: the mouse is never needed. */
export function Stopwatch({ activity, onTaken }: { activity: Move | null; onTaken(taken: Taken): void }) {
  const { watch, discarded } = useWatch();
  const single = (value: Move['bytes']['value'] | undefined) => (Array.isArray(value) ? value[1] : (value ?? null));
  const [bytes, setBytes] = useState<number | null>(single(activity?.bytes.value));
  const [files, setFiles] = useState<number | null>(single(activity?.files.value));
  const [until, setUntil] = useState<Until>('bar');
  const face = useRef<HTMLDivElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const { start, stop, laps, correction } = watch;
  const running = start !== null && stop === null;
  const seconds = secondsOf(watch);
  const ready = seconds !== null && seconds > 0 && bytes !== null && bytes > 0 && activity !== null;

  const keep = () => {
    if (!ready) return;
    onTaken({ activity: activity.id, direction: activity.direction, otherEnd: 'storage', source: 'stopwatch', measure: { kind: 'timed', bytes, files, seconds, until, error: stopwatchError(correction === 0 ? [] : [correction]), correction, laps, block: null, depth: null } });
    reset();
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
      if (face.current) face.current.textContent = clock((performance.now() - start) / 1000);
      frame = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(frame);
  }, [running, start, seconds]);

  const keeping = useRef(keep);
  useEffect(() => {
    keeping.current = keep;
  });
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (busyElsewhere(event.target, box.current) || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      // The time of the press itself, not of the moment the page got round to it.
      const actions: Record<string, () => void> = {
        ' ': () => press(event.timeStamp),
        l: () => lap(event.timeStamp),
        ArrowUp: () => correct(STEP),
        '+': () => correct(STEP),
        ArrowDown: () => correct(-STEP),
        '-': () => correct(-STEP),
        Enter: () => keeping.current(),
        Escape: () => discard(),
      };
      const action = actions[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      const onButton = event.target instanceof HTMLElement && event.target.closest('button');
      if (!action || (onButton && event.key === 'Enter')) return;
      event.preventDefault();
      action();
    };
    // A focused button would take the release of the space bar for a click.
    const up = (event: KeyboardEvent) => {
      if (event.key === ' ' && !busyElsewhere(event.target, box.current)) event.preventDefault();
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
    <Box ref={box} sx={{ display: 'grid', gap: 1.5 }}>
      <Box sx={{ textAlign: 'center', bgcolor: 'sunken', borderRadius: 1, py: 2, border: 1, borderColor: running ? 'primary.main' : 'divider' }}>
        <Box ref={face} data-testid="clock" role="timer" sx={{ fontSize: 'clamp(3rem, 7.2vw, 5.5rem)', fontWeight: 600, fontStretch: '112%', lineHeight: 1.05, fontVariantNumeric: 'tabular-nums' }}>
          0:00.0
        </Box>
        <Typography variant="body2" color="textSecondary" role="status">
          {state}
          {correction !== 0 ? `, corrected by ${correction > 0 ? '+' : '−'}${Math.abs(correction).toFixed(1)} s` : ''}
          {seconds !== null ? `, known to ± ${(1.96 * stopwatchError(correction === 0 ? [] : [correction])).toFixed(2)} s` : ''}
          {seconds !== null && bytes ? `, ${format(bytes / seconds, 'B/s')}` : ''}
        </Typography>
        {laps.length > 0 && (
          <Typography variant="caption" color="textSecondary">
            Laps: {laps.map((l) => clock(l)).join(', ')}
          </Typography>
        )}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant={running || seconds === null ? 'contained' : 'outlined'} disabled={seconds !== null} onClick={(e) => press(e.timeStamp)} sx={{ flex: 1 }}>
          {running ? 'Stop' : 'Start'} <Key name="Space" />
        </Button>
        <Button variant="outlined" disabled={!running} onClick={(e) => lap(e.timeStamp)}>
          Lap <Key name="L" />
        </Button>
        <Button variant="outlined" disabled={seconds === null} onClick={() => correct(-STEP)} aria-label="Take off 0.1 s">
          −0.1 s <Key name="↓" />
        </Button>
        <Button variant="outlined" disabled={seconds === null} onClick={() => correct(STEP)} aria-label="Add 0.1 s">
          +0.1 s <Key name="↑" />
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr) minmax(0, 1fr)', sm: 'minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1.15fr)' }, gap: 1.5 }}>
        <QuantityField label="Moved" dimension="bytes" value={bytes} onValue={setBytes} />
        <QuantityField label="Files" dimension="count" optional value={files} onValue={setFiles} helperText={files === null ? 'Empty: nobody counted' : undefined} />
        <UntilField value={until} onValue={setUntil} />
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant={ready ? 'contained' : 'outlined'} disabled={!ready} onClick={keep} sx={{ flex: 1 }}>
          Keep this run <Key name="Enter" />
        </Button>
        <Button disabled={start === null} onClick={discard}>
          Discard <Key name="Esc" />
        </Button>
      </Box>
      {discarded && start === null && (
        <Button size="small" onClick={bringBack}>
          Discarded {secondsOf(discarded) === null ? 'while running' : clock(secondsOf(discarded)!)}: bring it back
        </Button>
      )}
    </Box>
  );
}

/** Whether a key belongs to something else: a field being typed in, a menu, or a control outside the timer. */
function busyElsewhere(target: EventTarget | null, timer: HTMLElement | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('input, textarea, select, [role="combobox"], [role="menu"], [role="listbox"], [role="dialog"]')) return true;
  return target.closest('button, a, summary, [role="tab"]') !== null && !timer?.contains(target);
}

function Key({ name }: { name: string }) {
  return (
    <Box component="kbd" sx={{ ml: 1, font: 'inherit', fontSize: '0.72rem', fontWeight: 560, opacity: 0.75, border: 1, borderColor: 'currentColor', borderRadius: 0.5, px: 0.5, lineHeight: 1.5 }}>
      {name}
    </Box>
  );
}
