import { Button, MenuItem, TextField, Typography, Box } from '@mui/material';
import { useRef, useState } from 'react';
import {
  filesOf,
  logNormalSizes,
  type Activity,
  type Move,
  type Open,
  type Scratch,
  type Stream,
} from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { FactField, QuantityField } from '../ui/field';

type Props<A extends Activity> = { activity: A; onActivity(activity: Activity): void };
const third = { gridColumn: 'span 2' };
const half = { gridColumn: 'span 3' };

/** What is asked of an activity of each kind. Nothing must be answered. */
export function KindFields({ activity, onActivity }: Props<Activity>) {
  switch (activity.kind) {
    case 'move':
      return <MoveFields activity={activity} onActivity={onActivity} />;
    case 'stream':
      return <StreamFields activity={activity} onActivity={onActivity} />;
    case 'open':
      return <OpenFields activity={activity} onActivity={onActivity} />;
    case 'scratch':
      return <ScratchFields activity={activity} onActivity={onActivity} />;
    case 'keep':
      return (
        <>
          <FactField
            label="Kept today"
            dimension="bytes"
            fact={activity.now}
            onFact={(now) => onActivity({ ...activity, now })}
            sx={half}
          />
          <FactField
            label="Added a day"
            dimension="bytes"
            fact={activity.growth}
            onFact={(growth) => onActivity({ ...activity, growth })}
            sx={half}
          />
        </>
      );
  }
}

function Way({
  value,
  onValue,
  sx,
  itself,
}: {
  value: string;
  onValue(value: string): void;
  sx: object;
  itself?: boolean;
}) {
  return (
    <TextField select label="Data goes" value={value} onChange={(e) => onValue(e.target.value)} sx={sx}>
      <MenuItem value="write">to the drive</MenuItem>
      <MenuItem value="read">from the drive</MenuItem>
      {itself && <MenuItem value="itself">from the drive to itself</MenuItem>}
    </TextField>
  );
}

function MoveFields({ activity, onActivity }: Props<Move>) {
  const { itself: _, verify: __, ...rest } = activity;
  const setWay = (way: string) =>
    onActivity(
      way === 'itself'
        ? { ...activity, direction: 'write', itself: true }
        : { ...rest, ...(activity.verify ? { verify: true } : {}), direction: way as 'read' | 'write' },
    );
  return (
    <>
      <Way value={activity.itself ? 'itself' : activity.direction} onValue={setWay} sx={half} itself />
      <TextField
        select
        label="Afterwards"
        value={activity.verify ? 'verify' : 'nothing'}
        onChange={(e) =>
          onActivity({
            ...rest,
            ...(activity.itself ? { itself: true } : {}),
            ...(e.target.value === 'verify' ? { verify: true } : {}),
          })
        }
        sx={half}
      >
        <MenuItem value="nothing">nothing is checked</MenuItem>
        <MenuItem value="verify">all is read back</MenuItem>
      </TextField>
      <FactField
        label="Size in one go"
        dimension="bytes"
        fact={activity.bytes}
        onFact={(bytes) => onActivity({ ...activity, bytes })}
        sx={third}
      />
      <FactField
        label="Files"
        dimension="count"
        fact={activity.files}
        onFact={(files) => onActivity({ ...activity, files })}
        sx={third}
      />
      <Sizes activity={activity} onActivity={onActivity} />
    </>
  );
}

/** Most sizes a file set keeps. */
const BINS = 64;

/** The files' sizes where nobody counted them: from a folder of the customer's, or by median and spread. */
function Sizes({ activity, onActivity }: Props<Move>) {
  const picker = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState<{ median: number | null; spread: number } | null>(null);
  const { sizes: _, ...rest } = activity;
  const sizes = activity.sizes;
  const count = sizes?.reduce((sum, s) => sum + s.count, 0) ?? 0;
  const scan = (files: FileList) => {
    // Sizes in steps of a factor of 1.5: enough to tell what they cost, few enough to keep.
    const bins = new Map<number, { bytes: number; count: number }>();
    let total = 0;
    for (const file of files) {
      total += file.size;
      const key = file.size === 0 ? -1 : Math.floor(Math.log(file.size) / Math.log(1.5));
      const bin = bins.get(key) ?? { bytes: 0, count: 0 };
      bin.bytes += file.size;
      bin.count += 1;
      bins.set(key, bin);
    }
    if (total === 0) return;
    const list = [...bins.values()]
      .sort((a, b) => b.count - a.count)
      .slice(0, BINS)
      .map((b) => ({ bytes: Math.round(b.bytes / b.count), count: b.count }));
    const source = { kind: 'entered', note: 'a folder of this machine, sizes only' } as const;
    onActivity({
      ...activity,
      sizes: list,
      bytes: { value: total, source },
      files: { value: files.length, source },
    });
  };
  const set = (median: number | null, spread: number) => {
    setTyped({ median, spread });
    if (median !== null && median > 0)
      onActivity({
        ...activity,
        sizes: logNormalSizes(median, spread, 16_000),
        files: { value: null, source: { kind: 'unknown' } },
      });
  };
  const files = filesOf(activity).value;
  return (
    <>
      <Box sx={{ ...third, display: 'flex', alignItems: 'center', gap: 0.5 }}>
        <input
          ref={(element) => {
            picker.current = element;
            element?.setAttribute('webkitdirectory', '');
          }}
          type="file"
          hidden
          multiple
          aria-label={`Folder for ${activity.name}`}
          onChange={(e) => e.target.files && scan(e.target.files)}
        />
        <Button size="small" onClick={() => picker.current?.click()}>
          Count a folder
        </Button>
        <Button
          size="small"
          aria-expanded={typed !== null}
          onClick={() => setTyped(typed ? null : { median: null, spread: 2 })}
        >
          By median
        </Button>
      </Box>
      {typed && (
        <>
          <QuantityField
            label="Half of the files are smaller than"
            dimension="bytes"
            optional
            value={typed.median}
            onValue={(median) => set(median, typed.spread)}
            sx={half}
          />
          <TextField
            select
            label="One in six is larger by"
            value={typed.spread}
            onChange={(e) => set(typed.median, Number(e.target.value))}
            sx={half}
          >
            {[1, 1.5, 2, 3, 5, 10].map((v) => (
              <MenuItem key={v} value={v}>
                {v === 1 ? 'nothing: all alike' : `${v} times, and one in six smaller by as much`}
              </MenuItem>
            ))}
          </TextField>
        </>
      )}
      {sizes && (
        <Typography variant="caption" color="textSecondary" sx={{ gridColumn: '1 / -1', mt: -0.5 }}>
          {format(sizes.reduce((sum, s) => sum + s.bytes * s.count, 0) / count, 'B')} a file on average
          {activity.files.value === null && typeof files === 'number'
            ? `: about ${format(files, 'count')} files`
            : ''}
          .{' '}
          <Button
            size="small"
            sx={{ p: 0, minWidth: 0, verticalAlign: 'baseline' }}
            onClick={() => onActivity(rest)}
          >
            Forget the sizes
          </Button>
        </Typography>
      )}
    </>
  );
}

function StreamFields({ activity, onActivity }: Props<Stream>) {
  return (
    <>
      <Way
        value={activity.direction}
        onValue={(way) => onActivity({ ...activity, direction: way as 'read' | 'write' })}
        sx={third}
      />
      <FactField
        label="Rate of each"
        dimension="rate"
        fact={activity.rate}
        onFact={(rate) => onActivity({ ...activity, rate })}
        sx={third}
      />
      <QuantityField
        label="Streams at once"
        dimension="count"
        value={activity.streams}
        onValue={(n) =>
          n !== null && n >= 1 && onActivity({ ...activity, streams: Math.min(1000, Math.round(n)) })
        }
        sx={third}
      />
      <FactField
        label="Lasts without a break"
        dimension="time"
        fact={activity.lasts}
        onFact={(lasts) => onActivity({ ...activity, lasts })}
        sx={half}
      />
      <FactField
        label="Own buffer bridges"
        dimension="time"
        fact={activity.buffer}
        onFact={(buffer) => onActivity({ ...activity, buffer })}
        sx={half}
      />
    </>
  );
}

function OpenFields({ activity, onActivity }: Props<Open>) {
  return (
    <>
      <FactField
        label="Host and program alone"
        dimension="time"
        fact={activity.processing}
        onFact={(own) => onActivity({ ...activity, processing: own })}
        sx={third}
      />
      <FactField
        label="Loads"
        dimension="bytes"
        fact={activity.bytes}
        onFact={(bytes) => onActivity({ ...activity, bytes })}
        sx={third}
      />
      <FactField
        label="Requests that wait"
        dimension="count"
        fact={activity.dependentReads}
        onFact={(requests) => onActivity({ ...activity, dependentReads: requests })}
        sx={third}
      />
    </>
  );
}

function ScratchFields({ activity, onActivity }: Props<Scratch>) {
  return (
    <>
      <FactField
        label="Operations a day"
        dimension="count"
        fact={activity.operations}
        onFact={(operations) => onActivity({ ...activity, operations })}
        sx={third}
      />
      <FactField
        label="Spread over"
        dimension="bytes"
        fact={activity.span}
        onFact={(span) => onActivity({ ...activity, span })}
        sx={third}
      />
      <QuantityField
        label="Size of each"
        dimension="bytes"
        value={activity.block}
        onValue={(v) => onActivity({ ...activity, block: v && v > 0 ? v : 4096 })}
        sx={third}
      />
      <TextField
        select
        label="Share that reads"
        value={activity.reads}
        onChange={(e) => onActivity({ ...activity, reads: Number(e.target.value) })}
        sx={third}
      >
        {[...new Set([0, 0.1, 0.3, 0.5, 0.7, 0.9, 1, activity.reads])]
          .sort((a, b) => a - b)
          .map((v) => (
            <MenuItem key={v} value={v}>
              {format(v, '%')}
            </MenuItem>
          ))}
      </TextField>
      <TextField
        select
        label="Depth"
        value={activity.depth}
        onChange={(e) => onActivity({ ...activity, depth: Number(e.target.value) })}
        sx={third}
      >
        {[...new Set([1, 2, 4, 8, 16, 32, 64, activity.depth])]
          .sort((a, b) => a - b)
          .map((v) => (
            <MenuItem key={v} value={v}>
              {v}
            </MenuItem>
          ))}
      </TextField>
      <TextField
        select
        label="A write waits until safe"
        value={activity.synchronous ? 'yes' : 'no'}
        onChange={(e) => onActivity({ ...activity, synchronous: e.target.value === 'yes' })}
        sx={third}
      >
        <MenuItem value="no">no</MenuItem>
        <MenuItem value="yes">yes</MenuItem>
      </TextField>
    </>
  );
}
