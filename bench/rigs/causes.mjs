import { LINKS, SLOWER } from './figures.mjs';

/*
 * What goes wrong, each as a change of a rig. Those with a name of Kymar's own are such as its core can name; the others are on no list of it.
 * `ends`: what is replaced or left out for the fault to be gone.
 */
const onUsb = ({ outer }) => outer.startsWith('usb');
const isFlash = ({ medium }) => medium === 'flash';
const link = (rig, change) => ({ ...rig, link: { ...rig.link, ...change } });
const drive = (rig, change) => ({ ...rig, drive: { ...rig.drive, ...change } });
const host = (rig, change) => ({ ...rig, host: { ...rig.host, ...change } });
const builtIn = (rig, change) => ({ ...rig, builtIn: { ...rig.builtIn, ...change } });
const slip = (rig, change) => ({ ...rig, slips: { ...rig.slips, ...change } });
/** One run alone, or all of them alike. */
const where = (chance) => (chance.is(0.6) ? 'one' : 'all');
const slower = (name, chance) => chance.pick(SLOWER[name] ?? [name]);
/** Lanes or generation of a slot less. */
const lesser = (name, what, chance) => {
  const [, generation, lanes] = /pcie(\d)x(\d)/.exec(name).map(Number);
  const names = Object.keys(LINKS).filter((other) => {
    const found = /pcie(\d)x(\d)/.exec(other)?.map(Number);
    return (
      found &&
      (what === 'lanes'
        ? found[1] === generation && found[2] < lanes
        : found[2] === lanes && found[1] < generation)
    );
  });
  return names.length > 0 ? chance.pick(names) : name;
};
const inSlot = ({ outer }) => outer.startsWith('pcie');

/** @type {{ id: string, ends: string, applies(setup: object): boolean, put(rig: object, chance: object): object }[]} */
export const CAUSES = [
  { id: 'usb-2 cable', ends: 'cable', applies: onUsb, put: (rig) => ({ ...rig, outer: 'usb-2' }) },
  {
    id: 'slower port',
    ends: 'port',
    applies: ({ outer }) => outer in SLOWER && onUsb({ outer }),
    put: (rig, chance) => ({ ...rig, outer: slower(rig.outer, chance), portClass: true }),
  },
  {
    id: 'hub between',
    ends: 'port',
    applies: (s) => onUsb(s) && s.outer !== 'usb-5',
    put: (rig, chance) => ({
      ...link(rig, { slow: chance.between(8e-6, 30e-6) }),
      outer: 'usb-5',
      hub: true,
    }),
  },
  {
    id: 'single lane',
    ends: 'cable',
    applies: ({ outer }) => outer === 'usb-20',
    put: (rig) => ({ ...rig, outer: 'usb-10' }),
  },
  {
    id: 'fewer lanes',
    ends: 'port',
    applies: inSlot,
    put: (rig, c) => ({ ...rig, outer: lesser(rig.outer, 'lanes', c) }),
  },
  {
    id: 'older generation',
    ends: 'port',
    applies: inSlot,
    put: (rig, c) => ({ ...rig, outer: lesser(rig.outer, 'generation', c) }),
  },
  { id: 'bulk-only', ends: 'machine', applies: onUsb, put: (rig) => link(rig, { serial: true }) },
  {
    id: 'poor bridge',
    ends: 'device',
    applies: ({ inner }) => inner !== null,
    put: (rig, chance) => {
      const most = LINKS[rig.setup.outer].wire * chance.between(0.38, 0.68);
      return { ...rig, bridge: { gap: rig.bridge.gap * chance.between(2, 5), most } };
    },
  },
  {
    id: 'contact',
    ends: 'cable',
    applies: onUsb,
    put: (rig, chance) => {
      const every = chance.spread(4, 30);
      return { ...rig, stops: (own) => -every * Math.log(1 - own.next()) };
    },
  },
  {
    id: 'another device on the uplink',
    ends: 'port',
    applies: onUsb,
    put: (rig, chance) => ({
      ...rig,
      beside: { left: chance.between(0.3, 0.6), works: [8, 60], rests: [0.5, 12] },
    }),
  },
  {
    id: 'system stack',
    ends: 'machine',
    applies: onUsb,
    put: (rig, chance) =>
      link(rig, {
        slow: LINKS[rig.setup.outer].request / (LINKS[rig.setup.outer].wire * chance.between(0.8, 2.2)),
      }),
  },
  {
    id: 'cache used up',
    ends: 'rest',
    applies: isFlash,
    put: (rig, chance) => drive(rig, { cacheUsed: chance.between(0.85, 1) }),
  },
  {
    id: 'nearly full',
    ends: 'device',
    applies: isFlash,
    put: (rig, chance) => drive(rig, { fill: chance.between(0.92, 0.98) }),
  },
  {
    id: 'throttling',
    ends: 'rest',
    applies: isFlash,
    put: (rig, chance) => {
      const { heat } = rig.drive;
      const toAir = heat.toAir * chance.between(1.8, 3.2);
      return drive(rig, {
        heat: { ...heat, toAir, tau: heat.tau * 0.6, start: chance.between(48, heat.on - 2) },
      });
    },
  },
  {
    id: 'sustained below class',
    ends: 'device',
    applies: isFlash,
    put: (rig, chance) => drive(rig, { own: chance.between(0.3, 0.6), fill: Math.max(rig.drive.fill, 0.4) }),
  },
  {
    id: 'shingled',
    ends: 'device',
    applies: ({ medium }) => medium === 'disk',
    put: (rig) => drive(rig, { shingled: true }),
  },
  {
    id: 'parity in a poor stack',
    ends: 'device',
    applies: ({ members }) => members !== undefined,
    put: (rig, chance) => drive(rig, { stack: chance.between(0.12, 0.45) }),
  },
  {
    id: 'write cache off',
    ends: 'device',
    applies: () => true,
    put: (rig, chance) => drive(rig, { steps: chance.between(0.4e-3, 1.5e-3) }),
  },
  {
    id: 'alignment',
    ends: 'device',
    applies: isFlash,
    put: (rig, chance) =>
      drive(rig, { own: chance.between(0.5, 0.75), steps: chance.between(0.05e-3, 0.2e-3) }),
  },
  {
    id: 'source slower',
    ends: 'other end',
    applies: () => true,
    put: (rig, chance) => builtIn(rig, { read: rig.builtIn.read * chance.between(0.04, 0.2) }),
  },
  {
    id: 'destination slower',
    ends: 'other end',
    applies: () => true,
    put: (rig, chance) => {
      const part = chance.between(0.04, 0.2);
      return builtIn(rig, { fast: rig.builtIn.fast * part, own: rig.builtIn.own * part });
    },
  },
  {
    id: 'other end past its cache',
    ends: 'other end',
    applies: () => true,
    put: (rig, chance) => builtIn(rig, { used: 1, own: rig.builtIn.own * chance.between(0.25, 0.8) }),
  },
  {
    id: 'small-file overhead',
    ends: 'machine',
    applies: () => true,
    put: (rig, chance) => host(rig, { perFile: rig.host.perFile * chance.spread(3, 9) }),
  },
  {
    id: 'processor-bound',
    ends: 'machine',
    applies: () => true,
    loads: true,
    put: (rig, chance) => host(rig, { slow: rig.host.slow * chance.between(1.35, 2.6) }),
  },
  {
    id: 'thumb',
    ends: 'figures',
    applies: () => true,
    put: (rig, chance) =>
      slip(rig, {
        thumb: chance.is(0.7) ? chance.spread(2, 25) : -chance.spread(1, 6),
        where: where(chance),
      }),
  },
  {
    id: 'another size',
    ends: 'figures',
    applies: () => true,
    put: (rig, chance) =>
      slip(rig, { size: chance.pick([0.1, 0.5, 2, 3, 10, 0.931, 1.074, 1000]), where: where(chance) }),
  },
  {
    id: 'another number of files',
    ends: 'figures',
    applies: () => true,
    put: (rig, chance) => slip(rig, { files: chance.pick([0.1, 4, 10, 30]), where: 'all' }),
  },
  {
    id: 'units mixed up',
    ends: 'figures',
    applies: () => true,
    put: (rig, chance) => slip(rig, { units: chance.pick([8, 1 / 8, 8 * 1.048576]), where: where(chance) }),
  },
  {
    id: 'memory',
    ends: 'figures',
    applies: () => true,
    put: (rig, chance) => slip(rig, { memory: chance.between(2.2e9, 6e9), where: where(chance) }),
  },
  {
    id: 'compression',
    ends: 'work',
    applies: onUsb,
    put: (rig, chance) => ({ ...rig, kept: chance.between(0.4, 0.75) }),
  },
];

/** Such as no list of Kymar's holds, as its core stood when this was frozen. */
export const OUTSIDE = [
  {
    id: 'outside: encryption without help',
    ends: 'machine',
    applies: () => true,
    put: (rig, chance) => host(rig, { perByte: chance.between(2e-9, 9e-9) }),
  },
  {
    id: 'outside: old data',
    ends: 'device',
    applies: isFlash,
    put: (rig, chance) =>
      drive(rig, { old: { part: chance.between(0.3, 0.8), left: chance.between(0.05, 0.3) } }),
  },
  {
    id: 'outside: in pieces',
    ends: 'device',
    applies: ({ medium }) => medium === 'disk',
    put: (rig, chance) => drive(rig, { pieces: chance.spread(0.2, 1.5) }),
  },
  {
    id: 'outside: power saving',
    ends: 'machine',
    applies: onUsb,
    put: (rig, chance) => link(rig, { slow: chance.between(0.4e-3, 2e-3) }),
  },
  { id: 'outside: onto itself', ends: 'work', applies: () => true, put: (rig) => ({ ...rig, itself: true }) },
  {
    id: 'outside: a scanner at every byte',
    ends: 'machine',
    applies: () => true,
    put: (rig, chance) =>
      host(rig, {
        perByte: chance.between(1.5e-9, 6e-9),
        perFile: rig.host.perFile * chance.between(1.2, 2),
      }),
  },
  {
    id: 'outside: inner tracks at the other end',
    ends: 'other end',
    applies: () => true,
    put: (rig, chance) => builtIn(rig, { read: chance.between(70e6, 110e6), inner: 1 }),
  },
  {
    id: 'outside: read retries',
    ends: 'device',
    applies: ({ medium }) => medium === 'disk',
    put: (rig, chance) => drive(rig, { slow: chance.between(0.2, 0.6) }),
  },
];
