import { MIXED } from './figures.mjs';

/** ms between two steps: short ones for what is over soon. */
const [SHORTEST, LONGEST] = [0.05, 0.25];
const STEPS = 500;
/** Nobody waits longer. */
const GIVEN_UP = 86_400;

/**
 * A copy, step by step: a program takes file after file from one end, what it has taken lies in the host's memory, and is handed to the other end when
 * the system sees fit. The bar is full when the program has handed over its last byte.
 * @param {object} rig `from` and `to`: media; `way`: B/s of all links between memory and the device; `host`; `stops`: s until the link fails next;
 * `beside`: what else is at work on the uplink, in bursts, and the share that is left meanwhile
 * @returns {{ bar: number, written: number, samples: { t: number, bytes: number }[] } | null} null where it does not end
 */
export function copy(
  { from, to, direction, way, host, stops, beside, itself = false },
  { bytes, files },
  chance,
) {
  const guess = bytes / Math.min(way, 2e9);
  const dt = Math.min(LONGEST, Math.max(SHORTEST, guess / STEPS));
  const { system, memory, perByte, perFile, flushAt = 1 } = host;
  const [begins, waits] = [system.begins * memory * flushAt, Math.max(32e6, system.waits * memory * flushAt)];
  const [middle, spread] = system.perFile[direction];
  let [taken, dirty, written, t, lastFlush] = [0, 0, 0, 0, 0];
  let left = files;
  // Sizes differ from file to file; their sum is what it is.
  const size = bytes / files;
  let [inFile, cost] = [0, 0];
  let flushes = false;
  /** s the other end still has to do for files it was handed. */
  let debt = 0;
  let bar = null;
  /** What the other end took in the last step: as much goes out while the program goes on. */
  let flow = 0;
  let nextStop = stops ? stops(chance) : Infinity;
  let stopped = 0;
  let burst = { on: false, until: 0 };
  const samples = [];
  for (; t < GIVEN_UP; t += dt) {
    if (t > nextStop) {
      stopped = chance.spread(0.4, 6);
      nextStop = t + stopped + stops(chance);
    }
    stopped -= dt;
    const works = stopped <= 0;
    if (beside && t >= burst.until)
      burst = { on: !burst.on, until: t + chance.spread(...(burst.on ? beside.rests : beside.works)) };
    const now = way * (burst.on ? beside.left : 1);
    const [onCable, offCable] = direction === 'write' ? [now, Infinity] : [Infinity, now];
    // The program.
    let time = dt;
    const supply =
      works || direction === 'write' ? from.read(Math.min(offCable, 1 / perByte) * dt, dt) / dt : 0;
    const speed = supply > 0 ? 1 / (1 / supply + (direction === 'read' ? 0 : perByte * 0.5)) : 0;
    const before = taken;
    while (time > 1e-9 && taken < bytes && speed > 0) {
      if (cost > 0) {
        const spent = Math.min(cost, time);
        cost -= spent;
        time -= spent;
        continue;
      }
      if (inFile <= 0) {
        inFile = left <= 1 ? bytes - taken : Math.min(bytes - taken, size * chance.factor(0.35));
        left--;
        cost = middle * perFile * chance.factor(spread) + (direction === 'read' ? from.fileCost('read') : 0);
        debt += direction === 'write' ? to.fileCost('write') : 0;
        if (cost > 0) continue;
      }
      const room = waits + flow - dirty;
      if (room <= 0) break;
      const piece = Math.min(inFile, speed * time, room);
      inFile -= piece;
      taken += piece;
      dirty += piece;
      time -= piece / speed;
    }
    // The system.
    if (dirty > begins || t - lastFlush > system.after || taken >= bytes) flushes = true;
    if (flushes && dirty > 0 && (works || direction === 'read')) {
      const work = Math.min(debt, dt * 0.9);
      debt -= work;
      const share = itself && taken > before ? MIXED / 2 : 1;
      const gone = to.write(Math.min(dirty, onCable * share * (dt - work)), dt - work);
      flow = gone;
      dirty -= gone;
      written += gone;
      if (dirty < 1) {
        dirty = 0;
        flushes = false;
        lastFlush = t;
      }
    } else {
      flow = 0;
      to.rest(dt);
    }
    if (samples.length < 400 || Math.floor(t / dt) % 8 === 0)
      samples.push({ t: t + dt, bytes: direction === 'write' ? written : taken });
    if (bar === null && taken >= bytes - 1) bar = t + dt - Math.max(0, time);
    if (bar !== null && dirty <= 0 && debt <= dt)
      return { bar: Math.max(bar, dt), written: Math.max(bar, t + dt), samples };
  }
  return null;
}

/**
 * A load: the program works through its chunks; what comes next is fetched meanwhile, so far ahead as it asks, and each so many-th request waits for
 * the one before.
 */
export function load({ from, way, host }, { processing, bytes, requests }) {
  const CHUNKS = 300;
  const { ahead } = host.system;
  const chunk = bytes / CHUNKS;
  const think = (processing * host.slow) / CHUNKS;
  const waits = (requests / CHUNKS) * (from.latency + host.wake);
  const dt = 0.05;
  let [fetched, used, t, busyUntil] = [0, 0, 0, 0];
  const most = Math.max(chunk, ahead * 4);
  for (let steps = 0; used < CHUNKS && t < GIVEN_UP; steps++) {
    const asks = Math.min(bytes - fetched, most + used * chunk - fetched);
    const got = asks > 0 ? from.read(Math.min(asks, way * dt), dt) : 0;
    fetched += got;
    t += dt;
    while (used < CHUNKS && fetched >= (used + 1) * chunk - 1 && busyUntil <= t) {
      busyUntil = Math.max(busyUntil, t - dt) + think + waits;
      used++;
    }
  }
  return { seconds: Math.max(t, busyUntil) };
}
