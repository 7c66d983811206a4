import type { Chosen } from '../stats';
import { formula } from '../evidence';
import type { Path } from '../assembly';
import { SLC_SHARE, type Flow, type Heat, type Side, type Store, type Wire } from '../models';
import { CHOICES, type Numbers, type Transfer } from './inputs';

/** What a flash cache takes at some fill: a part stays, the rest shrinks with the free cells; never more than those hold in SLC mode. */
export const cacheAt = formula({
  name: 'cache at this fill',
  unit: 'B',
  inputs: {
    cache: 'cache of the empty drive',
    stays: 'share that stays',
    fill: 'fill',
    free: 'free cells in SLC mode',
  },
  of: (m, x) => {
    const dynamic = m.mul(m.mul(x.cache, m.sub(m.num(1), x.stays)), m.sub(m.num(1), x.fill));
    return m.min(m.add(m.mul(x.cache, x.stays), dynamic), x.free);
  },
});

/** {@link cacheAt} in bare numbers, for plans by the thousand; a test holds them together. */
const cacheNow = (cache: number, stays: number, fill: number, free: number): number =>
  Math.min(cache * stays + cache * (1 - stays) * (1 - fill), free);

/** B/s of memory, where it is no limit [practice]. */
export const MEMORY_RATE = 50e9;
const MEMORY_END: Store = {
  role: 'other',
  read: MEMORY_RATE,
  write: MEMORY_RATE,
  sustained: Infinity,
  cache: Infinity,
};

/** Makes the flows that bare numbers stand for. */
export function planner(
  { direction, otherEnd, streams, verify, sequentialSources }: Transfer,
  path: Path,
): (x: Numbers, chosen: Chosen) => Flow[] {
  const { drive } = path.parts;
  const writing = direction === 'write';
  const itself = otherEnd === 'itself';
  const onto = writing || itself;
  const disk = drive.media === 'disk';
  const slc = SLC_SHARE[drive.cell ?? 'unknown'];
  const halfDuplex = path.outer.mode?.halfDuplex ?? false;

  const heatOf = (x: Numbers, chosen: Chosen): Heat | null => {
    if (x.air === undefined) return null;
    const kind = drive.throttling?.kind ?? chosen[CHOICES.throttle];
    return {
      ambient: x.air,
      resistance: x.resistance!,
      capacity: x.heatCapacity!,
      idle: x.idle!,
      read: x.busy!,
      write: x.busy!,
      throttle:
        kind === 'step'
          ? { kind, at: x.hot!, until: x.hot! - x.cooler!, share: x.low! }
          : { kind: 'hold', at: x.hot!, floor: x.floor! },
    };
  };

  const storeOf = (x: Numbers, chosen: Chosen): Store => {
    const free = x.capacity! * (1 - (x.fill ?? 0)) * slc;
    const most =
      x.cache === undefined ? Infinity : disk ? x.cache : cacheNow(x.cache, x.stays!, x.fill!, free);
    const law = chosen[CHOICES.zones] === 'constant density' ? 'constant density' : 'linear';
    return {
      role: 'drive',
      read: x.read ?? x.write!,
      write: x.write ?? x.read!,
      sustained: Math.min(x.rest ?? Infinity, x.write ?? Infinity),
      cache: most,
      cacheMost: most,
      refill: x.refill ?? 0,
      heat: heatOf(x, chosen),
      zones: x.inner === undefined ? null : { law, k: x.inner, capacity: x.capacity! },
      seek: x.seek ?? 0,
    };
  };

  // Objects are written out in full: copied ones cost the engine half its speed.
  return (x, chosen) => {
    const store = storeOf(x, chosen);
    const back = x.back ?? x.links!;
    const wire: Wire = {
      read: writing ? back : x.links!,
      write: writing ? x.links! : back,
      halfDuplex,
      role: 'links',
    };
    const at = x.inner === undefined ? 0 : x.fill!;
    const bytes = Math.max(1, x.bytes!);
    const files = x.files!;
    const perFile = x.perFile!;
    const here: Side = { store, wire, at };
    const there: Side = itself
      ? { store, wire, at: at / 2 }
      : { store: sequentialSources ? inTurn(x, sequentialSources.length) : otherOf(x) };
    const from = onto ? there : here;
    const to = onto ? here : there;
    const buffer = itself ? 0 : (x.buffer ?? 0);
    const memory = itself ? undefined : x.memory;
    const pace = x.perByte ? 1 / x.perByte : undefined;
    const copy: Flow = { bytes, files, perFile, streams, from, to, buffer, memory, pace };
    if (!verify) return [copy];
    // Verifying reads it back into memory, where the sums are compared.
    return [
      copy,
      { bytes, files, perFile, streams, from: to, to: { store: MEMORY_END }, buffer: 0, after: 0 },
    ];
  };
}

/** What stands at the other end. */
const otherOf = (x: Numbers): Store => ({
  role: 'other',
  read: x.other!,
  write: x.other!,
  sustained: x.otherRest ?? Infinity,
  cache: x.otherCache ?? Infinity,
});

/** Several at the other end: each at its own rate until its part of the bytes is through. */
function inTurn(x: Numbers, count: number): Store {
  const rates: number[] = [];
  const parts: number[] = [];
  for (let i = 0; i < count; i++) {
    rates.push(x[`other ${i}`]!);
    parts.push(x[`part ${i}`]!);
  }
  const most = Math.max(...rates);
  const all = parts.reduce((a, b) => a + b, 0);
  let before = 0;
  const ends = parts.map((part) => (before += all > 0 ? (x.bytes! * part) / all : 0));
  ends[count - 1] = Infinity;
  const sequentialSources = { ends, shares: rates.map((rate) => rate / most) };
  return { role: 'other', read: most, write: most, sustained: Infinity, cache: Infinity, sequentialSources };
}
