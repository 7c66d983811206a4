import { TextField, Typography } from '@mui/material';
import { useState } from 'react';
import {
  ceilingOf,
  explainCeiling,
  explainPractical,
  lineRateOf,
  LINKS,
  practicalOf,
} from '@kymar/core/catalog/links';
import type { OwnRate } from '@kymar/core/reference';
import { format, numeral } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { useJobs } from '../state/jobs';
import { useSettings } from '../state/settings';
import { Figure } from '../ui/figure';
import { Fold } from '../ui/fold';
import { ownRatesOf } from '../workers';
import { Cells, oneLine } from '../ui/cells';

const NONE: OwnRate[] = [];

const mb = (rate: number) => numeral(rate / 1e6, rate < 100e6 ? 1 : 0);

/** What the shop's runs reached over a link, each direction with how many they are. */
function Own({ list }: { list: readonly OwnRate[] }) {
  return list.map(({ direction, low, middle, high, runs }) => (
    <div key={direction} title={runs > 1 ? `${mb(low)} to ${mb(high)}` : undefined}>
      {mb(middle)}
      <Typography component="span" variant="caption" color="textSecondary">
        {' '}
        {direction === 'read' ? 'reading' : 'writing'}, {runs} {runs === 1 ? 'run' : 'runs'}
      </Typography>
    </div>
  ));
}

/** Every link of the table: line rate, hard ceiling, what good equipment reaches and what the shop's own runs reached, each figure with its working. */
export function Interfaces() {
  const jobs = useJobs((s) => s.jobs);
  const own = useAnswer(ownRatesOf(jobs)).data ?? NONE;
  const ranges = useSettings((s) => s.ownRanges);
  const [search, setSearch] = useState('');
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const found = LINKS.filter((link) =>
    words.every((w) => [link.name, link.family, ...(link.also ?? [])].join(' ').toLowerCase().includes(w)),
  );
  return (
    <Fold
      name="reference.interfaces"
      usual
      title="Interfaces, MB/s"
      sx={{ '& td, & th': { px: 0.75 } }}
      aside={
        <TextField
          label="Find"
          slotProps={{ htmlInput: { 'data-find': true } }}
          value={search}
          onChange={(e) => setSearch(e.target.value)}
          sx={{ width: 180 }}
        />
      }
    >
      {found.length === 0 && (
        <Typography color="textSecondary">No interface is called “{search}”.</Typography>
      )}
      <Cells
        of={found}
        keyOf={(link) => link.id}
        columns={({ left, right }) => [
          left(
            'Link',
            (link) => (
              <>
                {link.name}
                {link.also && (
                  <Typography
                    variant="caption"
                    color="textSecondary"
                    component="div"
                    sx={{ whiteSpace: 'normal' }}
                  >
                    {link.also.join(', ')}
                  </Typography>
                )}
              </>
            ),
            { minWidth: 124 },
          ),
          right(
            'Line rate',
            (link) => (lineRateOf(link) === null ? '' : format(lineRateOf(link)!, 'bit/s')),
            oneLine,
          ),
          right('Ceiling', (link) => <Figure of={() => explainCeiling(link)}>{mb(ceilingOf(link))}</Figure>),
          ...(['read', 'write'] as const).map((direction) =>
            right(direction === 'read' ? 'Reading' : 'Writing', (link) => (
              <Figure of={() => explainPractical(link, direction, ranges)}>
                {mb(practicalOf(link, direction, ranges).expected)}
              </Figure>
            )),
          ),
          right(
            '90 % range',
            (link) => {
              const { low, high } = practicalOf(link, 'read', ranges);
              return `${mb(low)} to ${mb(high)}`;
            },
            oneLine,
          ),
          ...(own.length > 0
            ? [right('Shop’s own', (link) => <Own list={own.filter((o) => o.link === link.id)} />, oneLine)]
            : []),
        ]}
      />
      {own.length === 0 && (
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1 }}>
          The shop’s own figures appear once a job holds finished runs whose whole course one link decided:
          large files, cache not used up.
        </Typography>
      )}
    </Fold>
  );
}
