import { Box, Button, Typography } from '@mui/material';
import { directionOf, totalOf, type Move } from '@kymar/core/job';
import type { Host } from '@kymar/core/catalog/parts';
import { writeFact } from '@kymar/core/evidence';
import { Pick } from '../ui/pick';
import { FactField } from '../ui/field';
import { Columns, Row } from '../ui/layout';

/** Stands for the machine's built-in drive at the other end. */
const BUILT_IN = '.';
const NOT_KNOWN = { value: null, source: { kind: 'unknown' } } as const;
type Share = NonNullable<Move['shares']>[number];

/** What stands at the other end of a copy: one thing, or several one after another with so much on each. */
export function OtherEnds({ host, move, onMove }: { host: Host; move: Move; onMove(move: Move): void }) {
  const ends = [{ id: BUILT_IN, name: host.storage.name }, ...(host.endpoints ?? [])];
  const { endpoint, shares, ...rest } = move;
  const label = directionOf(move) === 'write' ? 'Comes from' : 'Goes to';
  if (ends.length === 1) return null;
  const one = (end: string | undefined) =>
    onMove(end === undefined || end === BUILT_IN ? rest : { ...rest, endpoint: end });
  const several = (list: Share[]) =>
    list.length < 2 ? one(list[0]?.endpoint) : onMove({ ...rest, shares: list, bytes: totalOf(list) });
  const set = (i: number, part: Partial<Share>) =>
    several((shares ?? []).map((share, k) => (k === i ? { ...share, ...part } : share)));
  const choose = (value: string, label: string, onEnd: (end: string) => void) => (
    <Pick label={label} value={value} options={ends.map(({ id, name }) => [id, name])} onValue={onEnd} />
  );
  if (!shares)
    return (
      <Box
        sx={{
          gridColumn: '1 / -1',
          display: 'grid',
          gap: 1,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'minmax(0, 1fr) auto' },
        }}
      >
        {choose(endpoint ?? BUILT_IN, label, one)}
        <Button
          size="small"
          onClick={() =>
            several([
              { ...(endpoint === undefined ? {} : { endpoint }), bytes: move.bytes },
              {
                endpoint: ends.find((e) => e.id !== (endpoint ?? BUILT_IN) && e.id !== BUILT_IN)?.id,
                bytes: NOT_KNOWN,
              },
            ])
          }
        >
          {directionOf(move) === 'write' ? 'And from another' : 'And to another'}
        </Button>
      </Box>
    );
  return (
    <Box sx={{ gridColumn: '1 / -1', display: 'grid', gap: 1 }}>
      {shares.map((share, i) => (
        <Columns key={i} of="minmax(0, 3fr) minmax(0, 2fr) auto" gap={1}>
          {choose(share.endpoint ?? BUILT_IN, `${label}, ${i + 1}`, (end) =>
            set(i, { endpoint: end === BUILT_IN ? undefined : end }),
          )}
          <FactField
            label={`Of it, ${i + 1}`}
            dimension="bytes"
            fact={share.bytes}
            onFact={(bytes) => set(i, { bytes })}
          />
          <Button
            size="small"
            aria-label={`Remove ${label.toLowerCase()} ${i + 1}`}
            onClick={() => several(shares.filter((_, k) => k !== i))}
          >
            Remove
          </Button>
        </Columns>
      ))}
      <Row align="baseline">
        <Typography variant="body2" color="textSecondary" sx={{ flex: 1 }}>
          One after another, together {writeFact(totalOf(shares).value, 'B') || 'not known'}.
        </Typography>
        <Button
          size="small"
          disabled={shares.length >= 8}
          onClick={() => several([...shares, { bytes: NOT_KNOWN }])}
        >
          Another
        </Button>
      </Row>
    </Box>
  );
}
