import { DATA_UNIT } from '../endurance';
import { readNumber } from '../units';
import { NOTHING, type Counters, type Told } from './counters';

type Key = Exclude<keyof Counters, 'from' | 'warnings'>;

/** Names of the fields as their standards write them, in lower case without marks, and what one step of each is. */
const FIELDS: Record<string, [key: Key, factor: number]> = {
  'data units written': ['written', DATA_UNIT],
  'data units read': ['read', DATA_UNIT],
  'logical sectors written': ['written', 512],
  'logical sectors read': ['read', 512],
  'percentage used': ['percentageUsed', 0.01],
  'percentage used endurance indicator': ['percentageUsed', 0.01],
  'power on hours': ['powerOnHours', 1],
  'power cycles': ['powerCycles', 1],
  'lifetime power on resets': ['powerCycles', 1],
  'unsafe shutdowns': ['unsafeShutdowns', 1],
  'composite temperature': ['temperature', 1],
  'current temperature': ['temperature', 1],
  temperature: ['temperature', 1],
  'available spare': ['spare', 0.01],
  'available spare threshold': ['spareThreshold', 0.01],
  'media and data integrity errors': ['mediaErrors', 1],
  'warning composite temperature time': ['minutesWarm', 1],
  'critical composite temperature time': ['minutesCritical', 1],
};

/** Reads counters pasted as `Name: value` lines in the standards' own field names; what stands in brackets behind a value is left out. */
export function fromPasted(text: string): Told {
  const counters: Counters = { ...NOTHING, from: 'pasted text', warnings: [] };
  let found = 0;
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const match = /^\s*([^:=\t]+?)\s*[:=\t]\s*(.+?)\s*$/.exec(line);
    const field = match ? FIELDS[match[1]!.toLowerCase().replace(/[^a-z ]+/g, ' ').replace(/ +/g, ' ').trim()] : undefined;
    if (!match || !field) continue;
    const bare = match[2]!.replace(/[[(].*$/, '');
    const digits = /^[+-]?[\d.,'’\u00a0\u202f ]*\d/.exec(bare)?.[0];
    const value = digits === undefined ? undefined : readNumber(digits);
    if (value === undefined) return { ok: false, problem: `Line ${i + 1}: "${match[2]}" is no number for ${match[1]}.` };
    const [key, factor] = field;
    const kelvin = key === 'temperature' && /^\s*(k|kelvin)\b/i.test(bare.slice(digits!.length));
    counters[key] = factor === 0.01 ? value / 100 : value * factor - (kelvin ? 273 : 0);
    found++;
  }
  return found > 0 ? { ok: true, counters } : { ok: false, problem: 'No counter is named as the standards name them, e.g. "Data Units Written: 12,345" or "Power On Hours: 1,200".' };
}
