import { readFileSync } from 'node:fs';
import { SHOP } from '../../catalog/stock';
import type { Drive } from '../../catalog/parts';
import { demoJobs } from '../../demo';
import { checklist } from '../../fitting';
import { factsOf, fileSystemFor, findings, warmth } from '../../fit';
import { sampled } from '../../fixtures/draws';
import { pathOf, settingOf } from '../../forecast';
import { placesOf, withHost, type Activity, type DeviceNeeds, type Job } from '../../job';
import { DIRECTIONS } from '../../catalog/links';
import { answers, Finalists, type ChosenBuild } from './answer';
import { placed } from './placed';
import { searchAll } from './search';
import { summaryOf } from './summary';
import { wantedFrom } from './wanted';

/*
 * Jobs that nobody built Kymar for (docs/cases), each with what must and what must never be said of it [common practice, no source].
 */
interface Asked {
  id: string;
  says: string;
  serves: string;
  host: string;
  prices?: 'none';
  budget?: number;
  years: number;
  needs: Omit<DeviceNeeds, 'copies'> & { copies?: number; copyHolds?: 'given away' };
  activities: Record<string, number | string | boolean | null>[];
  must: {
    meets?: boolean;
    levels?: string[];
    media?: string[];
    misses?: string[];
    findings?: string[];
    steps?: string[];
    fileSystem?: string;
    words?: string;
    overBudget?: boolean;
  };
  never: {
    levels?: string[];
    meetsLevels?: string[];
    madeBy?: string[];
    media?: string[];
    interfaces?: string[];
    bridges?: string[];
    misses?: string[];
    steps?: string[];
    words?: string;
    /** TB. */
    above?: number;
    rpmAbove?: number;
    supply?: true;
    fan?: true;
    bridge?: true;
    external?: true;
    worn?: true;
    hot?: true;
  };
}
const CASES = JSON.parse(readFileSync('docs/cases/jobs.json', 'utf8')) as Asked[];
const [demo] = demoJobs() as [Job];

const fact = (value: number) => ({ value, source: { kind: 'entered' as const } });
/** An activity as its line in the file says it: sizes in GB, times in s. */
function activityOf(line: Asked['activities'][0], i: number): Activity {
  const number = (key: string, other = 0) => fact(Number(line[key] ?? other));
  const common = {
    id: `a${i}`,
    name: `Work ${i + 1}`,
    perDay: number('perDay', 1),
    target: (line.target as number | null | undefined) ?? null,
    ...(line.from ? { endpoint: line.from as string } : {}),
  };
  const gb = (key: string) => fact(Number(line[key]) * 1e9);
  if ('keep' in line) return { ...common, kind: 'keep', now: gb('keep'), growth: gb('growsDaily') };
  if ('open' in line)
    return {
      ...common,
      kind: 'open',
      bytes: gb('open'),
      dependentReads: number('reads'),
      processing: number('processing'),
    };
  if ('stream' in line)
    return {
      ...common,
      kind: 'stream',
      direction: 'write',
      rate: fact(Number(line.stream) * 1e6),
      streams: Number(line.streams),
      lasts: fact(3600),
      buffer: fact(2),
    };
  if ('scratch' in line)
    return {
      ...common,
      kind: 'scratch',
      operations: number('scratch'),
      span: gb('span'),
      block: 8192,
      reads: Number(line.reads),
      depth: 4,
      synchronous: line.sync === true,
    };
  const direction = 'write' in line ? 'write' : 'read';
  return {
    ...common,
    kind: 'move',
    direction,
    bytes: gb(direction),
    files: number('files', 1),
    ...(line.adds ? { adds: true } : {}),
  };
}

function jobOf({ host, years, budget, needs, activities }: Asked): Job {
  const { copies, copyHolds, ...plain } = needs;
  const { chain: _, budget: _b, ...rest } = demo;
  const [place] = placesOf(demo);
  const bare: Job = { ...rest, forecasts: [], runs: [], activities: activities.map(activityOf) };
  const planned = Array.from({ length: copies ?? 0 }, (_unused, i) => ({
    name: `copy ${i + 1}`,
    medium: 'disk' as const,
    offSite: i > 0,
    ...(i > 0 && copyHolds ? { holds: copyHolds } : {}),
  }));
  const [device] = bare.devices as [Job['devices'][0]];
  const there = withHost(
    { ...bare, devices: [{ ...device, needs: { ...plain, ...(copies ? { copies: planned } : {}) } }] },
    place!.machine,
    SHOP.hosts.find(({ id }) => id === host)!,
  );
  return {
    ...there,
    serviceYears: fact(years),
    ...(budget === undefined ? {} : { budget: { amount: budget, currency: 'EUR' } }),
  };
}

test('docs/cases: two dozen jobs, each once, none of the parts of the work without one', () => {
  expect(CASES.length).toBeGreaterThanOrEqual(24);
  expect(new Set(CASES.map(({ id }) => id)).size).toBe(CASES.length);
  const served = new Set(CASES.flatMap(({ serves }) => serves.split(', ')));
  // Bench and verdict (8, 9) have worked cases of their own.
  for (const part of ['1', '2', '3', '4', '5', '6', '7', '10']) expect([...served]).toContain(part);
});

const is = (drive: Drive, family: string) =>
  drive.modes.some((mode) => mode.startsWith(family)) ? [family] : [];

describe.each(sampled(CASES, 3))('$id', (one) => {
  const { must, never } = one;
  const shop = one.prices === 'none' ? { ...SHOP, prices: [] } : SHOP;
  const wanted = wantedFrom(jobOf(one), undefined, shop, { shopRanges: {} })!;
  const found = searchAll(wanted, shop);
  const finalists = new Finalists(wanted);
  const got = answers(found.candidates, finalists, wanted);
  const summary = summaryOf(found, finalists, wanted);
  const all = [got.knee, got.meets, got.nearest, got.frugal, got.within].flatMap((a) => a ?? []);
  const first = got.knee ?? got.meets ?? got.nearest;
  const situationOf = ({ candidate: { build } }: ChosenBuild) => placed(wanted, wanted.places[0]!, build);

  test(`must: ${one.says}`, () => {
    if (must.meets !== undefined) expect(got.meets !== null).toBe(must.meets);
    const missed = found.candidates.flatMap(({ misses }) => misses.map(({ activity }) => activity));
    for (const demand of must.misses ?? []) expect(missed).toContain(demand);
    if (must.overBudget) expect(summary.overBudget).not.toBeNull();
    if (must.words) expect(summary.answers[0]!.reason).toMatch(new RegExp(must.words));
    if (!first) return expect(must).toEqual({ misses: must.misses });
    const { build } = first.candidate;
    if (must.levels) expect(must.levels).toContain(build.array?.mode);
    if (must.media) expect(must.media).toContain(build.drive.media);
    const situation = situationOf(first);
    const said = DIRECTIONS.flatMap((d) => findings(settingOf(situation, d))).map(({ id }) => id);
    expect(said).toEqual(expect.arrayContaining(must.findings ?? []));
    const steps = checklist(situation).map(({ id }) => id);
    expect(steps).toEqual(expect.arrayContaining(must.steps ?? []));
    if (must.fileSystem)
      expect(fileSystemFor(factsOf(settingOf(situation, 'write'))).name).toBe(must.fileSystem);
  });

  test('never', () => {
    for (const answer of all) {
      const { build, misses, years } = answer.candidate;
      const { drive, bridge, array } = build;
      expect(never.levels ?? []).not.toContain(array?.mode);
      expect(never.madeBy ?? []).not.toContain(array?.by);
      if (answer === got.meets) expect(never.meetsLevels ?? []).not.toContain(array?.mode);
      expect(never.media ?? []).not.toContain(drive.media);
      expect(never.bridges ?? []).not.toContain(bridge?.id);
      expect((never.interfaces ?? []).flatMap((family) => is(drive, family))).toEqual([]);
      expect((drive.capacity.value as number) / 1e12).toBeLessThanOrEqual(never.above ?? Infinity);
      expect(drive.rpm ?? 0).toBeLessThanOrEqual(never.rpmAbove ?? Infinity);
      if (never.supply) expect(bridge?.supply).toBeUndefined();
      if (never.fan) expect(bridge?.cooling).not.toBe('fan');
      if (never.bridge) expect(bridge).toBeNull();
      if (never.external) expect(build.cable).toBeNull();
      if (never.worn) expect(years ?? Infinity).toBeGreaterThanOrEqual(one.years);
      const situation = situationOf(answer);
      expect(pathOf(situation).blocked).toEqual([]);
      const hottest = DIRECTIONS.map((d) => warmth(factsOf(settingOf(situation, d))) ?? 0);
      if (never.hot) expect(Math.max(...hottest)).toBeLessThanOrEqual(72);
      const steps = checklist(situation).map(({ id }) => id);
      for (const step of never.steps ?? []) expect(steps).not.toContain(step);
      for (const demand of never.misses ?? [])
        expect(misses.map(({ activity }) => activity)).not.toContain(demand);
    }
    if (never.words)
      for (const { reason } of summary.answers) expect(reason).not.toMatch(new RegExp(never.words));
  });
});
