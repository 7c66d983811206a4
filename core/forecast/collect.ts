import { wayOf, type Choice, type Spread } from '../stats';
import { formula, type Market, type Recorder } from '../evidence';
import { assumed, assumedRange, ASSUMPTIONS, marketOf } from '../catalog/assumptions';
import { busyMarket, diskClasses, idleMarket } from '../catalog/classes';
import type { Direction } from '../catalog/links';
import type { Build, Path, Layout } from '../assembly';
import { coolingOf, isExternal, fillBy, type Keeping } from '../models';
import type { Drive } from '../catalog/parts';
import type { Overrides, Situation } from './case';
import { CHOICES, type InputId, type Inputs, type Transfer } from './inputs';
import { hidesItsRecording, linksOf, mediumOf, NO_END, recordings, writingOf } from './medium';
import { builtInChoice, builtInEnd } from './builtin';
import { classesOf } from './flash';
import { MEMORY_RATE, planner } from './plan';
import { together } from './together';

/** A situation as far as a transfer depends on it beside its path; what is absent is not known and widens the range. */
export interface About extends Pick<Situation, 'needs'>, Partial<Pick<Situation, 'overrides'>> {
  build?: Pick<Build, 'accessories'>;
  /** What else is on the device when it begins, where the work says it. */
  held?: readonly Keeping[] | undefined;
}

type Found<T> = Partial<Record<InputId, T>>;

/**
 * Collects what a transfer over a path depends on, each with its source, and what runs beside it.
 * @param besides transfers that go on at the same time on the same drive
 * @throws RangeError when the path is blocked
 */
export function collectTransfer<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  transfer: Transfer,
  about: About,
  besides: readonly Transfer[] = [],
): Inputs<T> {
  const one = (of: Transfer, bothWays: boolean, overrides: Overrides) =>
    withReplaced(record, collectOne(record, path, of, about, bothWays), overrides);
  const { overrides = {} } = about;
  if (besides.length === 0) return one(transfer, false, overrides);
  // Both directions of the drive may be in use.
  const all = [one(transfer, true, overrides), ...besides.map((other) => one(other, true, {}))];
  const joined = together(record, all, (name) => `${name}, of what runs beside it`);
  return {
    inputs: joined.inputs as Inputs<T>['inputs'],
    choices: joined.choices,
    drawKeys: joined.drawKeys,
    own: all[0]!.own,
    beyond: all[0]!.beyond,
    plan: (x, chosen) => {
      const flows = all.map((inputs, i) => inputs.plan(joined.of(x, i), chosen));
      const [first] = flows[0]!;
      const drive = [first!.from, first!.to].find((side) => side.store.role === 'drive')!;
      const onDrive = (side: typeof drive) =>
        side.store.role === 'drive'
          ? { ...side, store: drive.store, ...(drive.wire ? { wire: drive.wire } : {}) }
          : side;
      return flows.flatMap((list, i) => {
        if (i === 0) return list;
        const before = flows.slice(0, i).flat().length;
        return list.map((flow) => ({
          ...flow,
          from: onDrive(flow.from),
          to: onDrive(flow.to),
          ...(flow.after === undefined ? {} : { after: flow.after + before }),
        }));
      });
    },
  };
}

/** Figures with some of them replaced. */
export function overridden<T extends Spread, F extends Readonly<Record<string, T>> | object>(
  record: Recorder<T>,
  found: F,
  overrides: Overrides,
): F {
  const ids = Object.keys(overrides).filter((id) => id in found) as InputId[];
  if (ids.length === 0) return found;
  const replaced: Found<T> = {};
  for (const id of ids)
    replaced[id] = record.either(
      () => overrides[id]!,
      () => overrides[id]!,
    );
  return { ...found, ...replaced };
}

/** Inputs with some of them replaced: what a choice would say of them does not count either. */
function withReplaced<T extends Spread>(
  record: Recorder<T>,
  collected: Inputs<T>,
  overrides: Overrides,
): Inputs<T> {
  const inputs = overridden(record, collected.inputs, overrides);
  if (inputs === collected.inputs) return collected;
  const without = <V>(inputs: Readonly<Record<string, V>>) =>
    Object.fromEntries(Object.entries(inputs).filter(([id]) => !(id in overrides)));
  return {
    ...collected,
    inputs,
    choices: collected.choices?.map((choice) => ({
      ...choice,
      ways: choice.ways.map((way) =>
        wayOf(way.id, way.weight ?? 1, () => without(way.inputs as Record<string, Spread>)),
      ),
    })),
  };
}

function collectOne<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  transfer: Transfer,
  about: About,
  bothWays: boolean,
): Inputs<T> {
  const { drive, array } = path.parts;
  const { direction, otherEnd, requests, verify } = transfer;
  const { needs, held } = about;
  const writing = direction === 'write';
  const back = bothWays || otherEnd === 'itself' || verify === true;
  const writes = bothWays || writing || otherEnd === 'itself';
  const disk = drive.media === 'disk';
  const medium = mediumOf(record, path, array);
  const found: Found<T> = {};

  workOf(record, found, transfer, path);
  found.links = linksOf(record, path, direction, array, requests);
  if (back) found.back = linksOf(record, path, writing ? 'read' : 'write', array, requests);
  if (!writing || back) found.read = medium.rate('read');
  if (writes) {
    found.write = medium.rate('write');
    found.fill =
      held && needs.fill === undefined
        ? fillBy(record, held, medium.capacity())
        : record.fact('fill of the drive', needs.fill, '%', marketOf(record, 'fill'));
    cacheOf(record, found, path, transfer, array);
  }
  found.capacity = medium.capacity();
  if (disk) {
    found.fill ??= assumed(record, 'position');
    found.inner =
      record.known(ASSUMPTIONS['disk.inner'].name, drive.innermost, 'ratio') ?? assumed(record, 'disk.inner');
    found.seek = assumed(record, 'disk.switch');
  }
  if (transfer.sequentialSources) turnsOf(record, found, transfer);
  else if (otherEnd === 'storage') otherOf(record, found, path, direction);
  else if (otherEnd === 'memory')
    found.other = record.given('other end: memory', MEMORY_RATE, 'B/s', {
      kind: 'practice',
      note: 'memory is no limit here',
    });
  if (otherEnd === 'storage' && !requests) bufferOf(record, found, path, writing);
  if (!disk) heatOf(record, found, path, about, direction);

  return {
    inputs: found as Inputs<T>['inputs'],
    drawKeys: drawKeysOf(found, path, transfer),
    choices: [
      ...choicesOf(record, path, found, transfer, array),
      ...endChoices(record, path, found, transfer),
    ],
    own: verify ? 2 : 1,
    beyond: assumedRange('model.beyond', record.shopRanges),
    plan: planner(transfer, path),
  };
}

/** What is moved, and what each file costs. */
function workOf<T extends Spread>(
  record: Recorder<T>,
  found: Found<T>,
  { bytes, files, direction, streams }: Transfer,
  path: Path,
): void {
  const { drive, host } = path.parts;
  found.bytes = record.fact('bytes', bytes, 'B', marketOf(record, 'work.bytes'));
  const { expected } = found.bytes;
  const size = assumedRange('work.file-size', record.shopRanges);
  const count = (each: number) => Math.max(1, expected / each);
  found.files = record.fact('files', files, 'count', {
    range: { low: count(size.high), expected: count(size.expected), high: count(size.low) },
    note: ASSUMPTIONS['work.file-size'].on!,
  });
  const perFile =
    drive.media === 'disk' ? 'per-file.disk' : isExternal(path.parts) ? 'per-file.cable' : 'per-file.flash';
  const { name } = ASSUMPTIONS[perFile];
  const timed = host.perFile?.[drive.media]?.[direction];
  // A stream comes at a pace of its own.
  if (streams === undefined) found.perByte = assumed(record, 'per-byte');
  // Also with memory at the other end: it is the drive that makes and finds them.
  found.perFile = record.known(name, timed, 's') ?? assumed(record, perFile);
}

/** A disk nobody knows the recording of, as the way that has a sustained rate of its own: the other way has no end to its cache. */
const asShingled = (drive: Drive): Drive =>
  hidesItsRecording(drive) ? { ...drive, recording: 'SMR' } : drive;

/** The drive's cache and what comes after it. */
function cacheOf<T extends Spread>(
  record: Recorder<T>,
  found: Found<T>,
  path: Path,
  transfer: Transfer,
  array: Layout | undefined,
): void {
  const { drive } = path.parts;
  const disk = drive.media === 'disk';
  const hides = hidesItsRecording(drive);
  if (!disk || drive.recording === 'SMR' || drive.cache.value !== null || hides) {
    const medium = mediumOf(record, path, array, { drive: asShingled(drive) });
    found.rest = medium.sustained(writingOf(transfer, found.bytes!));
    found.cache = medium.cache();
    found.refill = assumed(record, disk ? 'refill.disk' : 'refill.flash');
  }
  if (!disk) found.stays = mediumOf(record, path, array).stays();
}

/** What stands at the other end, the link it hangs on with it; a built-in drive that is written to has a cache of its own. */
function otherOf<T extends Spread>(
  record: Recorder<T>,
  found: Found<T>,
  path: Path,
  direction: Direction,
): void {
  const ends = path.constraints
    .filter((c) => c.id === 'far' || c.id === 'other')
    .map((c) => ({
      name: c.name,
      figure: record.either(
        () => c.rate[direction],
        () => c.explain(direction),
      ),
    }));
  found.other = ends.length === 1 ? ends[0]!.figure : record.least('other end', ends, 'B/s');
  if (path.parts.endpoint) return;
  Object.assign(found, builtInEnd(record, path.parts.host, found.other, direction === 'read'));
}

/** Each of several at the other end, with what its bytes have to pass on the way to it. */
function turnsOf<T extends Spread>(
  record: Recorder<T>,
  found: Found<T>,
  { direction, sequentialSources = [] }: Transfer,
): void {
  for (const [i, { path, bytes }] of sequentialSources.entries()) {
    const one: Found<T> = {};
    otherOf(record, one, path, direction);
    const { other, otherRest, otherCache } = one as { other: T; otherRest?: T; otherCache?: T };
    const { endpoint, host } = path.parts;
    const name = endpoint?.name ?? host.storage.name;
    const part = record.fact(`bytes of ${name}`, bytes, 'B', marketOf(record, 'work.bytes'));
    // What goes on past its cache goes at its sustained rate: counted for all of it.
    const past = otherRest && otherCache && part.expected > otherCache.expected;
    const ends = [
      { name, figure: past ? otherRest : other },
      { name: 'links', figure: linksOf(record, path, direction, undefined) },
    ];
    found[`other ${i}`] = record.least(name, ends, 'B/s');
    found[`part ${i}`] = part;
  }
}

/** Memory of the host that takes the first bytes: by its system, and whether what is written hangs on a cable. */
function bufferOf<T extends Spread>(
  record: Recorder<T>,
  found: Found<T>,
  path: Path,
  writing: boolean,
): void {
  const { host, endpoint } = path.parts;
  const outside = writing ? isExternal(path.parts) : endpoint !== undefined;
  const family = host.systems?.[0]?.family ?? 'unknown';
  const share = assumed(record, `write-back.${family}.${outside ? 'outside' : 'inside'}`);
  const memory = record.fact('memory of the host', host.memory, 'B', marketOf(record, 'memory-size'));
  found.buffer = record.of(writeBack, { memory, share });
  found.memory = assumed(record, 'memory-rate');
}
const writeBack = formula({
  name: 'host’s memory that takes writes',
  unit: 'B',
  inputs: { memory: 'memory of the host', share: 'share' },
  of: (m, x) => m.mul(x.memory, x.share),
});

/** How a flash drive warms up and slows itself down. */
function heatOf<T extends Spread>(
  record: Recorder<T>,
  found: Found<T>,
  { parts: { drive, bridge, array } }: Path,
  { needs, build }: About,
  direction: Direction,
): void {
  const accessories = build?.accessories;
  const how = coolingOf({ drive, bridge, accessories });
  const each = array && array.members > 1 ? ', each member' : '';
  const sheet = { kind: 'sheet' } as const;
  const watts = (name: string, stated: number | undefined, usual: Market) =>
    stated === undefined
      ? record.given(`${name}${each}`, usual.range, 'W', { kind: 'memory', note: usual.note })
      : record.given(`${name}${each}`, stated, 'W', sheet);
  found.air =
    needs.ambient === undefined
      ? assumed(record, 'ambient')
      : record.given('ambient temperature', needs.ambient, '°C', { kind: 'entered' });
  found.resistance = assumed(record, `resistance.${how}`);
  found.heatCapacity = assumed(record, `heat-capacity.${how}`);
  found.idle = watts('power doing nothing', drive.power?.idle, idleMarket(drive, record.shopRanges));
  const stated = drive.power?.[direction] ?? drive.power?.write;
  found.busy = watts('power fully busy', stated, busyMarket(drive, record.shopRanges));
  const { throttling } = drive;
  const { at, until, share, kind } = throttling ?? {};
  const way = kind === 'step' ? 'in steps' : 'holding its temperature';
  const of = (
    id: 'throttle.at' | 'throttle.cooler' | 'throttle.share' | 'throttle.floor',
    value: number | undefined,
  ) =>
    value === undefined
      ? assumed(record, id)
      : record.given(ASSUMPTIONS[id].name, value, ASSUMPTIONS[id].unit, { ...sheet, note: way });
  found.hot = of('throttle.at', at);
  found.cooler = of(
    'throttle.cooler',
    until === undefined || at === undefined ? undefined : Math.max(0.5, at - until),
  );
  found.low = of('throttle.share', kind === 'step' ? share : undefined);
  found.floor = of('throttle.floor', kind === 'hold' ? share : undefined);
}

/** Which class the built-in drive at the other end is of. */
function endChoices<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  { other }: Found<T>,
  { direction, otherEnd, sequentialSources }: Transfer,
): Choice<InputId>[] {
  const { host, endpoint } = path.parts;
  if (otherEnd !== 'storage' || sequentialSources || endpoint || !other) return [];
  const isWritten = direction === 'read';
  const isKnown = host.storage[isWritten ? 'write' : 'read'].value !== null;
  const found = builtInChoice(record, host, other, isKnown, isWritten);
  return found ? [found] : [];
}

/** What a drive is one way or another, nobody knows which. */
function choicesOf<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  known: Found<T>,
  transfer: Transfer,
  array: Layout | undefined,
): Choice<InputId>[] {
  const { drive } = path.parts;
  const writing = known.write !== undefined;
  const found: Choice<InputId>[] = [];
  const either = (id: string, ...ways: string[]) =>
    found.push({ id, ways: ways.map((way) => ({ id: way, inputs: {} })) });
  if (drive.media === 'disk') {
    either(CHOICES.zones, 'linear', 'constant density');
    if (writing && hidesItsRecording(drive))
      found.push({
        id: CHOICES.recording,
        ways: recordings(drive).map((recording) => ({
          id: recording,
          inputs: {
            cache:
              recording === 'CMR'
                ? NO_END
                : mediumOf(record, path, array, { drive: { ...drive, recording } }).cache(),
          },
        })),
      });
  } else if (!drive.throttling) either(CHOICES.throttle, 'hold', 'step');
  found.push(...classChoice(record, path, known, transfer, array));
  // Each revision with all of its own figures.
  if (writing && drive.revision === undefined && (drive.revisions?.length ?? 0) > 1)
    found.push({
      id: CHOICES.revision,
      ways: drive.revisions!.map((revision) => {
        const medium = mediumOf(record, path, array, { drive: { ...drive, ...revision, id: drive.id } });
        return {
          id: revision.name,
          inputs: { write: medium.rate('write'), rest: medium.sustained(), cache: medium.cache() },
        };
      }),
    });
  return found;
}

/** Which class a drive is of: with each way all that nobody states of it. */
function classChoice<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  known: Found<T>,
  transfer: Transfer,
  array: Layout | undefined,
): Choice<InputId>[] {
  const { drive } = path.parts;
  const rates = (['read', 'write'] as const).filter((d) => known[d] && drive[d].value === null);
  if (drive.media === 'disk') {
    const classes = diskClasses(drive, record.shopRanges);
    if (classes.length < 2 || rates.length === 0) return [];
    const ways = classes.map(({ id, weight }) =>
      wayOf<InputId>(id, weight, () => {
        const medium = mediumOf(record, path, array, { drive: asShingled(drive), disk: id });
        const inputs: Found<T> = Object.fromEntries(rates.map((d) => [d, medium.rate(d)]));
        if (known.rest && drive.rest.value === null)
          inputs.rest = medium.sustained(writingOf(transfer, known.bytes!));
        return inputs;
      }),
    );
    return [{ id: CHOICES.class, ways }];
  }
  if (!known.write) return [];
  const classes = classesOf(record, drive);
  if (classes.length < 2) return [];
  const ways = classes.map((flash) =>
    wayOf<InputId>(flash.id, flash.weight, () => {
      const medium = mediumOf(record, path, array, { flash });
      const inputs: Found<T> = { stays: medium.stays() };
      if (drive.rest.value === null) inputs.rest = medium.sustained();
      if (drive.cache.value === null) inputs.cache = medium.cache();
      return inputs;
    }),
  );
  return [{ id: CHOICES.class, ways }];
}

/** What belongs to the work, and what to the drive itself; the rest to links, host and case. */
const THE_WORKS: ReadonlySet<InputId> = new Set<InputId>(['bytes', 'files']);
const THE_DRIVES: ReadonlySet<InputId> = new Set<InputId>([
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
const THE_LINKS: ReadonlySet<InputId> = new Set<InputId>(['links', 'back']);
const THE_OTHERS: ReadonlySet<InputId> = new Set<InputId>(['other', 'otherRest', 'otherCache']);

/** What each input belongs to. */
function drawKeysOf(
  found: Found<unknown>,
  path: Path,
  { direction, otherEnd, sequentialSources }: Transfer,
): Record<string, string> {
  const { drive, host, endpoint, bridge } = path.parts;
  const end = otherEnd === 'storage' ? (endpoint?.id ?? 'built-in') : otherEnd;
  const links = path.constraints
    .filter((c) => c.id !== 'media' && c.id !== 'far' && c.id !== 'other')
    .map((c) => c.link?.mode?.id ?? (c.id === 'bridge' ? bridge!.id : c.id));
  const inTurn = new Map<string, Path>((sequentialSources ?? []).map((turn, i) => [`other ${i}`, turn.path]));
  const thing = (id: InputId): string => {
    if (THE_WORKS.has(id) || id.startsWith('part ')) return 'work';
    if (THE_DRIVES.has(id)) return `drive ${drive.id}`;
    const opposite = direction === 'read' ? 'write' : 'read';
    if (THE_LINKS.has(id)) return `links ${id === 'links' ? direction : opposite} ${links.join(' ')}`;
    const turn = inTurn.get(id);
    if (turn) return `${host.id} ${turn.parts.endpoint?.id ?? 'built-in'} ${direction}`;
    if (id === 'perFile') return `${host.id} ${drive.media} ${direction}`;
    if (id === 'perByte') return host.id;
    if (THE_OTHERS.has(id)) return `${host.id} ${end} ${direction}`;
    return 'case';
  };
  return Object.fromEntries(Object.keys(found).map((id) => [id, thing(id as InputId)]));
}

/** Names draws so that over several builds the same thing (a link, the files, a drive) is drawn alike and different things are drawn apart. */
export const namedByThing =
  ({ drawKeys }: Pick<Inputs, 'drawKeys'>, drive: string) =>
  (id: string): string =>
    `${id} of ${drawKeys[id] ?? `drive ${drive}`}`;
