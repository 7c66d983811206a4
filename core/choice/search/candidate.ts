import type { Accessory, Bridge, Cable, Drive, Port } from '../../catalog/parts';
import type { Build, Connection } from '../../assembly';
import type { PartKey } from '../prices/pricing';
import type { Bays } from './join';

/** Something that could be bought: a device, and how it hangs at the first place and at the others. */
export interface Candidate {
  id: string;
  build: Build;
  /** At each further place. */
  elsewhere: readonly Connection[];
  /** Money to be paid, the small parts with it; null where a price is not known. */
  cost: number | null;
  /** Parts no price is known of. */
  unpriced: readonly PartKey[];
  /** The figure that answers each activity at its middle, place by place: s, a margin, years; null where there is none. */
  figures: readonly (number | null)[];
  /** Activities whose target is missed by the figure. */
  misses: readonly Miss[];
  /** s a day that the customer waits for what ends. */
  waits: number;
  /** Average rate of the largest move against its path's flow, 0 to 1: what is left of the first gigabytes' speed. */
  steady: number;
  /** Expected flow over the first place's path, B/s: the slower direction in use. */
  flow: number;
  /** Years until the rating is written; null where nothing wears or nothing is rated. */
  years: number | null;
  /** Of a disk: share of its yearly workload rating in use, where that is most; null where it has none. */
  workload: number | null;
  /** °C that the drive settles at while its path moves all it can; null where nothing warms. */
  hottest: number | null;
  /** The day its last part is here, ISO; null: not noted of some part; empty where all is there. */
  arrives: string | null;
  /** What the drive's maker warrants, years; null: not known. */
  warranty: number | null;
  /** B for data, an array's redundancy taken off; null: not known. */
  usable: number | null;
}

/** A target that is missed. */
export interface Miss {
  /** An activity's id, or that of a demand. */
  activity: string;
  /** How many times the target it takes, above 1; of a stream, the rate asked over the rate there is. */
  by: number;
}

/** Why something is no candidate. */
export type ReasonId =
  /** No enclosure or card takes it, and no port. */
  | 'nothing takes it'
  /** No cable and no port join the enclosure with the machine. */
  | 'nothing joins it'
  /** What expands a machine sits in it. */
  | 'not inside'
  /** The work fills it before its service life is over. */
  | 'full too soon'
  /** Its health page says not to trust it. */
  | 'worn or failing'
  /** A used unit on offer is there once: it makes no array. */
  | 'there once'
  /** It reaches one of the machines only. */
  | 'not at every place'
  /** A rule blocks it: its id. */
  | `rule ${string}`;

/** Something that fell out, with the first reason. */
export interface Fallen {
  drive: Drive;
  bridge: Bridge | null;
  bays?: Bays;
  cable?: Cable | null;
  port?: Port;
  reason: ReasonId;
}

/** What a candidate is made of, by part, each as often as it is needed. */
export function partsOf(
  { drive, bridge, cable, hops = [], together = 1, accessories = [] }: Build,
  elsewhere: readonly Connection[] = [],
): { key: PartKey; count: number }[] {
  // One cable serves wherever it fits; what lies on a drive or holds it is needed for each.
  const cables = new Set([cable, ...elsewhere.map((c) => c.cable)].flatMap((c) => (c ? [c.id] : [])));
  // A hub’s lead to the machine stays with it: another of the same kind is one more.
  const leads = hops.map((hop) => ({ key: `cables/${hop.cable.id}` as PartKey, count: 1 }));
  const small = (part: Accessory) => ({
    key: `accessories/${part.id}` as PartKey,
    count: part.kind === 'bracket' ? 1 : together,
  });
  return [
    { key: `drives/${drive.id}`, count: together },
    ...(bridge ? [{ key: `bridges/${bridge.id}` as PartKey, count: 1 }] : []),
    ...[...cables].map((id) => ({ key: `cables/${id}` as PartKey, count: 1 })),
    ...hops.map((hop) => ({ key: `hubs/${hop.hub.id}` as PartKey, count: 1 })),
    ...leads,
    ...accessories.map(small),
  ];
}
