import { spread, type Spread } from '../../stats';
import { formula, given, type Estimate } from '../../evidence';
import type { Unit } from '../../units';
import type { Direction, Link } from './link';
import { linkById } from './registry';

/** Hard ceiling of an encoded link: line rate × lanes × encoding ÷ 8. */
const encodedCeiling = formula({
  name: 'ceiling',
  unit: 'B/s',
  inputs: { lineRate: 'line rate', lanes: 'lanes', encoding: 'encoding' },
  of: (m, x) => m.div(m.mul(m.mul(x.lineRate, x.lanes), x.encoding), m.num(8)),
});

/** Hard ceiling of a link that grants so many packets in each frame. */
const packetCeiling = formula({
  name: 'ceiling',
  unit: 'B/s',
  inputs: { packets: 'packets', bytes: 'bytes each', every: 'frame' },
  of: (m, x) => m.div(m.mul(x.packets, x.bytes), x.every),
});

/** Hard ceiling of a PCIe tunnel: the tunnelled link × payload share of its packets. */
const tunnelCeiling = formula({
  name: 'ceiling',
  unit: 'B/s',
  inputs: { through: 'tunnelled link', packet: 'payload share' },
  of: (m, x) => m.mul(x.through, x.packet),
});

/**
 * Practical rate of a PCIe link [standard PCI Express Base]: data rides packets behind header, framing, sequence number and LCRC,
 * less about 1 % for link management and commands.
 */
export const packetRate = formula({
  name: 'practical rate',
  unit: 'B/s',
  inputs: { ceiling: 'ceiling', payload: 'payload', overhead: 'overhead', management: 'management' },
  of: (m, x) =>
    m.mul(m.mul(x.ceiling, m.div(x.payload, m.add(x.payload, x.overhead))), m.sub(m.num(1), x.management)),
});

/** Practical rate as a share of the ceiling. */
const shareRate = formula({
  name: 'practical rate',
  unit: 'B/s',
  inputs: { ceiling: 'ceiling', share: 'what good equipment reaches' },
  of: (m, x) => m.mul(x.ceiling, x.share),
});

/**
 * Reading posts the drive's writes to memory: payload of 128 to 512 B behind 24 B. Writing has the drive read memory:
 * completions of 64 to 256 B behind 20 B.
 */
export const PACKETS: Record<
  Direction,
  { id: string; name: string; note: string; payload: Spread; overhead: number }
> = {
  read: {
    id: 'pcie.payload',
    name: 'payload of a PCIe packet',
    note: 'maximum payload sizes in use',
    payload: spread(128, 256, 512),
    overhead: 24,
  },
  write: {
    id: 'pcie.completion',
    name: 'payload of a PCIe completion',
    note: 'completion sizes in use',
    payload: spread(64, 128, 256),
    overhead: 20,
  },
};
const MANAGEMENT = 0.01;

/** Hard ceiling in B/s of one direction alone. */
export function ceilingOf(link: Link): number {
  const d = link.derivation;
  switch (d.kind) {
    case 'encoded':
      return encodedCeiling({
        lineRate: d.lineRate,
        lanes: d.lanes,
        encoding: d.encoding[0] / d.encoding[1],
      });
    case 'packets':
      return packetCeiling(d);
    case 'tunnel':
      return tunnelCeiling({ through: ceilingOf(linkById(d.through)), packet: d.packet[0] / d.packet[1] });
    case 'stated':
      return d.ceiling;
  }
}

/** {@link ceilingOf} with its working. */
export function explainCeiling(link: Link): Estimate {
  const d = link.derivation;
  const standard = { kind: 'standard', note: link.standard } as const;
  const name = `ceiling of ${link.name}`;
  const share = (name: string, of: readonly [number, number]) =>
    given(name, of[0] / of[1], 'ratio', standard, { shown: of[0] === of[1] ? '1' : `${of[0]}/${of[1]}` });
  switch (d.kind) {
    case 'encoded':
      return encodedCeiling.explain(
        {
          lineRate: given('line rate', d.lineRate, 'bit/s', standard),
          lanes: given('lanes', d.lanes, 'lanes', standard, { shown: String(d.lanes) }),
          encoding: share('encoding', d.encoding),
        },
        { name },
      );
    case 'packets':
      return packetCeiling.explain(
        {
          packets: given('packets in a frame', d.packets, 'count', standard),
          bytes: given('bytes in a packet', d.bytes, 'B', standard),
          every: given('frame', d.every, 's', standard),
        },
        { name },
      );
    case 'tunnel':
      return tunnelCeiling.explain(
        {
          through: explainCeiling(linkById(d.through)),
          packet: share('payload share of a packet', d.packet),
        },
        { name },
      );
    case 'stated':
      return given(name, d.ceiling, 'B/s', standard, { note: d.note });
  }
}

/** A shop's own ranges, by what they are assumed of. */
type Own = Readonly<Partial<Record<string, Spread>>>;

/** Names what good equipment reaches over a link, where that is a range of its own and does not follow from packets. */
export const practiceId = ({ id, practice }: Link, direction: Direction): string =>
  practice.kind !== 'packets' && direction === 'write' && practice.write ? `link.${id}.write` : `link.${id}`;

/** The three points of the table: shares of the ceiling or B/s; null where they follow from packets. */
export function practiceOf({ practice }: Link, direction: Direction): Spread | null {
  if (practice.kind === 'packets') return null;
  return spread(...((direction === 'write' && practice.write) || practice.read));
}

const known: Record<Direction, Map<Link, Spread>> = { read: new Map(), write: new Map() };

/** What good equipment reaches in B/s: 5, 50 and 95 % points under the hard ceiling. Remembered: the table never changes. */
export function practicalOf(link: Link, direction: Direction, shopRanges: Own = {}): Spread {
  const id = link.practice.kind === 'packets' ? PACKETS[direction].id : practiceId(link, direction);
  if (shopRanges[id]) return practicalRange(link, direction, shopRanges[id]);
  const had = known[direction].get(link);
  if (had) return had;
  const found = practicalRange(link, direction);
  known[direction].set(link, found);
  return found;
}

function practicalRange(link: Link, direction: Direction, own?: Spread): Spread {
  const ceiling = ceilingOf(link);
  const under = ({ low, expected, high }: Spread, of: (x: number) => number) =>
    spread(of(low), of(expected), of(high), ceiling);
  const points = practiceOf(link, direction);
  if (points === null) {
    const { payload, overhead } = PACKETS[direction];
    return under(own ?? payload, (x) =>
      packetRate({ ceiling, payload: x, overhead, management: MANAGEMENT }),
    );
  }
  const share = link.practice.kind === 'share';
  return under(own ?? points, (x) => Math.min(ceiling, share ? shareRate({ ceiling, share: x }) : x));
}

/** {@link practicalOf} with its working. */
export function explainPractical(link: Link, direction: Direction, shopRanges: Own = {}): Estimate {
  const ceiling = explainCeiling(link);
  const name = `${link.name}, ${direction === 'read' ? 'reading' : 'writing'}, as good equipment reaches it`;
  /** The shop's own range where it has one. */
  const range = (id: string, of: string, usual: Spread, unit: Unit, note?: string, top?: number) => {
    const { low, expected, high } = shopRanges[id] ?? usual;
    const words = [shopRanges[id] && 'this shop’s own range', note].filter(Boolean).join(': ');
    return given(of, spread(low, expected, high, top), unit, {
      kind: shopRanges[id] ? 'entered' : 'practice',
      ...(words ? { note: words } : {}),
    });
  };
  const points = practiceOf(link, direction);
  if (points === null) {
    const { id, payload, note, overhead } = PACKETS[direction];
    const standard = { kind: 'standard', note: link.standard } as const;
    return packetRate.explain(
      {
        ceiling,
        payload: range(id, 'payload of a packet', payload, 'B', note),
        overhead: given('header, framing, sequence number and check', overhead, 'B', standard),
        management: given('link management and commands', MANAGEMENT, 'ratio', { kind: 'practice' }),
      },
      { name, ceiling: ceiling.expected },
    );
  }
  const id = practiceId(link, direction);
  if (link.practice.kind === 'rate') return range(id, name, points, 'B/s', undefined, ceiling.expected);
  return shareRate.explain(
    { ceiling, share: range(id, 'what good equipment reaches', points, 'ratio') },
    { name, ceiling: ceiling.expected },
  );
}

/** Line rate in bit/s over all lanes of one direction, as the standard names it; null where the table holds a stated ceiling only. */
export function lineRateOf(link: Link): number | null {
  const d = link.derivation;
  if (d.kind === 'encoded') return d.lineRate * d.lanes;
  return LINE_RATE[link.id] ?? null;
}

/** Of links whose ceiling follows from packets or from what they tunnel [standards named in the table, from memory]. */
const LINE_RATE: Record<string, number> = {
  'usb-2': 480e6,
  'tb-1': 10e9,
  'tb-2': 20e9,
  'tb-3': 40e9,
  'usb4-40': 40e9,
  'usb4-40g4': 40e9,
  'usb4-80': 80e9,
  'cfexpress-b': 16e9,
};

/** What a link is worth beside others: what good equipment reads over it, B/s. */
export const expectedRate = (link: Link): number => practicalOf(link, 'read').expected;
