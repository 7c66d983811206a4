import { Box, Button, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { filesOf, logNormalSizes, type Move } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { QuantityField } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { half, third, UNKNOWN, type KindFieldsProps } from './form';

/** Most sizes a file set keeps. */
const BINS = 64;

/** The files' sizes where nobody counted them: from a folder of the customer's, or by median and spread. */
export function Sizes({ activity, onActivity }: Omit<KindFieldsProps<Move>, 'part'>) {
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
      onActivity({ ...activity, sizes: logNormalSizes(median, spread, 16_000), files: UNKNOWN });
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
          By typical file size
        </Button>
      </Box>
      {typed && (
        <>
          <QuantityField
            label="Half of the files are smaller than"
            bare="MB"
            dimension="bytes"
            optional
            value={typed.median}
            onValue={(median) => set(median, typed.spread)}
            sx={half}
          />
          <Pick
            label="One in six is larger by"
            value={typed.spread}
            options={[1, 1.5, 2, 3, 5, 10].map((v) => [
              v,
              v === 1 ? 'nothing: all alike' : `${v} times, and one in six smaller by as much`,
            ])}
            onValue={(v) => set(typed.median, v)}
            sx={half}
          />
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
