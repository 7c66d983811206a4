import { draws, exactly, formula, fromFact, given, least, quantile, SAMPLES, SEED, summary, worked, type Estimate, type Fact, type Spread, spread } from '../evidence';
import type { Direction } from '../links';
import type { Drive } from '../parts';
import { atDepth, explainFlow, interfaceOf, rateOf, type Path, type Requests } from '../path';
import { CACHE_SHARE, DISK, DISK_CACHE, DISK_SHARE, PER_FILE, phases, rateAt, REST, steadyTime, transferTime, type Phase, type TransferNumbers } from '../transfer';

/** A transfer to forecast: an activity's, or a run's own. */
export interface TransferTask {
  direction: Direction;
  bytes: Fact;
  files: Fact;
  /** What stands at the other end. */
  otherEnd: 'storage' | 'memory';
  /** Size of a request in B and how many are under way at once; null where a system's copy keeps the path full. */
  requests?: Requests | null;
}

/** Speed over the copy: what the 5, 50 and 95 % of samples run at when so many bytes have been moved. */
export interface ProfilePoint extends Spread {
  bytes: number;
}

export interface TransferForecast {
  time: Estimate;
  /** Bytes over time, files' cost included. */
  rate: Estimate;
  /** The expected course. */
  phases: Phase[];
  /** The band of the speed over the bytes moved; made on demand, for a chart. */
  profile(): ProfilePoint[];
  /** What each number of the model is taken to be. */
  numbers: Record<keyof TransferNumbers, Spread>;
  /** Probability that it takes at most so many seconds. */
  chance(seconds: number): number;
}

/** B of cache on an empty drive, from what its kind of cell usually gives. */
const cacheByCell = formula({ name: 'cache', unit: 'B', inputs: { capacity: 'capacity', share: 'share of the capacity' }, of: (m, x) => m.mul(x.capacity, x.share) });
const ofOuter = formula({ name: 'rate', unit: 'B/s', inputs: { outer: 'outer tracks', share: 'share' }, of: (m, x) => m.mul(x.outer, x.share) });
const averageRate = formula({ name: 'average rate', unit: 'B/s', inputs: { bytes: 'bytes', time: 'time' }, of: (m, x) => m.div(x.bytes, x.time) });

/** What a customer moves in one go when nobody knows [memory]. */
const BYTES_UNKNOWN = { range: spread(20e9, 100e9, 500e9), note: 'what people move in one go' };
const FULL = { range: spread(250e9, 1000e9, 4000e9), note: 'capacities on sale' };

/**
 * Forecasts one transfer over a path: time and rate as ranges with their working, the course of the speed, and probabilities.
 * Ranges come from {@link SAMPLES} seeded samples of independent inputs.
 * @throws RangeError when the path is blocked
 */
export function forecastTransfer(path: Path, task: TransferTask, seed: number = SEED): TransferForecast {
  const { drive } = path.parts;
  const writing = task.direction === 'write';
  const bytes = fromFact('bytes', task.bytes, 'B', BYTES_UNKNOWN)!;
  const files = fromFact('files', task.files, 'count', { range: spread(1, bytes.expected / 10e6, bytes.expected / 0.5e6), note: 'from one large file to files of half a megabyte' })!;
  const other =
    task.otherEnd === 'memory'
      ? given('other end: memory', 50e9, 'B/s', { kind: 'practice', note: 'memory is no limit here' })
      : otherEnd(path, task.direction);
  const links = explainFlow(path, task.direction, 'links');
  const carries = task.requests ? atDepth(links, path.parts, path.outer.mode?.family === 'usb', task.requests) : links;
  const fast = drive.media === 'disk' ? onDisk(drive, task.direction) : path.constraints.find((c) => c.id === 'media')!.explain(task.direction);
  const perFile = given('cost of a file beside its bytes', task.otherEnd === 'memory' ? 0 : PER_FILE[drive.media], 's', { kind: 'practice', note: `file system, bridge and host, ${drive.media === 'disk' ? 'disks' : 'solid state'}` });
  const name = `time to ${writing ? 'write' : 'read'}`;
  const steady = { bytes, files, other, carries, fast, perFile };
  const note = `Ranges from ${SAMPLES.toLocaleString('en-GB')} samples, seed ${seed}: independent inputs, drawn evenly from their distributions.`;
  const cached = writing && !(drive.media === 'disk' && drive.recording !== 'SMR' && drive.cache.value === null) ? { ...steady, rest: restRate(drive), cache: cacheSize(drive) } : null;
  const time = cached ? transferTime.explain(cached, { name, note, seed }) : steadyTime.explain(steady, { name, note, seed });
  const times = cached ? transferTime.samples(cached, seed) : steadyTime.samples(steady, seed);
  const numbers: Record<keyof TransferNumbers, Spread> = cached ?? { ...steady, rest: fast, cache: exactly(Infinity) };
  const expected = map(numbers, (s) => s.expected);
  return {
    time,
    rate: averageRateOf(bytes, time, times, seed),
    phases: phases(expected),
    profile: () => profile(numbers, expected.bytes, seed),
    numbers,
    chance: (seconds) => times.reduce((count, t) => count + (t <= seconds ? 1 : 0), 0) / times.length,
  };
}

/** Bytes over time; bytes and time hang together, so sample by sample. */
function averageRateOf(bytes: Estimate, time: Estimate, times: Float64Array, seed: number): Estimate {
  const order = draws('bytes', SAMPLES, seed);
  const rates = summary(times.map((t, i) => (bytes.low === bytes.high ? bytes.expected : quantile(bytes, order[i]!)) / t));
  const words = averageRate.explain({ bytes, time }).because;
  return worked('average rate', rates, 'B/s', { ...words, how: time.because.how });
}

const cellWords = (drive: Drive) => (drive.cell ? `${drive.cell} drives` : 'drives of any cell type');

/** What stands at the other end, the link it hangs on with it. */
function otherEnd(path: Path, direction: Direction): Estimate {
  const ends = path.constraints.filter((c) => c.id === 'far' || c.id === 'other').map((c) => c.explain(direction));
  if (ends.length === 1) return ends[0]!;
  return worked('other end', least(ends), 'B/s', { how: 'exact', formula: `least of (${ends.map((e) => e.because.name).join('; ')})`, inputs: ends });
}

/** A disk's rate wherever on it the data lands: its figures are those of the outer tracks. */
function onDisk(drive: Drive, direction: Direction, recording: 'CMR' | 'SMR' = 'CMR'): Estimate {
  const doing = direction === 'read' ? 'reading' : 'writing';
  const note = recording === 'SMR' ? 'shingled, media cache full' : 'wherever on the disk it lands';
  return ofOuter.explain({ outer: rateOf(`${drive.model}, ${doing}`, drive[direction], DISK), share: given('share of the outer tracks’ rate', DISK_SHARE[recording], 'ratio', { kind: 'practice', note }) }, { name: `${drive.model}, ${doing} ${note}` });
}

function restRate(drive: Drive): Estimate {
  const name = `${drive.model}, writing after the cache`;
  if (drive.rest.value === null && drive.media === 'disk') return onDisk(drive, 'write', drive.recording);
  return rateOf(name, drive.rest, REST[drive.cell ?? 'unknown'][interfaceOf(drive)], `${cellWords(drive)} on ${interfaceOf(drive) === 'pcie' ? 'PCIe' : 'SATA'}`);
}

function cacheSize(drive: Drive): Estimate {
  const known = fromFact('cache', drive.cache, 'B');
  if (known) return known;
  if (drive.media === 'disk') return given('cache of the disk', DISK_CACHE[drive.recording ?? 'CMR'], 'B', { kind: 'practice', note: drive.recording === 'SMR' ? 'media cache of a shingled disk' : 'none that counts' });
  const share = given('share of the capacity', CACHE_SHARE[drive.cell ?? 'unknown'], 'ratio', { kind: 'unknown', note: `${cellWords(drive)}, from memory` });
  return cacheByCell.explain({ capacity: fromFact('capacity', drive.capacity, 'B', FULL)!, share }, { name: 'cache, not stated' });
}

function map<K extends string, A, B>(record: Record<K, A>, to: (value: A) => B): Record<K, B> {
  return Object.fromEntries(Object.entries(record).map(([key, value]) => [key, to(value as A)])) as Record<K, B>;
}

const POINTS = 61;

/** Band of the speed over the bytes of the expected copy. */
function profile(numbers: Record<keyof TransferNumbers, Spread>, bytes: number, seed: number): ProfilePoint[] {
  const uncertain = (Object.keys(numbers) as (keyof TransferNumbers)[]).filter((key) => numbers[key].low !== numbers[key].high);
  const orders = uncertain.map((key) => draws(key, SAMPLES, seed));
  const columns = Array.from({ length: POINTS }, () => new Float64Array(SAMPLES));
  const drawn = map(numbers, (s) => s.expected);
  for (let i = 0; i < SAMPLES; i++) {
    uncertain.forEach((key, k) => (drawn[key] = quantile(numbers[key], orders[k]![i]!)));
    drawn.bytes = bytes;
    const stretches = phases(drawn);
    columns.forEach((column, k) => (column[i] = rateAt(stretches, (bytes * k) / POINTS)));
  }
  return columns.map((column, k) => ({ bytes: (bytes * k) / (POINTS - 1), ...summary(column) }));
}
