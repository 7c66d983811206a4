import { formula, given, type Estimate } from '../evidence';
import { AMBIENT, coolingOf, drawAt, RESISTANCE } from '../models/thermal';
import type { Facts } from './facts';

const settled = formula({
  name: 'temperature once settled',
  unit: '°C',
  inputs: { ambient: 'air', power: 'power', resistance: 'thermal resistance' },
  of: (m, x) => m.add(x.ambient, m.mul(x.power, x.resistance)),
});

/** What goes into the temperature, bare; null for disks and where nothing flows. */
function inputsOf(f: Facts) {
  if (f.disk || f.flow === null) return null;
  const media = f.path.constraints.find((c) => c.id === 'media')!.rate[f.direction].expected;
  const share = media > 0 ? Math.min(1, f.flow / media) : 1;
  const how = coolingOf(f);
  return { share, how, power: drawAt(f.drive, f.direction, share), resistance: RESISTANCE[how] };
}

/** Temperature a flash drive is expected to settle at, °C, without its working; null for disks and where nothing flows. */
export function expectedTemperature(f: Facts): number | null {
  const inputs = inputsOf(f);
  return (
    inputs &&
    settled({
      ambient: f.needs.ambient ?? AMBIENT.expected,
      power: inputs.power,
      resistance: inputs.resistance.expected,
    })
  );
}

/** Temperature a flash drive settles at while the path moves data as fast as it can, with its working; null for disks and where nothing flows. */
export function settledTemperature(f: Facts): Estimate | null {
  const inputs = inputsOf(f);
  if (!inputs) return null;
  const { share, how, power, resistance } = inputs;
  const sheet = f.drive.power?.[f.direction] !== undefined || f.drive.power?.write !== undefined;
  return settled.explain({
    ambient:
      f.needs.ambient === undefined
        ? given('air around it', AMBIENT, '°C', { kind: 'unknown', note: 'rooms where drives are used' })
        : given('air around it', f.needs.ambient, '°C', { kind: 'entered' }),
    power: given(
      'power at the speed the path allows',
      power,
      'W',
      sheet
        ? { kind: 'sheet', note: `at ${Math.round(share * 100)} % of the drive’s own rate` }
        : { kind: 'memory', note: `usual drives, at ${Math.round(share * 100)} % of their own rate` },
    ),
    resistance: given(`drive to air, ${how}`, resistance, 'ratio', { kind: 'memory', note: 'K/W' }),
  });
}
