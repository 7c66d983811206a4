import type { Build, Connection, Device } from './build';

/** The two halves of a build. */
export function apart(build: Build): { device: Device; connection: Connection } {
  const { cable, port, hops, locked, seen, ...device } = build;
  const connection = {
    cable,
    port,
    ...(hops ? { hops } : {}),
    ...(locked ? { locked } : {}),
    ...(seen ? { seen } : {}),
  };
  return { device, connection };
}
