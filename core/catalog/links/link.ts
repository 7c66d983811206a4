/** Direction of data as the customer sees it: `read` runs from the drive to the host, `write` to the drive. */
export type Direction = 'read' | 'write';
export const DIRECTIONS: readonly Direction[] = ['read', 'write'];

export type Family = 'pcie' | 'sata' | 'sas' | 'usb' | 'thunderbolt' | 'usb4' | 'card' | 'ethernet';

/** How a link's hard ceiling is derived. */
type Derivation =
  | { kind: 'encoded'; lineRate: number; lanes: number; encoding: readonly [number, number] }
  | { kind: 'packets'; packets: number; bytes: number; every: number }
  | { kind: 'tunnel'; through: string; packet: readonly [number, number] }
  | { kind: 'stated'; ceiling: number; note: string };

/** What good equipment reaches: three points, as shares of the ceiling or in B/s, or PCIe's packet formula. */
export type Practical =
  | {
      kind: 'share' | 'rate';
      read: readonly [number, number, number];
      write?: readonly [number, number, number];
    }
  | { kind: 'packets' };

export interface Link {
  /** Stable id used in files, e.g. `usb-10`, `pcie4x4`. */
  id: string;
  /** The name its standard writes. */
  name: string;
  /** Other names people use for the same thing. */
  also?: readonly string[];
  family: Family;
  derivation: Derivation;
  /** Both directions share one ceiling. */
  halfDuplex: boolean;
  practice: Practical;
  /** Modes that every equipment with this one has by its standard. */
  implies: readonly string[];
  /** Which standard the line rate and encoding come from; the practical points are common practice throughout. */
  standard: string;
}
