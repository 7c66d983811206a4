import { Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { isLoad, isMove, type Run, type Move, type Load } from '@kymar/core/job';
import { saidCourse } from '@kymar/core/measure';
import { format, parseQuantity } from '@kymar/core/units';
import { EntryScope, scopeOf } from '../ui/entries';
import { QuantityField } from '../ui/field';
import { unbroken } from '../ui/figure';
import { UntilField, type Until } from './until';
import { waysOf, type Taken } from './taken';
import { Pick } from '../ui/pick';
import { useWrongAt } from './wrong';
import { Columns } from '../ui/layout';

type Kind = 'rate' | 'timed' | 'bound';

/** Half a step of the last digit shown: what a figure read off a screen leaves open. */
function grainOf(shown: string, rate: number): number {
  const digits = /[\d.,]+/.exec(shown)?.[0] ?? '1';
  const decimals = /[.,](\d+)$/.exec(digits)?.[1]?.length ?? 0;
  const value = Number(digits.replace(',', '.'));
  return value > 0 ? (0.5 * 10 ** -decimals * rate) / value : 0;
}

/** A figure measured elsewhere: a rate another program showed, a time, or only a limit. */
export function ByHand({
  job,
  activity,
  onTaken,
}: {
  job: string;
  activity: Move | Load | null;
  onTaken(taken: Taken): void;
}) {
  const move = isMove(activity) ? activity : null;
  const [kind, setKind] = useState<Kind>('rate');
  const [direction, setDirection] = useState<Run['direction']>(move?.direction ?? 'write');
  const [shown, setShown] = useState('');
  const [size, setSize] = useState<number | null>(null);
  const [block, setBlock] = useState<number | null>(null);
  const [depth, setDepth] = useState<number | null>(null);
  const [time, setTime] = useState<number | null>(null);
  const [until, setUntil] = useState<Until>('bar');
  // Of a range, or of what nobody counted, each run has its own: then it is asked.
  const [moved, setMoved] = useState<number | null>(null);
  const [count, setCount] = useState<number | null>(null);
  const told = (fact: Move['bytes'] | undefined) => (typeof fact?.value === 'number' ? fact.value : null);
  const bytes = moved ?? told(move?.bytes);
  const files = count ?? told(move?.files);
  const [ran, setRan] = useState('');
  const rate = parseQuantity(shown, 'rate');
  const course = kind === 'timed' && move && bytes && ran.trim() ? saidCourse(ran, bytes, time) : null;
  const whole = {
    activity: activity?.id ?? null,
    ...(activity ? waysOf(activity) : { direction, otherEnd: 'storage' as const }),
    source: 'program',
  } as const;

  const measure = (): Taken | null => {
    if (kind === 'rate')
      return rate.ok && rate.value > 0
        ? {
            activity: null,
            direction,
            otherEnd: 'memory',
            source: 'program',
            measure: {
              kind: 'rate',
              rate: rate.value,
              shown: shown.trim().slice(0, 60),
              grain: grainOf(shown, rate.value),
              block,
              depth: depth || null,
              bytes: size || null,
            },
          }
        : null;
    // A course tells what it took.
    const seconds = time ?? (course?.ok ? course.seconds : null);
    if (!activity || (move && !bytes) || !seconds || course?.ok === false) return null;
    if (kind === 'timed')
      return {
        ...whole,
        ...(course ? { samples: course.samples } : {}),
        measure: {
          kind: 'timed',
          bytes,
          files,
          seconds,
          ...(move ? { until } : {}),
          error: 0.5,
          correction: 0,
          laps: [],
          block: null,
          depth: null,
        },
      };
    return { ...whole, measure: { kind: 'bound', bytes, files, atMost: seconds, atLeast: null } };
  };
  const wrong = useWrongAt(job, 'hand');
  const ready = wrong.length > 0 ? null : measure();
  return (
    <EntryScope value={scopeOf(job, 'bench', 'hand')}>
      <Columns of={2}>
        <Pick
          label="What is known"
          value={kind}
          options={[
            ['rate', 'A rate that another program showed'],
            ['timed', 'How long the activity took'],
            ['bound', 'Only that it took less than'],
          ]}
          onValue={setKind}
          sx={{ gridColumn: '1 / -1' }}
        />
        {kind === 'rate' ? (
          <>
            <TextField
              label="As shown, with its unit"
              placeholder="412 MB/s"
              value={shown}
              onChange={(e) => setShown(e.target.value)}
              error={shown !== '' && !rate.ok}
              helperText={
                shown === ''
                  ? undefined
                  : rate.ok
                    ? `${rate.understood}${rate.note ? `. ${rate.note}` : ''}`
                    : rate.problem
              }
            />
            <Pick
              label="Direction"
              value={direction}
              options={[
                ['write', 'Writing to the drive'],
                ['read', 'Reading from it'],
              ]}
              onValue={setDirection}
            />
            <QuantityField
              label="Size of the test, if said"
              dimension="bytes"
              optional
              value={size}
              onValue={setSize}
            />
            <QuantityField
              label="Block, if said"
              dimension="bytes"
              bare="KiB"
              optional
              value={block}
              onValue={setBlock}
            />
            <QuantityField
              label="Queue depth, if said"
              dimension="count"
              optional
              value={depth}
              onValue={setDepth}
            />
          </>
        ) : (
          <>
            <QuantityField
              label={kind === 'timed' ? 'It took' : 'It took less than'}
              dimension="time"
              optional
              value={time}
              onValue={setTime}
            />
            {kind === 'timed' && move && <UntilField value={until} onValue={setUntil} />}
            {kind === 'timed' && move && (
              <TextField
                label="How it ran, if it was seen"
                placeholder="90 GB at 880 MB/s, then 215 MB/s"
                value={ran}
                onChange={(e) => setRan(e.target.value.slice(0, 400))}
                error={course?.ok === false}
                helperText={course === null ? undefined : course.ok ? course.understood : course.problem}
                sx={{ gridColumn: '1 / -1' }}
              />
            )}
            {move && told(move.bytes) === null && (
              <QuantityField label="Moved" dimension="bytes" optional value={moved} onValue={setMoved} />
            )}
            {move && told(move.files) === null && (
              <QuantityField label="Files" dimension="count" optional value={count} onValue={setCount} />
            )}
            <Typography variant="body2" color="textSecondary" sx={{ gridColumn: '1 / -1' }} data-typed>
              {isLoad(activity)
                ? `${activity.name}: from the start until it is open.`
                : activity && bytes
                  ? unbroken(
                      `${activity.name}: ${format(bytes, 'B')}, ${files === null ? 'files not counted' : `${format(files, 'count')} files`}`,
                    )
                  : activity
                    ? 'Say how much was moved.'
                    : 'Choose above which activity it was.'}
            </Typography>
          </>
        )}
        <Button
          variant="contained"
          disabled={!ready}
          onClick={() => ready && (onTaken(ready), setShown(''), setTime(null), setRan(''))}
          sx={{ gridColumn: '1 / -1' }}
        >
          Keep this figure
        </Button>
      </Columns>
    </EntryScope>
  );
}
