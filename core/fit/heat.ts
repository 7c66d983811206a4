import { formula, recordersFor, type Estimate } from '../evidence';
import { assumed, assumedRange } from '../catalog/assumptions';
import { busyMarket } from '../catalog/classes';
import { traitsOf } from '../job';
import { coolingOf, drawAt } from '../models';
import type { Facts } from './facts';

const settled = formula({
  name: 'temperature once settled',
  unit: '°C',
  inputs: { ambient: 'air', power: 'power', resistance: 'thermal resistance' },
  of: (m, x) => m.add(x.ambient, m.mul(x.power, x.resistance)),
});

/** What goes into the temperature, bare; null for disks and where nothing flows. */
function inputsOf(f: Facts) {
  // What is opened or asked for at random moves data in bursts: it never works at the path's full speed for long.
  const full = f.activities.length === 0 || f.activities.some((a) => traitsOf(a).requests === 'sequential');
  if (f.disk || f.flow === null || !full) return null;
  const media = f.path.constraints.find((c) => c.id === 'media')!.rate[f.direction].expected;
  const share = media > 0 ? Math.min(1, f.flow / media) : 1;
  return { share, how: coolingOf(f), power: drawAt(f.drive, f.direction, share, f.shopRanges) };
}

/** Temperature a flash drive is expected to settle at, °C, without its working; null for disks and where nothing flows. */
export function expectedTemperature(f: Facts): number | null {
  const inputs = inputsOf(f);
  if (!inputs) return null;
  return settled({
    ambient: f.needs.ambient ?? assumedRange('ambient', f.shopRanges).expected,
    power: inputs.power,
    resistance: assumedRange(`resistance.${inputs.how}`, f.shopRanges).expected,
  });
}

/**
 * °C that a drive which warms at all is expected to settle at; null for disks, for SATA, which does not get hot enough to slow down, and for what is
 * sealed.
 */
export const warmth = (f: Facts): number | null =>
  f.nvme && !f.disk && f.flow !== null && f.drive.sealed !== true ? expectedTemperature(f) : null;

/** Temperature a flash drive settles at while the path moves data as fast as it can, with its working; null for disks and where nothing flows. */
export function settledTemperature(f: Facts): Estimate | null {
  const inputs = inputsOf(f);
  if (!inputs) return null;
  const { share, how, power } = inputs;
  const record = recordersFor(f.shopRanges).explaining;
  const isOnSheet = f.drive.power?.[f.direction] !== undefined || f.drive.power?.write !== undefined;
  const at = `at ${Math.round(share * 100)} % of the drive’s own rate`;
  return settled.explain({
    ambient:
      f.needs.ambient === undefined
        ? assumed(record, 'ambient')
        : record.given('ambient temperature', f.needs.ambient, '°C', { kind: 'entered' }),
    power: record.given('power at the speed the path allows', power, 'W', {
      kind: isOnSheet ? 'sheet' : 'memory',
      note: isOnSheet ? at : `${busyMarket(f.drive, f.shopRanges).note}, ${at}`,
    }),
    resistance: assumed(record, `resistance.${how}`),
  });
}
