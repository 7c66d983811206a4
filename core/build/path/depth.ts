import { spread, type Spread } from '../../stats';
import { formula, given, type Estimate } from '../../evidence';
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

/** Time from asking to the first byte, drive and system together, in s [memory]; a disk turns and seeks first. A USB bridge adds 50 to 150 µs [practice]. */
const LATENCY: Record<'pcie' | 'sata' | 'disk', Spread> = {
  pcie: spread(20e-6, 40e-6, 90e-6),
  sata: spread(50e-6, 80e-6, 150e-6),
  disk: spread(2e-3, 9e-3, 16e-3),
};
const USB_LATENCY = spread(50e-6, 100e-6, 150e-6);
const bothLatencies = formula({
  name: 'latency',
  unit: 's',
  inputs: { drive: 'drive and system', bridge: 'bridge' },
  of: (m, x) => m.add(x.drive, x.bridge),
});

export const interfaceOf = (drive: Drive): 'pcie' | 'sata' =>
  drive.modes.some((mode) => mode.startsWith('pcie')) ? 'pcie' : 'sata';

/** What the links carry when requests come so: bulk-only takes one at a time whatever is asked. */
export function atDepth(
  links: Estimate,
  parts: PathParts,
  usb: boolean,
  { block, depth }: Requests,
): Estimate {
  const { drive } = parts;
  const own = given('drive and system', LATENCY[drive.media === 'disk' ? 'disk' : interfaceOf(drive)], 's', {
    kind: 'memory',
  });
  const latency = usb
    ? bothLatencies.explain({
        drive: own,
        bridge: given('USB bridge', USB_LATENCY, 's', { kind: 'practice' }),
      })
    : own;
  const single = isBulkOnly(parts) && usb;
  const asRun = { kind: 'entered', note: 'as the requests come' } as const;
  const under = given(
    'requests under way',
    single ? 1 : depth,
    'count',
    single ? { kind: 'practice', note: 'bulk-only takes one at a time' } : asRun,
  );
  return depthRate.explain(
    { path: links, depth: under, block: given('size of a request', block, 'B', asRun), latency },
    { ...(links.ceiling === undefined ? {} : { ceiling: links.ceiling }) },
  );
}

/** Whether blocks travel by the bulk-only protocol where the device hangs on USB. */
export const isBulkOnly = ({ drive, bridge }: Pick<PathParts, 'drive' | 'bridge'>): boolean =>
  bridge?.protocol === 'bulk-only' || (!isConverting(bridge) && drive.protocol === 'bulk-only');
