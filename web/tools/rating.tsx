import { Box, TextField, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { life } from '@kymar/core/models';
import { format, calendarMonth } from '@kymar/core/units';
import { QuantityField } from '../ui/field';
import { Figure, unbroken } from '../ui/figure';
import { Calculator, tryOut } from './calculator';

interface Row {
  key: number;
  /** Age in days. */
  day: number;
  /** B */
  written: number;
}

const entered = (value: number) => ({ value, source: { kind: 'entered' as const } });

/** When a drive's rated writes run out, from what its own counter showed at some ages: a date as a range. */
export function RatingEnd() {
  const [sheet, setSheet] = useState({ tbw: 540e12, capacity: 960e9, years: 3 });
  const [since, setSince] = useState('2026-07-18');
  const [rows, setRows] = useState<Row[]>([
    { key: 0, day: 0, written: 0 },
    { key: 1, day: 48, written: 2.9e12 },
    { key: 2, day: 131, written: 8.4e12 },
  ]);
  const found = useMemo(() => {
    const readings = [...rows].sort((a, b) => a.day - b.day).map(({ day, written }) => ({ day, written }));
    return tryOut(() =>
      life({
        tbw: entered(sheet.tbw),
        capacity: entered(sheet.capacity),
        warrantyYears: entered(sheet.years),
        writesPerDay: null,
        readings,
        ...(since ? { since } : {}),
      }),
    );
  }, [sheet, since, rows]);
  const day = (iso: string) => calendarMonth(iso);
  const last = rows.reduce((a, b) => (b.day > a.day ? b : a), rows[0]!);
  return (
    <Calculator
      name="tools.rating"
      title="When do the rated writes run out?"
      about="from readings of a counter"
      asks={
        'What the drive’s own counter of written bytes showed, and how old it was then. Three ' +
        'readings or more tell how surely; four tell whether the writes grow.'
      }
      rows={rows}
      onRows={setRows}
      what="reading"
      widths="130px minmax(0, 1fr)"
      least={2}
      most={40}
      next={() => ({ ...last, day: last.day + 30, written: last.written * 1.2 })}
      entries={[
        { of: 'day', label: 'Day of reading #', dimension: 'count', zero: true },
        { of: 'written', label: 'Written by then #', dimension: 'bytes', bare: 'TB', zero: true },
      ]}
      more={
        <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', mt: 1.5 }}>
          <QuantityField
            label="Rated writes (TBW)"
            bare="TB"
            dimension="bytes"
            value={sheet.tbw}
            onValue={(tbw) => tbw && setSheet({ ...sheet, tbw })}
          />
          <QuantityField
            label="Capacity"
            dimension="bytes"
            value={sheet.capacity}
            onValue={(capacity) => capacity && setSheet({ ...sheet, capacity })}
          />
          <QuantityField
            label="Warranty, years"
            dimension="count"
            value={sheet.years}
            onValue={(years) => years && setSheet({ ...sheet, years })}
          />
          <TextField
            label="In use since"
            type="date"
            value={since}
            onChange={(e) => setSince(e.target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
        </Box>
      }
      found={found}
    >
      {({ rate, left, fromNew, growth, leftGrowing, runsOut }) => (
        <Box sx={{ mt: 1 }} aria-live="polite">
          <Typography>
            {rate && (
              <>
                At <Figure of={rate} /> ({unbroken(format(rate.low, 'B/day'))} to{' '}
                {unbroken(format(rate.high, 'B/day'))}){' '}
              </>
            )}
            {left && (
              <>
                <Figure of={left} /> are left
                {fromNew ? (
                  <>
                    , <Figure of={fromNew} /> from new
                  </>
                ) : null}
                .
              </>
            )}
          </Typography>
          {growth && leftGrowing && (
            <Typography variant="body2">
              The daily writes change by <Figure of={growth.perDay} /> each day
              {growth.sure ? '' : ', which may be scatter alone'}: if that goes on,{' '}
              <Figure of={leftGrowing} /> are left.
            </Typography>
          )}
          {runsOut && (
            <Typography variant="body2" sx={{ fontWeight: 600 }}>
              Runs out about {day(runsOut.expected)}, between {day(runsOut.earliest)} and{' '}
              {day(runsOut.latest)}.
            </Typography>
          )}
        </Box>
      )}
    </Calculator>
  );
}
