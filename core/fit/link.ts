import { isMove, traitsOf } from '../job';
import {
  blockWords,
  contentionWords,
  flowFreed,
  flowWithout,
  isBulkOnly,
  isConverting,
  reasonOf,
  type Constraint,
  type SegmentId,
} from '../assembly';
import { linkById, practicalOf } from '../catalog/links';
import { andList, format } from '../units';
import type { Rule } from './rule';
import type { Facts } from './facts';

const rate = (value: number) => format(value, 'B/s');
const sentence = (text: string) => `${text[0]!.toUpperCase()}${text.slice(1)}.`;
const neck = (f: Facts) => f.path.bottleneck?.[f.direction] ?? null;
/** More flow by less than this share is none. */
const WORTH = 0.02;
const isMore = (f: Facts, flow: number) => flow > (f.flow ?? 0) * (1 + WORTH);
/** Whether one of these decides, and more would flow without them: else they are no limit, whatever their rates. */
const decides = (f: Facts, ...ids: Constraint['id'][]) =>
  ids.includes(neck(f)?.constraint.id as Constraint['id']) &&
  isMore(f, flowWithout(f.path, ids, f.direction));
/** Segments that hold the deciding link below what the others could, where that costs flow. */
const held = (f: Facts): SegmentId[] => {
  const { constraint, segments = [] } = neck(f) ?? {};
  return constraint?.link?.without && isMore(f, flowFreed(f.path, segments, f.direction)) ? segments : [];
};
/** Something is copied this way, or nobody said what is done. */
const copies = ({ activities, direction }: Facts) =>
  activities.length === 0 || activities.some((a) => isMove(a) && a.direction === direction);
const loads = ({ activities }: Facts) => activities.some((a) => traitsOf(a).requests !== 'sequential');
const generationOf = (mode: string | undefined): number => Number(/^pcie(\d)/.exec(mode ?? '')?.[1] ?? 0);
/** The newest generation of PCIe that a drive has, and the one that it runs at; 0 for none. */
export const generation = (f: Facts): number => Math.max(0, ...f.drive.modes.map(generationOf));
/** Whether the drive could do half as much again as its links carry. */
const outruns = (f: Facts): boolean =>
  f.path.carries !== null && mediaRate(f) > f.path.carries[f.direction].expected * 1.5;
/** Whether nothing converts between drive and slot: a card that only carries lanes may be there. */
const isDirect = ({ bridge }: Facts): boolean => bridge === null || !isConverting(bridge);
const runsAt = (f: Facts): number => generationOf(f.path.outer.mode?.id);
const isHub = (segment: SegmentId): segment is `hub-${number}` => segment.startsWith('hub-');
/** Where a path is held by several parts one finding says so, at the first of them. */
const HOLDERS: readonly { at: (id: SegmentId) => boolean; name: string }[] = [
  { at: (id) => id === 'port', name: 'port' },
  { at: (id) => id === 'cable', name: 'cable' },
  { at: isHub, name: 'hub' },
  { at: (id) => id === 'bridge', name: 'enclosure or card' },
];
const holders = (f: Facts): string[] => HOLDERS.filter(({ at }) => held(f).some(at)).map(({ name }) => name);
const heldTitle = (f: Facts): string => {
  const names = holders(f);
  return names.length === 1
    ? `The ${names[0]} holds the path down`
    : `${sentence(andList(names)).slice(0, -1)} hold the path down`;
};
const holdsFirst = (f: Facts, name: string): boolean => holders(f)[0] === name && !seenLess(f);
const nextWords = (f: Facts) =>
  neck(f)?.next ? ` The next limit is ${neck(f)!.next!.name}, ${rate(neck(f)!.next!.rate.expected)}.` : '';
const heldReason = (f: Facts) => `${sentence(reasonOf(neck(f)!.constraint.link!))}${nextWords(f)}`;
const linkReason = ({ link }: Constraint) => (link ? sentence(reasonOf(link)) : '');
const runs = (f: Facts, id: string) => f.path.outer.mode?.id === id;
const canTwoLanes = (f: Facts) => (f.bridge ? f.bridge.outer : f.drive.modes).includes('usb-20');
const thunderboltOnly = (f: Facts) =>
  (f.bridge ? f.bridge.outer : f.drive.modes).every((m) => linkById(m).family === 'thunderbolt');
const sharing = (f: Facts) => f.path.constraints.filter((c) => c.shared?.[f.direction]);
const bothWays = (f: Facts) => f.path.constraints.find((c) => c.shared?.[f.direction]?.twice != null);
const seenLess = (f: Facts) =>
  f.seen !== undefined && f.path.outer.mode?.id === f.seen.link && f.path.outer.without !== null;

/** B/s that negotiating less than the parts could costs. */
const lost = ({ path: { outer }, direction }: Facts): number =>
  practicalOf(outer.without!, direction).expected - practicalOf(outer.mode!, direction).expected;

/** How fast can the path go, and what holds it? */
export const LINK: Rule[] = [
  {
    id: 'no-common-mode',
    severity: 'blocks',
    segment: null,
    title: 'No mode in common: nothing is seen',
    when: (f) => f.noMode.length > 0 && !(thunderboltOnly(f) && f.path.outer.mode === null),
    reason: (f) => f.noMode.map((block) => sentence(blockWords(block))).join(' '),
    fix: null,
  },
  {
    id: 'thunderbolt-on-usb',
    severity: 'blocks',
    segment: (f) => (f.bridge ? 'bridge' : 'drive'),
    title: 'A Thunderbolt-only enclosure on a path that carries USB',
    when: (f) => f.noMode.length > 0 && thunderboltOnly(f) && f.path.outer.mode === null,
    reason: (f) =>
      `${f.bridge?.model ?? f.drive.model} speaks Thunderbolt and no USB: the plug fits and nothing is seen. ${sentence(reasonOf(f.path.outer))}`,
    fix: null,
  },
  {
    id: 'held-by-port',
    severity: 'limits',
    segment: 'port',
    title: heldTitle,
    when: (f) => holdsFirst(f, 'port'),
    reason: heldReason,
    fix: null,
  },
  {
    id: 'held-by-cable',
    severity: 'limits',
    segment: 'cable',
    title: heldTitle,
    when: (f) => holdsFirst(f, 'cable'),
    reason: heldReason,
    fix: null,
  },
  {
    id: 'held-by-hub',
    severity: 'limits',
    segment: (f) => held(f).find(isHub)!,
    title: heldTitle,
    when: (f) => holdsFirst(f, 'hub'),
    reason: heldReason,
    fix: null,
  },
  {
    id: 'held-by-bridge',
    severity: 'limits',
    segment: 'bridge',
    title: (f) => (holders(f).length > 0 ? heldTitle(f) : 'The enclosure or card holds the path down'),
    when: (f) => holdsFirst(f, 'enclosure or card') || decides(f, 'bridge', 'inner'),
    reason: (f) =>
      decides(f, 'bridge')
        ? `${f.bridge!.model} ${f.direction === 'read' ? 'reads' : 'writes'} ${rate(neck(f)!.constraint.rate[f.direction].expected)} ` +
          `by its own figures.${nextWords(f)}`
        : `${linkReason(neck(f)!.constraint)}${nextWords(f)}`,
    fix: null,
  },
  {
    id: 'negotiated-less',
    severity: 'limits',
    segment: null,
    title: 'The system says it runs slower than it could',
    when: seenLess,
    reason: (f) => `${sentence(reasonOf(f.path.outer))} Lost: about ${rate(lost(f))}.`,
    fix: 'Swap the cable first, then clean and reseat both plugs, then try the next port; look what shares lanes with this one.',
  },
  {
    id: 'two-lanes-lost',
    severity: 'limits',
    segment: 'port',
    title: 'A 20 Gb/s device falls back to 10',
    when: (f) => canTwoLanes(f) && runs(f, 'usb-10'),
    reason:
      'Two lanes are optional for a host and its cable: ports of 40 Gb/s often have none. The device then runs one lane.',
    fix: null,
  },
  {
    id: 'wired-narrow',
    severity: 'limits',
    segment: 'port',
    title: 'The slot is wired narrower than it is long',
    when: (f) =>
      f.port.slot !== undefined &&
      Math.max(...f.port.modes.map(lanes)) < Math.min(f.port.slot.edge, f.bridge?.card?.edge ?? 16) &&
      held(f).includes('port'),
    reason: (f) =>
      `${f.port.position} is ×${f.port.slot!.edge} in shape and ×${Math.max(...f.port.modes.map(lanes))} in wires.`,
    fix: null,
  },
  {
    id: 'older-generation',
    severity: 'note',
    segment: 'port',
    title: 'It runs at an older generation than it has',
    // Where that decides the port is told to hold it, and where the drive is far faster that is told.
    when: (f) =>
      isDirect(f) && runsAt(f) > 0 && runsAt(f) < generation(f) && !held(f).includes('port') && !outruns(f),
    reason: (f) =>
      `${f.drive.model} is PCIe gen ${generation(f)}; ${f.port.position} runs it at gen ${runsAt(f)}. For this work that is no limit.`,
    fix: null,
  },
  {
    id: 'bulk-only',
    severity: 'caution',
    segment: (f) => (f.bridge ? 'bridge' : 'drive'),
    title: 'One command at a time',
    when: (f) => isBulkOnly(f) && f.path.outer.mode?.family === 'usb',
    reason:
      'It speaks the bulk-only protocol: each command waits for the one before. Of 5 Gb/s 55 to 85 % is left, of quicker links less.',
    fix: null,
  },
  {
    id: 'drive-outruns-path',
    severity: 'note',
    segment: 'drive',
    title: 'The drive is faster than its path',
    when: outruns,
    reason: (f) =>
      `${f.drive.model} could ${f.direction} ${rate(mediaRate(f))}; the links carry ${rate(f.path.carries![f.direction].expected)}.`,
    fix: (f) =>
      f.needs.movesLater
        ? 'It will move to a faster host later: the reserve is wanted.'
        : 'Money well spent only if the drive will move to a faster host later.',
  },
  {
    id: 'other-end',
    severity: 'limits',
    segment: 'host',
    title: 'The other end decides',
    when: (f) => decides(f, 'other', 'far') && copies(f),
    reason: (f) =>
      `${neck(f)!.constraint.name} ${f.direction === 'write' ? 'delivers' : 'takes'} ${rate(neck(f)!.constraint.rate[f.direction].expected)}: ` +
      `a faster drive or port copies no faster.${loads(f) ? ' What is opened or worked on from the drive does not pass it.' : ''}`,
    fix: 'Copy from or to a faster drive, or accept it.',
  },
  {
    id: 'shared',
    severity: (f) => (sharing(f).some((c) => c === neck(f)?.constraint) ? 'limits' : 'note'),
    segment: (f) => f.path.segments.find((j) => j.constraints.includes(sharing(f)[0]!.id))?.id ?? null,
    title: 'Others share its link',
    when: (f) => sharing(f).length > 0 && bothWays(f) === undefined,
    reason: (f) => {
      const c = sharing(f).find((s) => s === neck(f)?.constraint) ?? sharing(f)[0]!;
      return `${c.name} is shared (${contentionWords(c.shared![f.direction]!)}): a fair share is ${rate(c.rate[f.direction].expected)}.`;
    },
    fix: 'Let them work one after the other, or give the drive a link of its own.',
  },
  {
    id: 'both-ends-on-one-link',
    severity: (f) => (bothWays(f) === neck(f)?.constraint ? 'limits' : 'note'),
    segment: 'port',
    title: 'The copy comes and goes over the same link',
    when: (f) => bothWays(f) !== undefined,
    reason: (f) =>
      `${f.endpoint!.name} and the drive hang on ${bothWays(f)!.name}, which carries one direction at a time: half of it is left.`,
    fix: 'Plug one of the two into a port with another uplink.',
  },
  {
    id: 'stack',
    // Where a link could run faster, it is to blame first; the system takes its share of that link all the same.
    severity: (f) => (decides(f, 'system') ? 'limits' : 'note'),
    segment: 'system',
    title: (f) =>
      decides(f, 'system') ? 'The system’s overhead decides' : 'The system’s overhead takes its share',
    // What a link takes is told there: without it the share would be another.
    when: (f) => neck(f)?.slowest.id === 'system' && (decides(f, 'system') || held(f).length === 0),
    reason: (f) =>
      `It lets through ${rate(neck(f)!.slowest.rate[f.direction].expected)}.${decides(f, 'system') ? nextWords(f) : ''}`,
    fix: 'Look for a newer driver or system; measure the same enclosure on another host to be sure.',
  },
  {
    id: 'hub-depth',
    severity: 'blocks',
    segment: (f) => `hub-${f.hops!.length - 1}`,
    title: 'Too many hubs in a chain',
    when: (f) =>
      (f.hops ?? []).filter(({ hub }) => hub.kind !== 'daisy').length > 5 ||
      (f.hops ?? []).filter(({ hub }) => hub.kind === 'daisy').length > 5,
    reason: 'USB allows five hubs between host and device, a Thunderbolt chain six devices.',
    fix: 'Take hubs out of the chain.',
  },
  {
    id: 'active-cable',
    severity: 'caution',
    segment: 'cable',
    title: 'A long active cable may carry USB 2.0 only',
    when: (f) =>
      f.cable?.active === true &&
      f.cable.modes.includes('tb-3') &&
      !f.cable.modes.some((m) => m === 'usb-10' || m === 'usb-20' || m.startsWith('usb4')),
    reason:
      'Some active Thunderbolt 3 cables carry nothing but USB 2.0 as well: a USB enclosure on one runs at 480 Mb/s.',
    fix: 'Use a passive cable below 0.8 m for USB devices.',
  },
  {
    id: 'long-cable',
    severity: 'caution',
    segment: 'cable',
    title: 'Long for this speed',
    when: (f) =>
      f.cable !== null && f.cable.active !== true && f.cable.length > longest(f.path.outer.mode?.id),
    reason: (f) =>
      `${f.cable!.length} m without chips in its plugs; at ${f.path.outer.mode!.name} passive cables are good for about ${longest(f.path.outer.mode!.id)} m.`,
    fix: 'Take a shorter one; errors show as pauses and drop-outs before they show as a lower speed.',
  },
];

const mediaRate = (f: Facts) => f.path.constraints.find((c) => c.id === 'media')!.rate[f.direction].expected;
const lanes = (mode: string): number => Number(/x(\d+)$/.exec(mode)?.[1] ?? 16);

/** Lengths in m that passive cables are sold for [memory]. */
function longest(mode: string | undefined): number {
  const link = mode === undefined ? null : linkById(mode);
  if (!link) return Infinity;
  if (link.family === 'usb4' || link.family === 'thunderbolt') return link.id === 'usb4-20' ? 2 : 0.8;
  if (link.family === 'usb')
    return { 'usb-2': 5, 'usb-5': 3, 'usb-5x2': 1, 'usb-10': 1, 'usb-20': 1 }[link.id] ?? 1;
  return link.family === 'sata' ? 1 : Infinity;
}
