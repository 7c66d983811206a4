import type { Spread } from '../../stats';
import { assumed } from '../../catalog/assumptions';
import { pcieShare, randomMarket } from '../../catalog/classes';
import type { Direction } from '../../catalog/links';
import { formula, type Recorder } from '../../evidence';
import type { Drive } from '../../catalog/parts';
import { isConverting, type PathParts } from './parts';
import type { Requests } from './requests';

/** Rate of requests that are not enough to fill a path: while one is answered, nothing else flows but the others under way. */
const depthRate = formula({
  name: 'rate at this depth',
  unit: 'B/s',
  inputs: { path: 'links', depth: 'depth', block: 'block', latency: 'latency' },
  of: (m, x) => m.min(x.path, m.div(m.mul(x.depth, x.block), m.add(x.latency, m.div(x.block, x.path)))),
});

const bothLatencies = formula({
  name: 'latency',
  unit: 's',
  inputs: { drive: 'drive and system', bridge: 'bridge' },
  of: (m, x) => m.add(x.drive, x.bridge),
});

/** How long drive and system take over one request: a read waits for the cells, and so for their class; a write only for the drive's memory. */
export function ownLatency<T extends Spread>(record: Recorder<T>, drive: Drive, direction: Direction): T {
  if (drive.media === 'disk') return assumed(record, 'latency.disk');
  if (direction === 'write')
    return assumed(record, pcieShare(drive) >= 0.5 ? 'latency.pcie.write' : 'latency.sata.write');
  const { range, note } = randomMarket(drive, 'latency.read', record.shopRanges);
  return record.given('drive and system, one read', range, 's', { kind: 'memory', note });
}

/** What the links carry when requests come so: bulk-only takes one at a time whatever is asked. */
export function atDepth<T extends Spread>(
  record: Recorder<T>,
  links: T,
  parts: PathParts,
  direction: Direction,
  usb: boolean,
  { block, depth }: Requests,
): T {
  const { drive } = parts;
  const own = ownLatency(record, drive, direction);
  const latency = usb
    ? record.of(bothLatencies, { drive: own, bridge: assumed(record, 'usb-latency') })
    : own;
  const single = isBulkOnly(parts) && usb;
  const asRun = { kind: 'entered', note: 'as the requests come' } as const;
  const oneAtATime = { kind: 'practice', note: 'bulk-only takes one at a time' } as const;
  return record.of(
    depthRate,
    {
      path: links,
      depth: record.given('requests under way', single ? 1 : depth, 'count', single ? oneAtATime : asRun),
      block: record.given('size of a request', block, 'B', asRun),
      latency,
    },
    links.ceiling === undefined ? {} : { ceiling: links.ceiling },
  );
}

/** Whether blocks travel by the bulk-only protocol where the device hangs on USB. */
export const isBulkOnly = ({ drive, bridge }: Pick<PathParts, 'drive' | 'bridge'>): boolean =>
  bridge?.protocol === 'bulk-only' || (!isConverting(bridge) && drive.protocol === 'bulk-only');
