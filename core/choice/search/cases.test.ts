import { SHOP } from '../../catalog/stock';
import type { Drive } from '../../catalog/parts';
import { checklist } from '../../fitting';
import { factsOf, fileSystemFor, findings, warmth } from '../../fit';
import { CASES, caseJob } from '../../fixtures/cases';
import { sampled } from '../../fixtures/draws';
import { pathOf, settingOf } from '../../forecast';
import { DIRECTIONS } from '../../catalog/links';
import { answers, Finalists, type ChosenBuild } from './answer';
import { placed } from './placed';
import { searchAll } from './search';
import { summaryOf } from './summary';
import { wantedFrom } from './wanted';

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
  const wanted = wantedFrom(caseJob(one), undefined, shop, { shopRanges: {} })!;
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
