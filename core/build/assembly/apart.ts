import type { Build, Connection, Device } from './build';

/** The two halves of a build. */
export function apart(build: Build): { device: Device; connection: Connection } {
  const { cable, port, hops, seen, ...device } = build;
  return { device, connection: { cable, port, ...(hops ? { hops } : {}), ...(seen ? { seen } : {}) } };
}
