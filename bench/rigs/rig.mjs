import { copy, load } from './copy.mjs';
import { AIR, BUILT_IN, HEAT, MACHINES_DIFFER, SCATTER, SYSTEMS, THUMB } from './figures.mjs';
import { Chance } from './chance.mjs';
import { Disk, Parity } from './disk.mjs';
import { Flash } from './flash.mjs';
import { linkRate } from './link.mjs';

/** A drive that came with the machine: it has a cache of its own too, and nobody looks how warm it is. */
class BuiltIn {
  constructor({ read, fast, own, cache, used = 0, inner = 1 }) {
    Object.assign(this, {
      readRate: read * inner,
      fast,
      own,
      room: cache * (1 - used),
      cache,
      latency: 80e-6,
    });
  }
  read(most, dt) {
    return Math.min(most, this.readRate * dt);
  }
  write(most, dt) {
    const taken = Math.min(most, (this.room > 0 ? this.fast : this.own) * dt);
    this.room -= taken;
    return taken;
  }
  rest(dt) {
    this.room = Math.min(this.cache, this.room + this.own * 0.3 * dt);
  }
  fileCost() {
    return 0;
  }
}
/** Memory at the other end: gives and takes whatever is asked. */
const MEMORY = {
  read: (most) => most,
  write: (most) => most,
  rest: () => undefined,
  fileCost: () => 0,
  latency: 0,
};

/** One unit of a set-up: figures of its own, all that a cause may change. */
export function rigOf(setup, chance) {
  const system = SYSTEMS[setup.system];
  const machine = chance.apart();
  const heat = HEAT[setup.boxed ? 'boxed' : 'bare'];
  const air = chance.between(...AIR);
  const memory = machine.pick([8, 16, 32]) * 1e9;
  return {
    setup,
    outer: setup.outer,
    inner: setup.inner,
    link: { gap: chance.factor(0.3), serial: false, slow: 0, share: 1 },
    bridge: { gap: chance.factor(0.25), most: Infinity },
    host: {
      system,
      memory,
      perByte: machine.between(...system.perByte) * 1e-9,
      perFile: machine.factor(MACHINES_DIFFER),
      slow: 1,
      wake: 0,
      // To what can be pulled out some systems keep back less.
      flushAt: setup.boxed && setup.system === 'Windows' ? 0.2 : 1,
    },
    builtIn: {
      read: machine.between(...BUILT_IN.read) * 1e6,
      fast: machine.between(...BUILT_IN.fast) * 1e6,
      own: machine.between(...BUILT_IN.own) * 1e6,
      cache: machine.between(...BUILT_IN.cache) * 1e9,
    },
    drive: {
      kind: setup.drive,
      capacity: setup.capacity,
      fill: chance.between(0.1, 0.6),
      heat: {
        idle: heat.idle,
        perGB: chance.between(...heat.perGB),
        toAir: chance.between(...heat.toAir),
        tau: chance.between(...heat.tau),
        on: chance.between(...heat.on),
        off: heat.off,
        left: chance.between(...heat.left),
        air,
      },
    },
    driveSeed: Math.floor(chance.next() * 2 ** 31),
    scatter: chance.between(...SCATTER.sigma),
    thumb: {
      start: THUMB.start * chance.factor(0.2),
      stop: THUMB.stop * chance.factor(0.2),
      spread: THUMB.spread,
    },
    stops: null,
    beside: null,
    itself: false,
    /** What is told wrong, and of what: see causes. */
    slips: {},
  };
}

/** The same machine and place with another device, or the same device on another machine: other draws of what is replaced. */
export function withOther(rig, what, chance) {
  const other = rigOf(rig.setup, chance);
  if (what === 'device')
    return {
      ...rig,
      drive: { ...other.drive, fill: rig.drive.fill },
      driveSeed: other.driveSeed,
      bridge: other.bridge,
    };
  return { ...rig, host: other.host, builtIn: other.builtIn, link: other.link };
}

function mediumOf({ setup, drive, driveSeed }) {
  const chance = new Chance(driveSeed);
  if (setup.medium === 'flash') return new Flash(drive, chance);
  return setup.members ? new Parity(drive, setup.members, chance) : new Disk(drive, chance);
}

/** B/s between memory and the device, over all links. */
function wayOf({ outer, inner, link, bridge }) {
  const rates = [linkRate(outer, link)];
  if (inner) rates.push(linkRate(inner, { gap: bridge.gap }), bridge.most);
  return Math.min(...rates);
}

/**
 * Something done once on a rig. @param what `move` with direction, bytes, files and whether memory stands at the other end; or `open`
 * @returns {{ bar: number, written: number, samples: object[] } | null} s by the clock on the wall; null where it does not end
 */
export function play(rig, what, chance) {
  const device = mediumOf(rig);
  const way = wayOf(rig);
  if (what.kind === 'open') {
    const { seconds } = load({ from: device, way, host: rig.host }, what);
    return { bar: seconds, written: seconds, samples: [] };
  }
  const other = what.memoryEnd ? MEMORY : rig.itself ? device : new BuiltIn(rig.builtIn);
  const [from, to] = what.direction === 'write' ? [other, device] : [device, other];
  const host = what.memoryEnd ? { ...rig.host, flushAt: 1e-3 } : rig.host;
  const { kept = 1 } = rig;
  return copy(
    {
      from,
      to,
      direction: what.direction,
      way: way / kept,
      host,
      stops: rig.stops,
      beside: rig.beside,
      itself: rig.itself,
    },
    { bytes: what.bytes, files: what.files },
    chance,
  );
}
