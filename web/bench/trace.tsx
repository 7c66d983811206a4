import { Alert, Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { Suspense, useState } from 'react';
import type { PhaseKind, TraceColumns } from '@kymar/core/measure';
import { hardCeiling } from '@kymar/core/assembly';
import { pathOf } from '../state/models';
import { middle } from '@kymar/core/evidence';
import { filesOf, isMove, type Move, type Load } from '@kymar/core/job';
import { counted, format, numeral } from '@kymar/core/units';
import type { Placed } from '../state/placed';
import { situationNow } from '../state/situation';
import { QuantityField } from '../ui/field';
import { patientLazy } from '../ui/lazy';
import { traces, type TraceLook, type TraceRead } from '../workers';
import { waysOf, type Taken } from './taken';
import { Pick } from '../ui/pick';
import { OpeningView } from '../ui/waiting';
import { Cells } from '../ui/cells';
import { Columns } from '../ui/layout';

const TraceChart = patientLazy(() => import('./tracechart'));

const PHASE: Record<PhaseKind, string> = {
  memory: 'the host’s memory',
  cache: 'cache',
  sustained: 'sustained (post-cache)',
  throttled: 'throttled by heat',
  'inner tracks': 'towards the inner tracks',
  steady: 'steady',
};
const UNITS = {
  bytes: [
    ['B', 1],
    ['kB', 1e3],
    ['MB', 1e6],
    ['GB', 1e9],
    ['KiB', 2 ** 10],
    ['MiB', 2 ** 20],
    ['GiB', 2 ** 30],
    ['sectors of 512 B', 512],
  ],
  rate: [
    ['B/s', 1],
    ['kB/s', 1e3],
    ['MB/s', 1e6],
    ['GB/s', 1e9],
    ['MiB/s', 2 ** 20],
    ['Mb/s', 125e3],
    ['Gb/s', 125e6],
  ],
} as const;
const TIMES = [
  ['s', 1],
  ['ms', 1e-3],
  ['µs', 1e-6],
  ['ns', 1e-9],
  ['min', 60],
] as const;

/** Where nothing can be told of the columns: a person says. */
const UNKNOWN: TraceColumns = {
  time: null,
  timeUnit: 1,
  apart: 1,
  amount: 0,
  kind: 'bytes',
  unit: 1,
  warmth: null,
  comma: false,
};

/** A trace of so much as the activity moves is of its files too. */
function filesMoved(move: Move | null, moved: number): number | null {
  const [bytes, files] = move ? [middle(move.bytes), middle(filesOf(move))] : [null, null];
  return bytes !== null && files !== null && Math.abs(moved / bytes - 1) < ALL ? Math.round(files) : null;
}
/** Of an activity's bytes a trace may leave out, or count beside, so much. */
const ALL = 0.02;

/** °C at its hottest, where the table has them. */
function hottestIn({ phases }: TraceRead): { hottest?: number } {
  const read = phases.phases.flatMap(({ warmth }) => warmth ?? []);
  return read.length > 0 ? { hottest: Math.max(...read) } : {};
}

interface Props {
  at: Placed | null;
  activity: Move | Load | null;
  onTaken(taken: Taken): void;
}

/** Readings of another program: any table of times and bytes or rates, cut into the phases it ran in. */
export function TracePanel({ at, activity, onTaken }: Props) {
  const [look, setLook] = useState<TraceLook | null>(null);
  const [columns, setColumns] = useState<TraceColumns | null>(null);
  const [read, setRead] = useState<TraceRead | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const hints = () => {
    const situation = situationNow(at);
    const path = situation && pathOf(situation);
    return {
      media: at?.build?.drive.media ?? null,
      ceiling: path && path.blocked.length === 0 ? hardCeiling(path) : null,
    };
  };
  const readBy = (by: TraceColumns) => {
    setColumns(by);
    setBusy(true);
    traces.read(by, hints()).then(
      (found) => {
        setRead(found);
        setProblem(null);
        setBusy(false);
      },
      (error: Error) => {
        setRead(null);
        setProblem(error.message);
        setBusy(false);
      },
    );
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    setRead(null);
    try {
      const found = await traces.look(file);
      setLook(found);
      setProblem(found.columns ? null : 'No column could be told to be what was moved. Choose it.');
      setColumns(UNKNOWN);
      if (found.columns) return readBy(found.columns);
    } catch (error) {
      setLook(null);
      setProblem((error as Error).message);
    }
    setBusy(false);
  };
  const move = isMove(activity) ? activity : null;
  const keep = () => {
    if (!read || !look) return;
    onTaken({
      activity: move?.id ?? null,
      ...(move ? waysOf(move) : { direction: 'write', otherEnd: 'storage' }),
      source: 'program',
      measure: {
        kind: 'timed',
        bytes: Math.round(read.bytes),
        files: filesMoved(move, read.bytes),
        seconds: read.seconds,
        error: read.seconds / Math.max(10, read.rows) / Math.sqrt(12),
        correction: 0,
        laps: [],
        block: null,
        depth: null,
      },
      samples: read.samples,
      conditions: { note: `readings in ${look.file}`.slice(0, 400), ...hottestIn(read) },
    });
    setLook(null);
    setRead(null);
  };
  const change = (part: Partial<TraceColumns>) => columns && readBy({ ...columns, ...part });
  const names = look ? (look.heading ?? look.rows[0]?.map((_, i) => `Column ${i + 1}`) ?? []) : [];
  return (
    <Box
      sx={{ display: 'grid', gap: 1.5 }}
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        void take(e.dataTransfer.files[0]);
      }}
    >
      <Typography variant="body2" color="textSecondary">
        A table of readings, as another program saved it: times, and how far it had come or how fast it went.
        Up to a million rows.
      </Typography>
      <Button component="label" variant={read ? 'outlined' : 'contained'} disabled={busy}>
        {look ? 'Read another table' : 'Read a table (CSV)'}
        <input
          hidden
          type="file"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          aria-label="Table of readings"
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </Button>
      {problem && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
      {look && columns && (
        <Columns of={2}>
          <Pick
            label="Time"
            value={columns.time ?? 'none'}
            options={[['none', 'none: rows are evenly apart'], ...names.map((name, i) => [i, name] as const)]}
            onValue={(v) =>
              change({ time: v === 'none' ? null : v, ...(v === 'none' ? { timeUnit: 1 } : {}) })
            }
          />
          {columns.time === null ? (
            <QuantityField
              label="From row to row"
              dimension="time"
              bare="s"
              value={columns.apart}
              onValue={(apart) => apart !== null && apart > 0 && change({ apart })}
            />
          ) : (
            <Pick
              label="Time is in"
              value={columns.timeUnit}
              options={[
                ...TIMES.map(([unit, value]) => [value, unit] as const),
                ['clock', 'clock times or dates'],
              ]}
              onValue={(v) => change({ timeUnit: v === 'clock' ? 'clock' : v })}
            />
          )}
          <Pick
            label="What was moved"
            value={columns.amount}
            options={names.map((name, i) => [i, name])}
            onValue={(v) => change({ amount: v })}
          />
          <TextField
            select
            label="It is"
            value={`${columns.kind} ${columns.unit}`}
            onChange={(e) => {
              const [kind, unit] = e.target.value.split(' ') as [TraceColumns['kind'], string];
              change({ kind, unit: Number(unit) });
            }}
          >
            {(['bytes', 'rate'] as const).flatMap((kind) =>
              UNITS[kind].map(([unit, value]) => (
                <MenuItem key={unit} value={`${kind} ${value}`}>
                  {kind === 'bytes' ? `how far it had come, ${unit}` : `how fast it went, ${unit}`}
                </MenuItem>
              )),
            )}
          </TextField>
        </Columns>
      )}
      {look && !read && <Preview look={look} />}
      {busy && <Typography role="status">Reading …</Typography>}
      {read && <Result read={read} onKeep={keep} activity={move} />}
    </Box>
  );
}

/** The first rows as they stand in the file. */
function Preview({ look }: { look: TraceLook }) {
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Cells
        of={look.rows}
        label={`First rows of ${look.file}`}
        heads={look.heading !== null}
        columns={({ left }) =>
          (look.heading ?? look.rows[0] ?? []).map((name, k) => left(name, (row) => row[k]))
        }
      />
    </Box>
  );
}

function Result({ read, activity, onKeep }: { read: TraceRead; activity: Move | null; onKeep(): void }) {
  const { phases, left } = read;
  const out = left.notNumbers + left.backwards;
  return (
    <>
      <Typography>
        {counted(read.rows, 'row')}: {format(read.bytes, 'B')} in {format(read.seconds, 's')},{' '}
        {format(read.bytes / read.seconds, 'B/s')} on average.
        {out > 0 ? ` ${counted(out, 'row')} left out: ${leftWords(left)}.` : ''}
      </Typography>
      <Box sx={{ height: 220 }}>
        <Suspense fallback={<OpeningView />}>
          <TraceChart read={read} />
        </Suspense>
      </Box>
      <Cells
        of={phases.phases}
        keyOf={({ fromBytes }) => fromBytes}
        label="Phases"
        columns={({ left, right }) => [
          left('Phase', ({ kind }) => PHASE[kind]),
          right('From', ({ fromBytes }) => format(fromBytes, 'B')),
          right('To', ({ toBytes }) => format(toBytes, 'B')),
          right('Time', ({ from, to }) => format(to - from, 's')),
          right('MB/s', ({ rate }) => numeral(rate / 1e6, 0)),
        ]}
      />
      <Typography variant="body2">{findingWords(read)}</Typography>
      <Button variant="contained" onClick={onKeep}>
        {activity ? `Keep as a run of ${activity.name}` : 'Keep as a run'}
      </Button>
    </>
  );
}

const leftWords = ({ notNumbers, backwards }: TraceRead['left']): string =>
  [notNumbers > 0 && 'no numbers', backwards > 0 && 'time or amount goes back'].filter(Boolean).join('; ');

/** What a trace tells of a drive, in sentences. */
function findingWords({ phases }: TraceRead): string {
  const { cache, fast, slow, zoneRatio, stalls } = phases;
  const said = [
    cache && slow !== null && !cache.atLeast
      ? `The cache is used up after ${format(cache.bytes, 'B')}: ${format(fast, 'B/s')} until then, ${format(slow, 'B/s')} sustained.`
      : '',
    cache?.atLeast
      ? `No end of a cache in sight: it is at least ${format(cache.bytes, 'B')}, or there is none.`
      : '',
    zoneRatio !== null ? `It slows down to ${format(zoneRatio, '%', 2)} of its outer tracks’ rate.` : '',
    stalls.length > 0
      ? `It stood still ${counted(stalls.length, 'time')}, ${format(
          stalls.reduce((s, x) => s + x.seconds, 0),
          's',
        )} in all.`
      : '',
  ];
  return said.filter(Boolean).join(' ');
}
