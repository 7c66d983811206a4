import { exactly, least, spread, type Choice, type Spread, type Uncertain } from '../stats';
import {
  dataMembers,
  membersTogether,
  STACK_COST,
  streamMembers,
  throughArray,
  type Layout,
} from '../models/arrays';
import { formula, fromFact, given, middle, worked, type Estimate, type Fact } from '../evidence';
import { AMBIENT, coolingOf, drawOf, HEAT_CAPACITY, isExternal, RESISTANCE, THROTTLE } from '../models/thermal';
import type { Direction } from '../catalog/links';
import { formFactor, type Accessory, type Drive } from '../catalog/parts';
import { atDepth, explainFlow, interfaceOf, rateOf, type Path, type Requests } from '../build/path';
import { together } from './together';
import {
  CACHE_SHARE,
  CACHE_STAYS,
  DISK,
  DISK_CACHE,
  DISK_REFILL,
  FILL,
  INNER,
  LONG_FILE,
  MEMORY,
  MEMORY_RATE,
  ONE_BIT,
  OTHER_REST,
  PER_FILE,
  REFILL,
  REST,
  SHINGLED,
  SWITCH,
  WRITE_BACK,
  type Flow,
  type Heat,
  type Store,
  type Wire,
} from '../models/transfer';

/** What surrounds a transfer; what is absent is not known and widens the range. */
export interface Surroundings {
  /** Share of the drive in use before, 0 to 1. */
  fill?: Fact | undefined;
  /** Air around it, °C. */
  ambient?: number | undefined;
  accessories?: readonly Accessory[] | undefined;
  array?: Layout | undefined;
}

/** A transfer to forecast: an activity's, or a run's own. */
export interface TransferTask {
  direction: Direction;
  bytes: Fact;
  files: Fact;
  /** What stands at the other end: storage, memory, or the same drive. */
  otherEnd: 'storage' | 'memory' | 'itself';
  /** Size of a request in B and how many are under way at once; null where a system's copy keeps the path full. */
  requests?: Requests | null;
  /** All is read back afterwards. */
  verify?: boolean | undefined;
  surroundings?: Surroundings | undefined;
  /** So many streams side by side. */
  streams?: number | undefined;
  /** What else runs at the same time on the same drive. */
  besides?: readonly TransferTask[] | undefined;
}

/** Everything a transfer depends on, in B, B/s, s, °C, W; what does not apply is left out. */
export type InputName =
  | 'bytes'
  | 'files'
  | 'perFile'
  | 'links'
  | 'back'
  | 'other'
  | 'otherRest'
  | 'otherCache'
  | 'buffer'
  | 'memory'
  | 'read'
  | 'write'
  | 'rest'
  | 'cache'
  | 'stays'
  | 'capacity'
  | 'fill'
  | 'refill'
  | 'inner'
  | 'law'
  | 'seek'
  | 'air'
  | 'resistance'
  | 'heatCapacity'
  | 'idle'
  | 'busy'
  | 'hot'
  | 'cooler'
  | 'low'
  | 'floor'
  | 'steps';
export type Numbers = Partial<Record<InputName, number>>;

export interface Inputs extends Uncertain<string> {
  inputs: Record<string, Estimate> & Record<'bytes' | 'files' | 'perFile', Estimate>;
  /** The flows these numbers stand for: the transfer's own first, then what runs beside it. */
  plan(x: Record<string, number>): Flow[];
  /** How many of the flows are the transfer's own. */
  own: number;
}

const cacheByCell = formula({
  name: 'cache',
  unit: 'B',
  inputs: { capacity: 'capacity', share: 'share of the capacity' },
  of: (m, x) => m.mul(x.capacity, x.share),
});
/** What a flash cache takes at some fill: a part stays, the rest shrinks with the free cells; never more than those hold in one-bit mode. */
export const cacheAt = formula({
  name: 'cache at this fill',
  unit: 'B',
  inputs: {
    cache: 'cache of the empty drive',
    stays: 'share that stays',
    fill: 'fill',
    free: 'free cells in one-bit mode',
  },
  of: (m, x) =>
    m.min(
      m.add(
        m.mul(x.cache, x.stays),
        m.mul(m.mul(x.cache, m.sub(m.num(1), x.stays)), m.sub(m.num(1), x.fill)),
      ),
      x.free,
    ),
});

/** What a customer moves in one go when nobody knows [memory]. */
export const BYTES_UNKNOWN = { range: spread(20e9, 100e9, 500e9), note: 'what people move in one go' };
const FULL = { range: spread(250e9, 1000e9, 4000e9), note: 'capacities on sale' };
/** How many files when nobody counted [memory]: from one large one to files of half a megabyte. */
const filesUnknown = (bytes: Estimate) => ({
  range: spread(1, Math.max(1, bytes.expected / 10e6), Math.max(1, bytes.expected / 0.5e6)),
  note: 'from one large file to files of half a megabyte',
});

const cellWords = (drive: Drive) => (drive.cell ? `${drive.cell} drives` : 'drives of any cell type');
const practice = (name: string, range: Spread, unit: Estimate['unit'], note?: string) =>
  given(name, range, unit, { kind: 'practice', ...(note ? { note } : {}) });
const memory = (name: string, range: Spread, unit: Estimate['unit'], note?: string) =>
  given(name, range, unit, { kind: 'memory', ...(note ? { note } : {}) });
const unknown = (name: string, range: Spread, unit: Estimate['unit'], note: string) =>
  given(name, range, unit, { kind: 'unknown', note });

/** What belongs to the drive itself: another drive has its own, whatever the figures say. */
const THE_DRIVES: ReadonlySet<string> = new Set<InputName>([
  'read',
  'write',
  'rest',
  'cache',
  'stays',
  'capacity',
  'refill',
  'inner',
  'seek',
  'idle',
  'busy',
  'hot',
  'cooler',
  'low',
  'floor',
]);

/** Names draws so that over several builds the same thing (a link, the files, a drive) is drawn alike and different things are drawn apart. */
export const namedByThing =
  ({ inputs }: Inputs, drive: string) =>
  (key: string): string =>
    THE_DRIVES.has(key) || !inputs[key] ? `${key} of ${drive}` : `${key}: ${inputs[key]!.because.name}`;

/** Collects what a transfer over a path depends on, each with its source, and what runs beside it. @throws RangeError when the path is blocked */
export function inputsOf(path: Path, task: TransferTask): Inputs {
  const { besides = [] } = task;
  if (besides.length === 0) return inputsOfOne(path, task);
  // Both directions of the drive may be in use.
  const tasks = [task, ...besides].map((t) => inputsOfOne(path, { ...t, besides: [{} as TransferTask] }));
  const all = together(tasks, (name) => `${name}, of what runs beside it`);
  return {
    inputs: all.inputs as Inputs['inputs'],
    choices: all.choices,
    own: tasks[0]!.own,
    plan: (x) => {
      const flows = tasks.map((t, i) => t.plan(all.of(x, i)));
      const [first] = flows[0]!;
      const drive = [first!.from, first!.to].find((side) => side.store.role === 'drive')!;
      const at = (f: Flow['from']) =>
        f.store.role === 'drive'
          ? { ...f, store: drive.store, ...(drive.wire ? { wire: drive.wire } : {}) }
          : f;
      return flows.flatMap((list, i) =>
        i === 0
          ? list
          : list.map((f) => ({
              ...f,
              from: at(f.from),
              to: at(f.to),
              ...(f.after === undefined ? {} : { after: f.after + flows.slice(0, i).flat().length }),
            })),
      );
    },
  };
}

function inputsOfOne(path: Path, task: TransferTask): Inputs {
  const all = (task.besides?.length ?? 0) > 0;
  const { drive } = path.parts;
  const { direction, surroundings = {}, otherEnd, requests } = task;
  const writing = direction === 'write';
  const disk = drive.media === 'disk';
  const { array } = surroundings;
  const found: Partial<Record<InputName, Estimate>> = {};

  const bytes = (found.bytes = fromFact('bytes', task.bytes, 'B', BYTES_UNKNOWN)!);
  found.files = fromFact('files', task.files, 'count', filesUnknown(bytes))!;
  found.perFile = practice(
    'cost of a file beside its bytes',
    otherEnd === 'memory' ? exactly(0) : PER_FILE[drive.media],
    's',
    `file system, bridge and host, ${disk ? 'disks' : 'solid state'}`,
  );

  found.links = linksOf(path, direction, array, requests);
  if (otherEnd === 'itself' || task.verify || all)
    found.back = linksOf(path, writing ? 'read' : 'write', array, requests);
  const both = otherEnd === 'itself' || task.verify || all;
  if (!writing || both) found.read = mediaOf(path, 'read', array);
  if (writing || otherEnd === 'itself' || all) {
    found.write = mediaOf(path, 'write', array);
    found.fill = fromFact('fill of the drive', surroundings.fill, 'ratio', {
      range: FILL,
      note: 'drives in use',
    })!;
    if (!disk || drive.recording === 'SMR' || drive.cache.value !== null || hidesItsRecording(drive)) {
      const shingled = hidesItsRecording(drive) ? { ...drive, recording: 'SMR' as const } : drive;
      found.rest = scaled(restOf(shingled, writingOf(task, bytes)), array, 'write');
      found.cache = timesData(cacheOf(shingled), array);
      found.refill = memory('cache cleared while idle', disk ? DISK_REFILL : REFILL, 'B/s');
    }
    if (!disk)
      found.stays = memory('share of the cache that stays when the drive fills', CACHE_STAYS, 'ratio');
  }
  const capacity = fromFact('capacity', drive.capacity, 'B', FULL)!;
  found.capacity = array ? timesData(capacity, array) : capacity;
  if (disk) {
    found.fill ??= unknown(
      'position on the disk',
      spread(0.03, 0.35, 0.8),
      'ratio',
      'data lies from the outer tracks on to where the disk is full',
    );
    found.inner = practice('innermost tracks as a share of the outermost', INNER, 'ratio');
    found.seek = practice('a switch between streams', SWITCH, 's', 'seek and half a turn');
  }
  if (otherEnd === 'storage') otherOf(found, path, direction);
  else if (otherEnd === 'memory')
    found.other = practice('other end: memory', exactly(50e9), 'B/s', 'memory is no limit here');
  if (otherEnd === 'storage' && !requests) bufferOf(found, path, writing);
  if (!disk) heatOf(found, drive, path, surroundings, direction);

  return {
    inputs: found as Inputs['inputs'],
    choices: choicesOf(path, writing, array),
    own: task.verify ? 2 : 1,
    plan: planner(task, path),
  };
}

/** Of a disk nobody knows the recording of: out of so many of its size, first the most frequent [memory]. */
function recordings({ form, capacity }: Drive): readonly ('CMR' | 'SMR')[] {
  if (formFactor(form) === '2.5-inch') return ['SMR', 'SMR', 'SMR', 'CMR'];
  return (middle(capacity) ?? 0) > 8.5e12 ? ['CMR', 'CMR', 'CMR', 'SMR'] : ['CMR', 'SMR'];
}
/** More than anybody writes, B: a cache that does not end. */
const NO_END = exactly(1e18);

/** What a drive is one way or another, nobody knows which. */
function choicesOf(path: Path, writing: boolean, array: Layout | undefined): Choice<InputName>[] {
  const { drive } = path.parts;
  const found: Choice<InputName>[] = [];
  if (drive.media === 'disk') {
    found.push({
      name: 'law of its zones',
      ways: [
        { is: 'falling in a line', inputs: { law: exactly(0) } },
        { is: 'constant density', inputs: { law: exactly(1) } },
      ],
    });
    if (writing && hidesItsRecording(drive))
      found.push({
        name: 'how it records',
        ways: recordings(drive).map((is) => ({
          is,
          inputs: { cache: is === 'CMR' ? NO_END : timesData(cacheOf({ ...drive, recording: is }), array) },
        })),
      });
  } else if (!drive.throttling)
    found.push({
      name: 'how it throttles',
      ways: [
        { is: 'holds its temperature', inputs: { steps: exactly(0) } },
        { is: 'in steps', inputs: { steps: exactly(1) } },
      ],
    });
  // Each revision with all of its own figures.
  if (writing && drive.revision === undefined && (drive.revisions?.length ?? 0) > 1)
    found.push({
      name: 'which revision',
      ways: drive.revisions!.map((r) => ({
        is: r.name,
        inputs: revised(path, { ...drive, ...r, id: drive.id } as Drive, array),
      })),
    });
  return found;
}

/** A disk that may be shingled. */
const hidesItsRecording = ({ media, recording, cache, rest }: Drive): boolean =>
  media === 'disk' && recording === undefined && cache.value === null && rest.value === null;

function revised(path: Path, drive: Drive, array: Layout | undefined): Partial<Record<InputName, Spread>> {
  return {
    write: mediaOf({ ...path, parts: { ...path.parts, drive } }, 'write', array),
    rest: scaled(restOf(drive), array, 'write'),
    cache: timesData(cacheOf(drive), array),
  };
}

/** What the links carry: of several bays put together, what they share, through the array's own layer. */
function linksOf(
  path: Path,
  direction: Direction,
  array: Layout | undefined,
  requests: Requests | null | undefined,
): Estimate {
  const links =
    array && path.constraints.some((c) => c.id !== 'inner' && c.id !== 'media')
      ? explainFlow(path, direction, 'beyond bays')
      : explainFlow(path, direction, 'links');
  const deep = requests ? atDepth(links, path.parts, path.outer.mode?.family === 'usb', requests) : links;
  if (!array || array.mode === 'single') return deep;
  return throughArray.explain(
    {
      links: deep,
      cost: practice(
        'cost of a byte in the array’s layer',
        STACK_COST[array.by],
        's',
        array.by === 'firmware' ? 'made by firmware' : 'made by the system',
      ),
    },
    { ...(deep.ceiling === undefined ? {} : { ceiling: deep.ceiling }) },
  );
}

/** The medium's own rate; of an array, its members' together, each held to its bay. */
function mediaOf(path: Path, direction: Direction, array: Layout | undefined): Estimate {
  const { drive } = path.parts;
  const stated = rateOf(
    `${drive.model}, ${direction === 'read' ? 'reading' : 'writing'}`,
    drive[direction],
    drive.media === 'disk' ? DISK : (path.constraints.find((c) => c.id === 'media')?.rate[direction] ?? DISK),
  );
  const bay = array ? path.constraints.find((c) => c.id === 'inner') : undefined;
  const one = bay
    ? worked(`${drive.model} in its bay`, least([stated, bay.rate[direction]]), 'B/s', {
        how: 'exact',
        formula: `least of (drive; ${bay.name})`,
        inputs: [stated, bay.explain(direction)],
      })
    : stated;
  return scaled(one, array, direction);
}

/** What medium and links together give a long stream, whatever stands at the other end. */
export function streamOver(path: Path, direction: Direction, array?: Layout): Estimate {
  const parts = [mediaOf(path, direction, array), linksOf(path, direction, array, null)];
  return worked(`drive and links, ${direction === 'read' ? 'reading' : 'writing'}`, least(parts), 'B/s', {
    how: 'exact',
    formula: `least of (${parts.map((e) => e.because.name).join('; ')})`,
    inputs: parts,
  });
}

function scaled(one: Estimate, array: Layout | undefined, direction: Direction): Estimate {
  if (!array || array.mode === 'single') return one;
  return membersTogether.explain(
    {
      member: one,
      count: practice(
        'members that carry the stream',
        streamMembers(array, direction),
        'count',
        `${array.mode} of ${array.members}`,
      ),
    },
    { name: `${one.because.name}, ${array.mode} of ${array.members}` },
  );
}

function timesData(one: Estimate, array: Layout | undefined): Estimate {
  if (!array || array.mode === 'single') return one;
  return membersTogether.explain(
    {
      member: one,
      count: given('members’ worth of data', dataMembers(array), 'count', {
        kind: 'practice',
        note: `${array.mode} of ${array.members}`,
      }),
    },
    { name: `${one.because.name}, ${array.mode} of ${array.members}` },
  );
}

type Writing = keyof typeof SHINGLED;
/** How a task's writes come to a disk. */
function writingOf({ files, streams = 1 }: TransferTask, bytes: Estimate): Writing {
  const count = middle(files);
  return count === null
    ? 'unknown'
    : streams === 1 && bytes.expected / count >= LONG_FILE
      ? 'long'
      : 'scattered';
}

function restOf(drive: Drive, writes: Writing = 'unknown'): Estimate {
  const name = `${drive.model}, writing after the cache`;
  if (drive.rest.value !== null) return rateOf(name, drive.rest, DISK);
  if (drive.media === 'disk')
    return formulaShare.explain(
      {
        outer: rateOf(`${drive.model}, writing`, drive.write, DISK),
        share: practice(
          'share left when the media cache is full',
          drive.recording === 'SMR' ? SHINGLED[writes] : exactly(1),
          'ratio',
          drive.recording === 'SMR'
            ? `shingled, ${writes === 'long' ? 'long writes' : writes === 'scattered' ? 'many files' : 'files not counted'}`
            : undefined,
        ),
      },
      { name },
    );
  return rateOf(
    name,
    drive.rest,
    REST[drive.cell ?? 'unknown'][interfaceOf(drive)],
    `${cellWords(drive)} on ${interfaceOf(drive) === 'pcie' ? 'PCIe' : 'SATA'}`,
  );
}
const formulaShare = formula({
  name: 'rate',
  unit: 'B/s',
  inputs: { outer: 'outer tracks', share: 'share' },
  of: (m, x) => m.mul(x.outer, x.share),
});

function cacheOf(drive: Drive): Estimate {
  const known = fromFact('cache of the empty drive', drive.cache, 'B');
  if (known) return known;
  if (drive.media === 'disk')
    return practice(
      'media cache of the disk',
      DISK_CACHE[drive.recording ?? 'CMR'],
      'B',
      drive.recording === 'SMR' ? 'shingled' : 'none that counts',
    );
  const share = unknown(
    'share of the capacity',
    CACHE_SHARE[drive.cell ?? 'unknown'],
    'ratio',
    `${cellWords(drive)}, from memory`,
  );
  return cacheByCell.explain(
    { capacity: fromFact('capacity', drive.capacity, 'B', FULL)!, share },
    { name: 'cache of the empty drive, not stated' },
  );
}

/** What stands at the other end, the link it hangs on with it; a built-in drive that is written to has a cache of its own. */
function otherOf(found: Partial<Record<InputName, Estimate>>, path: Path, direction: Direction): void {
  const ends = path.constraints
    .filter((c) => c.id === 'far' || c.id === 'other')
    .map((c) => c.explain(direction));
  found.other =
    ends.length === 1
      ? ends[0]!
      : worked('other end', least(ends), 'B/s', {
          how: 'exact',
          formula: `least of (${ends.map((e) => e.because.name).join('; ')})`,
          inputs: ends,
        });
  if (direction === 'write' || path.parts.endpoint) return;
  const { storage } = path.parts.host;
  const rest = fromFact('other end, after its cache', storage.rest, 'B/s');
  found.otherRest =
    rest ??
    formulaShare.explain(
      {
        outer: found.other,
        share: unknown(
          'rate after its cache as a share',
          OTHER_REST,
          'ratio',
          'built-in drives, from memory',
        ),
      },
      { name: 'other end, after its cache' },
    );
  const cache =
    fromFact('cache of the other end', storage.cache, 'B') ??
    cacheByCell.explain(
      {
        capacity: fromFact('capacity of the other end', storage.capacity, 'B', FULL)!,
        share: unknown(
          'share of the capacity',
          CACHE_SHARE.unknown,
          'ratio',
          'drives of any cell type, from memory',
        ),
      },
      { name: 'cache of the other end' },
    );
  found.otherCache =
    storage.fill === undefined
      ? cache
      : formulaFree.explain(
          { cache, fill: given('fill of the other end', storage.fill, 'ratio', { kind: 'entered' }) },
          { name: 'cache of the other end at its fill' },
        );
}
const formulaFree = formula({
  name: 'cache',
  unit: 'B',
  inputs: { cache: 'cache', fill: 'fill' },
  of: (m, x) => m.mul(x.cache, m.sub(m.num(1), x.fill)),
});

/** Memory of the host that takes the first bytes: by its system, and whether what is written hangs on a cable. */
function bufferOf(found: Partial<Record<InputName, Estimate>>, path: Path, writing: boolean): void {
  const { host, endpoint } = path.parts;
  const family = host.systems?.[0]?.family ?? 'unknown';
  const outside = writing ? isExternal(path.parts) : endpoint !== undefined;
  const share = memory(
    'share of the memory that takes writes',
    WRITE_BACK[family][outside ? 'outside' : 'inside'],
    'ratio',
    `${family === 'own' ? 'a system of its own' : family === 'unknown' ? 'any system' : family}, ${outside ? 'a drive on a cable' : 'a drive inside'}`,
  );
  found.buffer = formulaBuffer.explain({
    memory: fromFact('memory of the host', host.memory, 'B', { range: MEMORY, note: 'hosts in use' })!,
    share,
  });
  found.memory = memory('how fast memory takes bytes', MEMORY_RATE, 'B/s');
}
const formulaBuffer = formula({
  name: 'host’s memory that takes writes',
  unit: 'B',
  inputs: { memory: 'memory of the host', share: 'share' },
  of: (m, x) => m.mul(x.memory, x.share),
});

function heatOf(
  found: Partial<Record<InputName, Estimate>>,
  drive: Drive,
  path: Path,
  { ambient, accessories, array }: Surroundings,
  direction: Direction,
): void {
  const how = coolingOf({ drive, bridge: path.parts.bridge, accessories });
  const { idle, full } = drawOf(drive, direction);
  const stated = drive.power?.[direction] !== undefined || drive.power?.write !== undefined;
  const watts = (name: string, value: number) =>
    given(name, value, 'W', stated ? { kind: 'sheet' } : { kind: 'memory', note: 'usual drives' });
  const each = array && array.members > 1 ? ', each member' : '';
  found.air =
    ambient === undefined
      ? unknown('air around it', AMBIENT, '°C', 'rooms where drives are used')
      : given('air around it', ambient, '°C', { kind: 'entered' });
  found.resistance = memory(`drive to air, ${how}`, RESISTANCE[how], 'ratio', 'K/W');
  found.heatCapacity = memory(`what warms up with it, ${how}`, HEAT_CAPACITY[how], 'ratio', 'J/K');
  found.idle = watts(`power doing nothing${each}`, idle);
  found.busy = watts(`power fully busy${each}`, full);
  const { throttling } = drive;
  found.hot =
    throttling?.at === undefined
      ? unknown('slows itself down at', THROTTLE.at, '°C', 'flash drives, from memory')
      : given('slows itself down at', throttling.at, '°C', {
          kind: 'sheet',
          note: throttling.kind === 'step' ? 'in steps' : 'holding its temperature',
        });
  found.cooler =
    throttling?.until === undefined || throttling.at === undefined
      ? memory('speeds up again so many K below', THROTTLE.cooler, 'ratio')
      : given('speeds up again so many K below', Math.max(0.5, throttling.at - throttling.until), 'ratio', {
          kind: 'sheet',
        });
  const share = throttling?.share;
  found.low =
    share !== undefined && throttling?.kind === 'step'
      ? given('share of its speed in the low step', share, 'ratio', { kind: 'sheet' })
      : memory('share of its speed in the low step', THROTTLE.share, 'ratio');
  found.floor =
    share !== undefined && throttling?.kind === 'hold'
      ? given('least share of its speed', share, 'ratio', { kind: 'sheet' })
      : memory('least share of its speed', THROTTLE.floor, 'ratio');
}

/** Memory, where it is no limit. */
const MEMORY_END: Store = { role: 'other', read: 50e9, write: 50e9, rest: Infinity, cache: Infinity };

/** Makes the flows that bare numbers stand for. */
function planner(task: TransferTask, path: Path): (x: Numbers) => Flow[] {
  const { drive } = path.parts;
  const { direction, otherEnd, streams, verify } = task;
  const writing = direction === 'write';
  const disk = drive.media === 'disk';
  const oneBit = ONE_BIT[drive.cell ?? 'unknown'];
  const halfDuplex = path.outer.mode?.halfDuplex ?? false;
  const inSteps = (x: Numbers) => (drive.throttling ? drive.throttling.kind === 'step' : x.steps === 1);
  return (x) => {
    const air = x.air;
    const heat: Heat | null =
      air === undefined
        ? null
        : {
            air,
            resistance: x.resistance!,
            capacity: x.heatCapacity!,
            idle: x.idle!,
            read: x.busy!,
            write: x.busy!,
            throttle: inSteps(x)
              ? { kind: 'step', at: x.hot!, until: x.hot! - x.cooler!, share: x.low! }
              : { kind: 'hold', at: x.hot!, floor: x.floor! },
          };
    const most =
      x.cache === undefined
        ? Infinity
        : disk
          ? x.cache
          : cacheNow(x.cache, x.stays!, x.fill!, x.capacity! * (1 - x.fill!) * oneBit);
    const inner = x.inner;
    const store: Store = {
      role: 'drive',
      read: x.read ?? x.write!,
      write: x.write ?? x.read!,
      rest: x.rest ?? Infinity,
      cache: most,
      cacheMost: most,
      refill: x.refill ?? 0,
      heat,
      zones:
        inner === undefined
          ? null
          : { law: x.law === 1 ? 'constant density' : 'linear', k: inner, capacity: x.capacity! },
      seek: x.seek ?? 0,
    };
    const back = x.back ?? x.links!;
    const wire: Wire = {
      read: writing ? back : x.links!,
      write: writing ? x.links! : back,
      halfDuplex,
      role: 'links',
    };
    const at = inner === undefined ? 0 : x.fill!;
    const bytes = Math.max(1, x.bytes!);
    const [files, perFile] = [x.files!, x.perFile!];
    const here = { store, wire, at };
    const there = {
      store: {
        role: 'other' as const,
        read: x.other!,
        write: x.other!,
        rest: x.otherRest ?? Infinity,
        cache: x.otherCache ?? Infinity,
      },
    };
    const copy: Flow =
      otherEnd === 'itself'
        ? { bytes, files, perFile, streams, from: { store, wire, at: at / 2 }, to: here, buffer: 0 }
        : {
            bytes,
            files,
            perFile,
            streams,
            from: writing ? there : here,
            to: writing ? here : there,
            buffer: x.buffer ?? 0,
            memory: x.memory,
          };
    // Verifying reads it back into memory, where the sums are compared.
    return verify
      ? [
          copy,
          { bytes, files, perFile, streams, from: copy.to, to: { store: MEMORY_END }, buffer: 0, after: 0 },
        ]
      : [copy];
  };
}

/** {@link cacheAt} in bare numbers, for plans by the thousand; a test holds them together. */
const cacheNow = (cache: number, stays: number, fill: number, free: number): number =>
  Math.min(cache * stays + cache * (1 - stays) * (1 - fill), free);
