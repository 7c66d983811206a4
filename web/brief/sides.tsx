import { Box, ButtonBase, Typography } from '@mui/material';
import { linkById } from '@kymar/core/catalog/links';
import { usualPort, type Connector, type Host } from '@kymar/core/catalog/parts';
import { Row } from '../ui/layout';

type Edge = 1 | 4 | 8 | 16;
/** Where a machine of that kind usually has something to plug into: a shape, and how long where it is a slot. */
type Spot = readonly [Connector, Edge?];
type Side = readonly [name: string, spots: readonly Spot[]];

const USB_A = ['USB-A'] as const;
const USB_C = ['USB-C'] as const;
const SIDES = {
  laptop: [
    ['Left side', [USB_C, USB_C, USB_A, ['Mini DP']]],
    ['Right side', [USB_C, USB_A, USB_A]],
    ['Inside', [['M.2'], ['M.2'], ['SATA']]],
  ],
  desktop: [
    ['Front', [USB_A, USB_A, USB_C]],
    ['Back', [USB_A, USB_A, USB_A, USB_A, USB_C, USB_C]],
    [
      'Inside',
      [
        ['M.2'],
        ['M.2'],
        ['SATA'],
        ['SATA'],
        ['SATA'],
        ['SATA'],
        ['PCIe slot', 16],
        ['PCIe slot', 4],
        ['PCIe slot', 1],
      ],
    ],
  ],
} satisfies Record<string, readonly Side[]>;
export type Pictured = keyof typeof SIDES;

/** The picture that a machine looks like. */
export const drawnAs = ({ kind, ports }: Pick<Host, 'kind' | 'ports'>): Pictured =>
  kind === 'laptop' ||
  kind === 'tablet' ||
  kind === 'handheld' ||
  (!kind && !ports.some(({ connector }) => connector === 'PCIe slot'))
    ? 'laptop'
    : 'desktop';

/** How the ids of ports begin that were ticked. */
const DRAWN_ID = 'drawn-';
/** Whether any of its ports was ticked on the picture. */
export const isDrawn = ({ ports }: Pick<Host, 'ports'>): boolean =>
  ports.some(({ id }) => id.startsWith(DRAWN_ID));

/** Outline of a socket, px. */
const DRAWN: Record<Connector, { width: number; height: number; round: number }> = {
  'USB-A': { width: 30, height: 13, round: 1 },
  'USB-C': { width: 24, height: 9, round: 5 },
  'Mini DP': { width: 20, height: 11, round: 3 },
  'Micro-B': { width: 26, height: 9, round: 2 },
  'USB-B': { width: 18, height: 17, round: 3 },
  'M.2': { width: 58, height: 9, round: 1 },
  SATA: { width: 34, height: 9, round: 1 },
  SAS: { width: 34, height: 11, round: 1 },
  Card: { width: 36, height: 7, round: 1 },
  'PCIe slot': { width: 40, height: 9, round: 1 },
};
/** px of a slot's length for each lane. */
const LANE = 4.5;

/** The sides of a laptop or a desktop, drawn, with what it may have: what is ticked is one of its ports. */
export function Sides({
  drawn,
  ports,
  used = [],
  onPorts,
}: {
  drawn: Pictured;
  ports: readonly Host['ports'][number][];
  /** Ports that cannot go. */
  used?: readonly string[];
  onPorts(ports: Host['ports']): void;
}) {
  return (
    <Box sx={{ display: 'grid', gap: 1 }} role="group" aria-label={`Ports of a ${drawn}, to be ticked`}>
      {SIDES[drawn].map(([side, spots]) => (
        <Box
          key={side}
          sx={{
            border: 1,
            borderColor: 'divider',
            borderRadius: 2,
            bgcolor: 'sunken',
            px: 1,
            py: 0.5,
            display: 'grid',
            gridTemplateColumns: '62px minmax(0, 1fr)',
            alignItems: 'center',
          }}
        >
          <Typography variant="caption" color="textSecondary">
            {side}
          </Typography>
          <Row wrap gap={0.5}>
            {spots.map(([connector, edge]: Spot, i) => {
              const nth = spots.slice(0, i + 1).filter(([shape]) => shape === connector).length;
              const id = `${DRAWN_ID}${side.split(' ')[0]!}-${connector.replace(/\W/g, '')}-${nth}`;
              const there = ports.find((port) => port.id === id);
              const position = `${side}, ${edge ? `×${edge} slot` : `${connector} ${nth}`}`;
              return (
                <Socket
                  key={id}
                  name={position}
                  connector={connector}
                  edge={edge}
                  mode={there?.modes[0]}
                  disabled={used.includes(id)}
                  onTick={() =>
                    onPorts(
                      there
                        ? ports.filter((port) => port !== there)
                        : [...ports, { id, position, ...usualPort(connector, edge) }],
                    )
                  }
                />
              );
            })}
          </Row>
        </Box>
      ))}
    </Box>
  );
}

function Socket({
  name,
  connector,
  edge,
  mode,
  disabled,
  onTick,
}: {
  name: string;
  connector: Connector;
  edge: Edge | undefined;
  /** What it runs; nothing while it is not ticked. */
  mode: string | undefined;
  disabled: boolean;
  onTick(): void;
}) {
  const { width, height, round } = DRAWN[connector];
  const isTicked = mode !== undefined;
  return (
    <ButtonBase
      role="checkbox"
      aria-checked={isTicked}
      aria-label={name}
      title={isTicked ? `${name}: ${linkById(mode).name}` : name}
      disabled={disabled}
      onClick={onTick}
      sx={{
        minWidth: 56,
        minHeight: 48,
        px: 0.5,
        borderRadius: 1,
        display: 'grid',
        justifyItems: 'center',
        alignContent: 'center',
        gap: 0.25,
      }}
    >
      <Box
        sx={{
          width: edge ? Math.max(16, edge * LANE) : width,
          height,
          borderRadius: `${round}px`,
          border: 2,
          borderColor: isTicked ? 'primary.main' : 'text.secondary',
          bgcolor: isTicked ? 'primary.main' : 'background.paper',
          // The tongue or the row of contacts in it.
          display: 'grid',
          placeItems: 'center',
          '&::after': {
            content: '""',
            width: '62%',
            height: 2,
            bgcolor: isTicked ? 'primary.contrastText' : 'text.secondary',
          },
        }}
      />
      <Typography
        variant="caption"
        sx={{
          lineHeight: 1.15,
          fontWeight: isTicked ? 600 : 400,
          color: isTicked ? 'text.primary' : 'text.secondary',
        }}
      >
        {isTicked ? '✓ ' : ''}
        {edge ? `×${edge} slot` : connector}
      </Typography>
    </ButtonBase>
  );
}
