import { formula, given, spread, type Estimate, type Spread } from '../evidence';
import { drawAt, type Facts } from './facts';

/** K/W from a flash drive to the air around it [memory]: how it is cooled decides. */
const RESISTANCE: Record<'bare board' | 'heatsink' | 'plastic' | 'metal' | 'metal with pad' | 'fan', Spread> = {
  'bare board': spread(10, 13, 17),
  heatsink: spread(4, 6, 8),
  plastic: spread(11, 15, 20),
  metal: spread(7, 10, 14),
  'metal with pad': spread(5, 7, 10),
  fan: spread(3, 4.5, 6),
};

/** Where flash drives begin to slow themselves down, °C [memory]. */
export const THROTTLES_AT = 72;
/** Air around a drive where nobody says, °C. */
const AMBIENT = spread(20, 24, 32);

const settled = formula({
  name: 'temperature once settled',
  unit: '°C',
  inputs: { ambient: 'air', power: 'power', resistance: 'thermal resistance' },
  of: (m, x) => m.add(x.ambient, m.mul(x.power, x.resistance)),
});

function cooling({ bridge, hasHeatsink, external }: Facts): keyof typeof RESISTANCE {
  if (bridge?.cooling && external) return hasHeatsink && bridge.cooling === 'metal' ? 'metal with pad' : bridge.cooling;
  if (hasHeatsink) return 'heatsink';
  return external ? 'plastic' : 'bare board';
}

/** What goes into the temperature, bare; null for disks and where nothing flows. */
function inputsOf(f: Facts) {
  if (f.disk || f.flow === null) return null;
  const media = f.path.constraints.find((c) => c.id === 'media')!.rate[f.direction].expected;
  const share = media > 0 ? Math.min(1, f.flow / media) : 1;
  const how = cooling(f);
  return { share, how, power: drawAt(f.drive, f.form, f.direction, share), resistance: RESISTANCE[how] };
}

/** Temperature a flash drive is expected to settle at, °C, without its working; null for disks and where nothing flows. */
export function expectedTemperature(f: Facts): number | null {
  const inputs = inputsOf(f);
  return inputs && settled({ ambient: f.needs.ambient ?? AMBIENT.expected, power: inputs.power, resistance: inputs.resistance.expected });
}

/** Temperature a flash drive settles at while the path moves data as fast as it can, with its working; null for disks and where nothing flows. */
export function settledTemperature(f: Facts): Estimate | null {
  const inputs = inputsOf(f);
  if (!inputs) return null;
  const { share, how, power, resistance } = inputs;
  const sheet = f.drive.power?.[f.direction] !== undefined || f.drive.power?.write !== undefined;
  return settled.explain({
    ambient: f.needs.ambient === undefined ? given('air around it', AMBIENT, '°C', { kind: 'unknown', note: 'rooms where drives are used' }) : given('air around it', f.needs.ambient, '°C', { kind: 'entered' }),
    power: given('power at the speed the path allows', power, 'W', sheet ? { kind: 'sheet', note: `at ${Math.round(share * 100)} % of the drive’s own rate` } : { kind: 'memory', note: `usual drives, at ${Math.round(share * 100)} % of their own rate` }),
    resistance: given(`drive to air, ${how}`, resistance, 'ratio', { kind: 'memory', note: 'K/W' }),
  });
}
