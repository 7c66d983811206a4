import { middle } from '../evidence';
import { format } from '../units';
import { THROTTLES_AT } from '../models';
import { expectedTemperature, settledTemperature } from './heat';
import type { Rule } from './rule';
import type { Facts } from './facts';
import { generation } from './link';

const min = (f: Facts) => (f.bridge === null ? f.port.minimum : undefined);
const strict = (f: Facts) => f.policies.minimum === 'strict';
const byMinimum = (f: Facts) => (strict(f) ? 'blocks' : 'caution');
const stated = (f: Facts) => middle(f.drive.read);
const rate = (value: number) => format(value, 'B/s');
/** What falling short of the minimum comes to: drive and bay together, whatever is at the other end. */
const effect = (f: Facts) => {
  const media = f.path.constraints.find((c) => c.id === 'media')!.rate.read.expected;
  return f.path.carries === null
    ? ''
    : ` Forecast of drive and bay together: ${rate(Math.min(media, f.path.carries.read.expected))}; ` +
        'load times of programs hardly follow that figure, large copies do.';
};
const followed = (f: Facts) =>
  strict(f) ? 'The job follows the maker’s minimum to the letter.' : 'The job judges by the result.';

/** What it comes to without a heatsink, where that can be told. */
function withoutHeatsink(f: Facts): string {
  const warm = expectedTemperature(f);
  if (warm === null) return '';
  const at = format(warm, '°C', 2);
  return warm > THROTTLES_AT
    ? `Without one it settles at about ${at}, where drives slow down.`
    : `By the thermal model it settles at about ${at} without one.`;
}

/** What a host's maker asks of a drive in a bay. */
export const BAY: Rule[] = [
  {
    id: 'bay-generation',
    severity: 'blocks',
    segment: 'port',
    title: 'Too old a generation for the bay',
    when: (f) => min(f)?.generation !== undefined && f.nvme && generation(f) < min(f)!.generation!,
    reason: (f) =>
      `${f.port.position} takes PCIe gen ${min(f)!.generation} or newer; ${f.drive.model} ` +
      `is gen ${generation(f)}. The host refuses it: whichever policy is followed.`,
    fix: (f) => `Take a drive of gen ${min(f)!.generation}.`,
  },
  {
    id: 'bay-reading',
    severity: byMinimum,
    segment: 'port',
    title: 'Reads less than the host’s maker asks for',
    when: (f) => min(f)?.read !== undefined && stated(f) !== null && stated(f)! < min(f)!.read!,
    reason: (f) =>
      `Asked: ${rate(min(f)!.read!)}; ${f.drive.model}: ${rate(stated(f)!)}.${strict(f) ? '' : effect(f)} ${followed(f)}`,
    fix: (f) =>
      strict(f)
        ? `Take a drive that reads ${rate(min(f)!.read!)} or more.`
        : 'Agree it with the customer in writing, and time it in the bay.',
    policy: 'minimum',
  },
  {
    id: 'bay-reading-unknown',
    severity: (f) => (strict(f) ? 'caution' : 'note'),
    segment: 'port',
    title: 'Whether it reads what the maker asks for is not known',
    when: (f) => min(f)?.read !== undefined && stated(f) === null,
    reason: (f) => `Asked: ${rate(min(f)!.read!)}. The drive’s own figure is not known. ${followed(f)}`,
    fix: 'Look it up, or time it before promising.',
    policy: 'minimum',
  },
  {
    id: 'bay-too-small',
    severity: byMinimum,
    segment: 'port',
    title: 'Smaller than the host’s maker asks for',
    when: (f) => min(f)?.least !== undefined && f.capacity !== null && f.capacity < min(f)!.least!,
    reason: (f) =>
      `Asked: ${format(min(f)!.least!, 'B')} or more; the drive has ${format(f.capacity!, 'B')}. ${followed(f)}`,
    fix: 'Take a larger drive.',
    policy: 'minimum',
  },
  {
    id: 'bay-too-large',
    severity: 'blocks',
    segment: 'port',
    title: 'Larger than the bay takes',
    when: (f) => min(f)?.most !== undefined && f.capacity !== null && f.capacity > min(f)!.most!,
    reason: (f) =>
      `${f.port.position} takes up to ${format(min(f)!.most!, 'B')}; the drive has ${format(f.capacity!, 'B')}.`,
    fix: 'Take a smaller drive.',
  },
  {
    id: 'bay-heatsink',
    kit: 'heatsink',
    severity: byMinimum,
    segment: 'drive',
    title: 'The host’s maker asks for a heatsink',
    when: (f) => min(f)?.heatsink === true && !f.hasHeatsink,
    reason: (f) => `None is on the list. ${withoutHeatsink(f)} ${followed(f)}`,
    fix: (f) =>
      `Put a flat heatsink on the list${f.port.room === undefined ? '' : `; drive and heatsink must stay under ${format(f.port.room, 'mm')}`}.`,
    policy: 'minimum',
    figure: settledTemperature,
  },
  {
    id: 'bay-erases',
    severity: 'caution',
    segment: 'port',
    title: 'The host erases what is put in here',
    when: (f) => f.bridge === null && f.port.erases === true,
    reason: 'It formats the drive when it first starts with it, and other hosts cannot read it afterwards.',
    fix: 'Take what is on the drive elsewhere first; do not fit a drive whose contents are wanted.',
  },
  {
    id: 'stores-only',
    severity: (f) => (f.needs.role === 'expansion' ? 'limits' : 'note'),
    segment: 'port',
    title: 'Stores only: nothing runs from here',
    when: (f) => f.port.storesOnly === true,
    reason: (f) =>
      `Work of ${f.host.name}’s current generation can be stored on a drive at ${f.port.position} but not run from it; older work runs.`,
    fix: 'Use the expansion bay for what is to run, and this drive to keep the rest.',
  },
  {
    id: 'bay-through-adapter',
    severity: 'caution',
    segment: 'bridge',
    title: 'An adapter in a maker’s bay',
    when: (f) => f.bridge !== null && f.port.minimum !== undefined,
    reason:
      'The maker’s conditions are written for a bare drive: what stands between may not fit under the cover, and is no ground for a claim.',
    fix: 'Put the drive straight into the bay.',
  },
];
