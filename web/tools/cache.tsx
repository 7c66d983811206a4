import { spread } from '@kymar/core/stats';
import { Typography } from '@mui/material';
import { useState } from 'react';
import { cacheFromTotals } from '@kymar/core/choice';
import { given } from '@kymar/core/evidence';
import { format } from '@kymar/core/units';
import { QuantityField } from '../ui/field';
import { Figure } from '../ui/figure';
import { Fold } from '../ui/fold';
import { Columns } from '../ui/layout';

/** A rate read off a copy is good to about this share [memory]. */
const READING = 0.02;

/** How large a cache must have been, from what was moved in all and the two rates that were seen. */
export function CacheFromTotals() {
  const [seen, setSeen] = useState({ bytes: 300e9, seconds: 480, fast: 950e6, slow: 480e6 });
  const field = (key: keyof typeof seen, label: string, dimension: 'bytes' | 'time' | 'rate') => (
    <QuantityField
      label={label}
      dimension={dimension}
      value={seen[key]}
      onValue={(v) => v !== null && v > 0 && setSeen({ ...seen, [key]: v })}
    />
  );
  const about = (name: string, v: number) =>
    given(name, spread(v * (1 - READING), v, v * (1 + READING)), 'B/s', {
      kind: 'entered',
      note: 'read off, good to about 2 %',
    });
  const bytes = given('bytes', seen.bytes, 'B', { kind: 'entered' });
  const cache = cacheFromTotals.explain({
    bytes,
    seconds: given('time', seen.seconds, 's', { kind: 'entered' }),
    fast: about('rate in the cache', seen.fast),
    slow: about('rate past it', seen.slow),
  });
  const problem =
    seen.fast <= seen.slow
      ? 'The rate in the cache must be the higher one.'
      : cache.expected > seen.bytes
        ? 'At these rates it would have taken longer even in the cache: the cache was never left, or the rates are off.'
        : cache.expected < 0
          ? 'At these rates it would have been done sooner even without a cache: something else held it up.'
          : null;
  return (
    <Fold name="tools.cache" about="from two copies’ totals" title="How large was the cache?">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        Of one long copy: what was moved in all, how long it took, and the two speeds it ran at.
      </Typography>
      <Columns of={2}>
        {field('bytes', 'Moved in all', 'bytes')}
        {field('seconds', 'Took', 'time')}
        {field('fast', 'Speed at first', 'rate')}
        {field('slow', 'Speed later', 'rate')}
      </Columns>
      <Typography sx={{ mt: 1.25 }} aria-live="polite" color={problem ? 'error' : undefined}>
        {problem ?? (
          <>
            About <Figure of={cache} /> ({format(cache.low, 'B')} to {format(cache.high, 'B')}).
          </>
        )}
      </Typography>
    </Fold>
  );
}
