import { format } from '../units';
import { THROTTLES_AT } from '../models';
import { expectedTemperature, settledTemperature } from './heat';
import type { Rule } from './rule';
import type { Facts } from './facts';

const watts = (value: number) => format(value, 'W', 2);
const byPort = (f: Facts) => f.external && !f.feed.own;
const feeds = (f: Facts) =>
  `${f.feed.name} ${f.feed.sure ? 'gives' : 'by its standard gives'} ${watts(f.feed.watts)}`;
const needs12 = (f: Facts) => f.form === '3.5-inch';
const hot = (f: Facts) => expectedTemperature(f) ?? 0;
const degrees = (value: number) => format(value, '°C', 2);
/** NVMe drives only: SATA ones do not get hot enough to slow down. */
const warms = (f: Facts) => f.nvme && !f.disk && f.flow !== null && f.drive.sealed !== true;

const DISK_RATED = 'disks are rated to about 60 °C of their own and stand some 10 to 15 above the air';
const FLASH_RATED = 'most flash drives are rated to 70 °C of their own';

/** The gap that a pad must fill, where box and drive tell it. */
function gapWords({ bridge, height }: Facts): string {
  const gap = (bridge?.room ?? 0) - (height ?? Infinity);
  return gap > 0 ? ` (about ${format(gap, 'mm', 2)})` : '';
}

/** Does it get enough power, and does it stay cool? */
export const POWER: Rule[] = [
  {
    id: 'power-running',
    severity: 'blocks',
    segment: 'port',
    title: 'It draws more power than the port supplies',
    when: (f) => byPort(f) && f.draw.run > f.feed.watts,
    reason: (f) =>
      `Drive and bridge draw about ${watts(f.draw.run)} while they work; ${feeds(f)}. It will drop out in the middle of a copy.`,
    fix: 'Take an enclosure or a hub with a power supply of its own, or a port that supplies more.',
  },
  {
    id: 'power-start',
    severity: 'caution',
    segment: 'port',
    title: (f) =>
      `${f.drive.media === 'disk' ? 'Spinning up' : 'Starting'} may draw more than the port supplies`,
    when: (f) => byPort(f) && f.draw.start > f.feed.watts && f.draw.run <= f.feed.watts,
    reason: (f) =>
      `About ${watts(f.draw.start)} for a moment at the start; ${feeds(f)}. Ports are often more generous than their standard, and sometimes not.`,
    fix: 'Try it on this very port; have a hub with a supply or a second port at hand.',
  },
  {
    id: 'supply-short',
    severity: 'blocks',
    segment: 'bridge',
    title: 'The enclosure’s own supply is too small',
    when: (f) => f.feed.own && f.draw.start > f.feed.watts,
    reason: (f) =>
      `Starting together the drives draw about ${watts(f.draw.start)}; the supply of ${f.bridge!.model} gives ${watts(f.feed.watts)}.`,
    fix: 'Fewer drives, drives that draw less, an enclosure that starts them one after the other, or a larger supply.',
  },
  {
    id: 'twelve-volts',
    severity: 'blocks',
    segment: (f) => (f.bridge ? 'bridge' : 'port'),
    title: 'A 3.5-inch drive needs 12 V',
    when: (f) =>
      needs12(f) &&
      f.drive.sealed !== true &&
      (f.bridge && !f.bridge.passThrough ? f.bridge.supply?.volts12 !== true : f.port.volts12 === false),
    reason: (f) => `${f.bridge?.model ?? f.port.position} brings 5 V only: the disk does not turn.`,
    fix: 'Take an enclosure with its own 12 V supply, or a 2.5-inch drive.',
  },
  {
    id: 'sealed-supply',
    severity: 'note',
    segment: 'drive',
    title: 'It has its own power supply',
    when: (f) => needs12(f) && f.drive.sealed === true,
    reason: 'A sealed 3.5-inch drive runs from the mains: its supply travels with it and fits no other.',
    fix: 'Mark the supply with the drive’s number.',
  },
  {
    id: 'hub-without-supply',
    severity: 'caution',
    segment: 'hub-0',
    title: 'A hub without its own power supply',
    when: (f) => (f.hops ?? []).some(({ hub }) => hub.supply === undefined) && byPort(f),
    reason: (f) =>
      `Everything on ${f.hops!.find(({ hub }) => hub.supply === undefined)!.hub.model} shares what one port of the host gives.`,
    fix: 'Take a hub with its own supply, or plug the drive straight into the host.',
  },
  {
    id: 'y-lead',
    severity: 'caution',
    segment: 'cable',
    title: 'A lead with two plugs',
    when: (f) => f.has('Y-lead') && f.external,
    reason:
      'Drawing from two ports is outside the USB specification: it works as long as both plugs sit in one host and neither is pulled.',
    fix: 'An enclosure or hub with a power supply of its own is the clean way.',
  },
  {
    id: 'cable-power',
    severity: 'caution',
    segment: 'cable',
    title: 'The cable may carry less than is drawn',
    when: (f) => byPort(f) && f.cable?.power !== undefined && f.draw.start > f.cable.power,
    reason: (f) =>
      `${f.cable!.name} is made for ${watts(f.cable!.power!)}; starting takes about ${watts(f.draw.start)}.`,
    fix: 'Take a shorter or stronger cable.',
  },
  {
    id: 'power-unknown',
    severity: 'note',
    segment: 'drive',
    title: 'What it draws is not known',
    when: (f) => byPort(f) && !f.draw.sure && f.feed.watts < 7.5,
    reason: (f) =>
      `The sheet names no power; usual drives of its kind draw ${watts(f.draw.run)} at work. ${feeds(f)[0]!.toUpperCase()}${feeds(f).slice(1)}.`,
    fix: 'Look it up, or try it on this port under load.',
  },
  {
    id: 'battery-host',
    severity: 'note',
    segment: 'host',
    title: 'It draws from the battery',
    when: (f) => byPort(f) && ['tablet', 'handheld'].includes(f.host.kind ?? '') && f.draw.run > 2.5,
    reason: (f) =>
      `${watts(f.draw.run)} is much for ${f.host.name}: some such hosts cut the port’s power when the battery runs low.`,
    fix: 'Have the host on its charger during long copies, or use a hub with a supply that passes power on.',
  },
  {
    id: 'throttles',
    severity: 'limits',
    segment: 'drive',
    title: 'It will get hot enough to slow down',
    when: (f) => warms(f) && hot(f) > THROTTLES_AT,
    reason: (f) =>
      `At the speed this path allows it settles at about ${degrees(hot(f))}; flash drives ` +
      `slow themselves down from about ${degrees(THROTTLES_AT)}. Long copies will feel ` +
      'it, short ones not.',
    fix: (f) =>
      f.external ? 'Take a metal enclosure with a pad that touches the drive.' : 'Put a heatsink on it.',
    policy: 'heatsink',
    figure: settledTemperature,
  },
  {
    id: 'second-heatsink',
    severity: 'caution',
    segment: 'drive',
    title: 'It has a heatsink already',
    when: (f) => f.drive.heatsinkHeight !== undefined && f.has('heatsink'),
    reason: (f) =>
      `${f.drive.model} comes with one, ${format(f.drive.heatsinkHeight!, 'mm', 5)} high: another does not go on it.`,
    fix: 'Take the heatsink off the kit list.',
  },
  {
    id: 'heatsink-always',
    kit: 'heatsink',
    severity: 'caution',
    segment: 'drive',
    title: 'No heatsink',
    when: (f) =>
      warms(f) && f.policies.heatsink === 'always' && !f.hasHeatsink && !f.external && hot(f) <= THROTTLES_AT,
    reason: (f) =>
      `The job follows the policy that puts a heatsink on every NVMe drive. By the thermal model it settles at about ${degrees(hot(f))} without one.`,
    fix: 'Put a heatsink on the list; look at the room above the slot first.',
    policy: 'heatsink',
    figure: settledTemperature,
  },
  {
    id: 'heatsink-idle',
    severity: 'note',
    segment: 'drive',
    title: 'The heatsink is not needed for this path',
    when: (f) =>
      warms(f) &&
      f.policies.heatsink === 'when needed' &&
      f.accessories.some((a) => a.kind === 'heatsink') &&
      !f.port.minimum?.heatsink &&
      f.flow !== null &&
      bareTemperature(f) <= THROTTLES_AT,
    reason: (f) =>
      `At the speed this path allows the bare drive settles at about ${degrees(bareTemperature(f))}.`,
    fix: 'Leave it off the list, unless the drive will move to a faster host.',
    policy: 'heatsink',
    figure: (f) => settledTemperature(bare(f)),
  },
  {
    id: 'plastic-case',
    severity: 'caution',
    segment: 'bridge',
    title: 'A plastic case around a fast drive',
    when: (f) => warms(f) && f.external && f.bridge?.cooling === 'plastic' && f.flow! > 500e6,
    reason: (f) => `Plastic keeps the heat in; at this speed the drive settles at about ${degrees(hot(f))}.`,
    fix: 'Take a metal enclosure with a pad.',
    figure: settledTemperature,
  },
  {
    id: 'pad-missing',
    kit: 'pad',
    severity: 'caution',
    segment: 'bridge',
    title: 'Without its pad the case does not cool',
    when: (f) => f.m2 && f.bridge?.cooling === 'metal with pad' && !f.has('pad'),
    reason: (f) =>
      `${f.bridge!.model} takes the heat through a pad; it must touch drive and lid, and ` +
      `be as thick as the gap${gapWords(f)}.`,
    fix: 'Put a pad of the right thickness on the kit list; look at its print on the drive after closing and opening once.',
  },
  {
    id: 'hot-room',
    severity: 'caution',
    segment: 'drive',
    title: 'A warm place for a drive',
    when: (f) => f.needs.ambient !== undefined && f.needs.ambient > (f.disk ? 40 : 50),
    reason: (f) => `${degrees(f.needs.ambient!)} around it: ${f.disk ? DISK_RATED : FLASH_RATED}.`,
    fix: 'Move it into moving air, or take a drive rated for more.',
  },
];

const bare = (f: Facts): Facts => ({ ...f, accessories: f.accessories.filter((a) => a.kind !== 'heatsink') });
const bareTemperature = (f: Facts): number => expectedTemperature(bare(f)) ?? 0;
