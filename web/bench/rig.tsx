import { Button, LinearProgress, TextField, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { probeRig, simulate, type RigRun } from '@kymar/core/measure';
import { hiddenCause, lookedAt, LOOKS } from '@kymar/core/diagnosis';
import { exactFact, explaining, given } from '@kymar/core/evidence';
import type { Case } from '@kymar/core/forecast';
import { caseOf, collect, overriding } from '../state/models';
import { isMove, type Job, type Move } from '@kymar/core/job';
import type { Placed } from '../state/placed';
import { format } from '@kymar/core/units';
import { FlowLine } from './flowline';
import { clock } from '../state/watch';
import { useSituation } from '../state/situation';
import { Pick } from '../ui/pick';
import type { Taken } from './taken';
import { Row, Stack } from '../ui/layout';

/** How a simulated run is shown: within so many s, or so many times as fast as it would be. */
const SHOWN = {
  '5 seconds': (seconds: number) => seconds / 5,
  '30 seconds': (seconds: number) => seconds / 30,
  'ten times as fast': () => 10,
  'as fast as it is': () => 1,
};
type Shown = keyof typeof SHOWN;
const KEPT = 200;

/** The simulated rig: the core's own model with a hidden true unit and noise. */
export function RigPanel({
  job,
  at,
  activity,
  looking,
  onTaken,
}: {
  job: Job;
  at: Placed | null;
  activity: Move | null;
  /** What is done differently to find a cause, by id. */
  looking: string | undefined;
  onTaken(taken: Taken): void;
}) {
  const [unit, setUnit] = useState(1);
  const [play, setPlay] = useState<{ run: RigRun; began: number; bytes: number; pace: number } | null>(null);
  const [shown, setShown] = useState<Shown>('5 seconds');
  const [faulty, setFaulty] = useState(false);
  const [told, setTold] = useState(false);
  const [now, setNow] = useState(0);
  const taken = useRef(onTaken);
  useEffect(() => {
    taken.current = onTaken;
  });
  const place = at?.place ?? null;
  const situation = useSituation(at);
  const of = situation && activity && caseOf(situation, activity.id);
  const look = LOOKS.find(({ id }) => id === looking);
  const inputs = of && collect(explaining, lookedAt(look, null, of), { withBesides: false });
  const repeats = job.runs.filter((r) => r.source === 'simulated' && r.activity === activity?.id).length;

  useEffect(() => {
    if (!play || !activity || !inputs) return;
    const { run, began, bytes, pace } = play;
    let frame = 0;
    const step = (time: number) => {
      const at = Math.min(run.seconds, ((time - began) / 1000) * pace);
      setNow(at);
      if (at < run.seconds) {
        frame = requestAnimationFrame(step);
        return;
      }
      const every = Math.ceil(run.samples.length / KEPT);
      taken.current({
        activity: activity.id,
        direction: activity.direction,
        otherEnd: 'storage',
        source: 'simulated',
        measure: {
          kind: 'timed',
          bytes,
          files: Math.round(inputs.inputs.files.expected),
          seconds: run.seconds,
          until: 'bar',
          error: 0.05,
          correction: 0,
          laps: [],
          block: null,
          depth: null,
        },
        samples: run.samples.filter((_, i) => i % every === 0 || i === run.samples.length - 1),
        path: place,
        conditions: { note: `simulated rig, unit ${unit}${faulty ? ', maybe with a fault' : ''}` },
      });
      setPlay(null);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
    // Only a new run starts the picture; what else it reads does not change while it is shown.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [play]);

  if (!activity || !inputs)
    return (
      <Typography>
        The rig plays the forecast’s own model: describe an activity and choose parts whose path is not
        blocked.
      </Typography>
    );
  const hidden = faulty
    ? hiddenCause(
        situation.activities.filter(isMove).map((a) => caseOf(situation, a.id)),
        unit,
      )
    : null;
  const start = () => {
    const bytes = inputs.inputs.bytes.expected;
    const exact = given('bytes of the rehearsal', bytes, 'B', { kind: 'entered' });
    const built: Case = lookedAt(look, hidden, of);
    const sized: Case = overriding('bytes', exact)(built);
    const known = collect(explaining, sized, { withBesides: false }) ?? inputs;
    const run = simulate(known, unit, repeats);
    setNow(0);
    setPlay({ run, began: performance.now(), bytes, pace: SHOWN[shown](run.seconds) });
  };
  /** The probe at once: what it would take hours for is no picture to watch. */
  const probe = () => {
    const { capacity } = situation.build.drive;
    const room = typeof capacity.value === 'number' ? capacity.value : 1e12;
    const whole: Move = {
      ...activity,
      direction: 'write',
      bytes: exactFact(0.6 * room),
      files: exactFact(1),
    };
    const long: Case = { ...of, activity: whole, requestShape: { toMemory: true } };
    const known = collect(explaining, hidden?.applies(long) ? hidden.change(long) : long, {
      withBesides: false,
    });
    if (!known) return;
    const {
      written,
      seconds,
      ended: _,
      ...probed
    } = probeRig(known, unit, { bytes: 0.5 * room, seconds: 12 * 3600, warmth: null });
    onTaken({
      activity: null,
      direction: 'write',
      otherEnd: 'memory',
      source: 'simulated',
      measure: {
        kind: 'timed',
        bytes: Math.max(1, written),
        files: 1,
        seconds: Math.max(1e-3, seconds),
        error: 0.001,
        correction: 0,
        laps: [],
        block: null,
        depth: 1,
      },
      path: place,
      probed,
      conditions: { note: `probe of the simulated rig, unit ${unit}${faulty ? ', maybe with a fault' : ''}` },
    });
  };
  const moved = play ? (play.run.samples.findLast((s) => s.t <= now)?.bytes ?? 0) : 0;
  return (
    <Stack>
      <Typography variant="body2" color="textSecondary">
        A unit is drawn from what the forecast leaves open, then timed with noise. For rehearsal: it obeys the
        model and says nothing about the customer’s drive.
      </Typography>
      <Row gap={1.5} align="center" wrap>
        <TextField
          label="Unit"
          type="number"
          value={unit}
          disabled={play !== null}
          onChange={(e) => {
            setUnit(Math.max(1, Math.min(1e6, Math.round(Number(e.target.value) || 1))));
            setTold(false);
          }}
          sx={{ width: 110 }}
        />
        <Pick
          label="Fault"
          value={faulty ? 'maybe' : 'none'}
          options={[
            ['none', 'none'],
            ['maybe', 'maybe one, hidden'],
          ]}
          onValue={(v) => {
            setFaulty(v === 'maybe');
            setTold(false);
          }}
          disabled={play !== null}
          sx={{ minWidth: 150 }}
        />
        <Pick
          label="Shown within"
          value={shown}
          options={(Object.keys(SHOWN) as (keyof typeof SHOWN)[]).map((way) => [way, way])}
          onValue={setShown}
          disabled={play !== null}
          sx={{ minWidth: 150 }}
        />
        {play ? (
          <Button variant="outlined" color="error" onClick={() => setPlay(null)}>
            Stop and discard
          </Button>
        ) : (
          <Button variant="contained" onClick={start}>
            Run it on the rig
          </Button>
        )}
        {!play && <Button onClick={probe}>Probe the rig</Button>}
        {play && (
          <Typography sx={{ fontVariantNumeric: 'tabular-nums', fontWeight: 600 }}>
            {clock(now)}, shown {Math.max(1, Math.round(play.pace))} times as fast
          </Typography>
        )}
      </Row>
      {faulty && !play && (
        <Typography variant="body2">
          {told ? (
            hidden ? (
              <>
                It was: <b>{hidden.title}.</b> {hidden.fix}
              </>
            ) : (
              'It had no fault.'
            )
          ) : (
            <>
              {job.runs.some((r) => r.source !== 'simulated')
                ? 'In the verdict what was measured goes before rehearsals: practise in a job without any. Time it, then'
                : 'Time it, read the likely causes in the verdict, then'}{' '}
              <Button size="small" disabled={repeats === 0} onClick={() => setTold(true)}>
                see what it was
              </Button>
            </>
          )}
        </Typography>
      )}
      {play && (
        <>
          <FlowLine samples={play.run.samples.filter((s) => s.t <= now)} total={play.bytes} />
          <LinearProgress
            variant="determinate"
            value={(100 * moved) / play.bytes}
            aria-label="Progress of the simulated run"
          />
          <Typography variant="body2" role="status">
            {format(moved, 'B')} of {format(play.bytes, 'B')}
          </Typography>
        </>
      )}
    </Stack>
  );
}
