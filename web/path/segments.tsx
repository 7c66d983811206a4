import { Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import type { Direction } from '@kymar/core/catalog/links';
import { buildPath, explainFlow, type Path, type Requests } from '@kymar/core/assembly';
import type { Place } from '@kymar/core/job';
import { flowSaid, nextSaid, partSaid } from '@kymar/core/statements';
import { format } from '@kymar/core/units';
import { Figure } from '../ui/figure';
import { Pick } from '../ui/pick';
import { Cells, oneLine } from '../ui/cells';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';

/** How requests can come; the first is a system's copy, which keeps a path full. */
const REQUESTS: { words: string; requests: Requests | null }[] = [
  { words: 'as a copy sends them', requests: null },
  { words: '1 MiB, one at a time', requests: { block: 2 ** 20, depth: 1 } },
  { words: '128 KiB, 4 at a time', requests: { block: 2 ** 17, depth: 4 } },
  { words: '4 KiB, 32 at a time', requests: { block: 4096, depth: 32 } },
  { words: '4 KiB, one at a time', requests: { block: 4096, depth: 1 } },
];

/** Each segment's ceiling, practical range and negotiated mode, what decides and what would decide next. */
export function Segments({ at, path, direction }: { at: Place; path: Path; direction: Direction }) {
  const [chosen, setChosen] = useState(0);
  const { requests } = REQUESTS[chosen]!;
  const asked = useMemo(() => (requests ? buildPath({ ...path.parts, requests }) : path), [path, requests]);
  const flow = asked.flow?.[direction].expected ?? 0;
  const bottleneck = path.bottleneck?.[direction];
  const isNarrowest = (c: Path['constraints'][number]) => c === bottleneck?.slowest;
  return (
    <Panel
      title={`What each part allows, ${direction === 'read' ? 'reading' : 'writing'}`}
      aside={
        asked.flow && (
          <Typography variant="body2">
            Flow:{' '}
            <Figure
              of={() => explainFlow(asked, direction)}
              said={requests ? undefined : flowSaid(at, path, direction).flow}
            />
          </Typography>
        )
      }
    >
      <Cells
        of={path.constraints}
        keyOf={({ id }) => id}
        sx={{ '& td, & th': { px: 0.75 } }}
        rowSx={(c) =>
          isNarrowest(c) ? { '& td': { color: 'var(--mui-palette-narrow)', fontWeight: 600 } } : undefined
        }
        columns={({ left, right }) => [
          left('Part and how it runs', (c) => (
            <>
              <span data-named>{c.name}</span>
              {isNarrowest(c) && ' · narrowest'}
              <Typography variant="caption" color="textSecondary" component="div">
                <Told of={partSaid(at, c, direction).runs} />
              </Typography>
            </>
          )),
          right('Ceiling, MB/s', (c) => <Told of={partSaid(at, c, direction).ceiling} />),
          right('Expected, MB/s', (c) => (
            <Figure of={() => c.explain(direction)} said={partSaid(at, c, direction).allows} />
          )),
          right('90 % range, MB/s', (c) => <Told of={partSaid(at, c, direction).range} />, oneLine),
        ]}
      />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        <Told of={nextSaid(at, asked, direction).next} />
      </Typography>
      {path.flow && (
        <Pick
          label="Requests come"
          value={chosen}
          options={REQUESTS.map(({ words }, i) => [i, words])}
          onValue={setChosen}
          sx={{ mt: 1.5, width: 260 }}
          helperText={
            requests
              ? `Flow so: ${format(flow, 'B/s')}, ${format(Math.round(flow / requests.block), 'count')} a second`
              : 'large blocks, several under way'
          }
        />
      )}
    </Panel>
  );
}
