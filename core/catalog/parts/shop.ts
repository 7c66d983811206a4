import { Accessory } from './accessory';
import { Bridge } from './bridge';
import { Cable } from './cable';
import { Drive } from './drive';
import { Host } from './host';
import { Hub } from './hub';
import { Price } from './price';

/** Kinds of parts a shop's library holds, each with the schema that is the truth about it. */
export const PART_KINDS = {
  drives: Drive,
  bridges: Bridge,
  hubs: Hub,
  cables: Cable,
  accessories: Accessory,
  hosts: Host,
  prices: Price,
} as const;
export type PartKind = keyof typeof PART_KINDS;
export type PartOf = {
  drives: Drive;
  bridges: Bridge;
  hubs: Hub;
  cables: Cable;
  accessories: Accessory;
  hosts: Host;
  prices: Price;
};
export type Part = PartOf[PartKind];
/** All a shop knows of parts. */
export type Shop = { [K in PartKind]: PartOf[K][] };
