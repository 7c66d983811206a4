import fc from 'fast-check';
import { SHOP } from '../../catalog/stock';
import type { Price, Shop } from '../../catalog/parts';
import { type Build, bestShared } from '../../assembly';
import { answers, Finalists } from './answer';
import { buildKey, joinShares, search, searchAll, type Found } from './search';
import { cheapestFirst, nonDominated } from './order';
import { dearWords, reasonFor } from './words';
import { activitiesOf, systemsOf, wantedOf, type Wanted, neededBy } from './wanted';
import type { Candidate } from './candidate';
import { pricing } from '../prices/pricing';
import { demoJobs } from '../../demo';
import { blocksOf, findings, screenRules } from '../../fit';
import { onJob } from '../../fixtures/forecast';
import { builtAs, caseOf, forecast, pathOf, screen, settingOf, type Situation } from '../../forecast';
import { FIRST_PLACE, placesOf, withHost, type Job } from '../../job';
import { baysOf, fitsInto, fitsStraight } from './join';
import { usableBytes } from './scoring';
import { draws, runs, sampled } from '../../fixtures/draws';

const [offload, , bay] = demoJobs() as [Job, Job, Job, Job];
const wantedFor = (job: Job, more: Partial<Wanted> = {}): Wanted => ({
  ...wantedOf(job, placesOf(job)[0]!.device, { owned: [], currency: 'EUR', shopRanges: {} })!,
  ...more,
});

/** Every other drive of the demo's library: the same laws in half the time. */
const LEAN: Shop = { ...SHOP, drives: SHOP.drives.filter((_, i) => i % 2 === 1) };
const known = new Map<string, Found>();
/** The lean library searched, once for each job: what is asked of the answers changes nothing of it. */
function searched(wanted: Wanted): Found {
  const key = JSON.stringify([wanted.places, wanted.owned]);
  const found = known.get(key) ?? searchAll(wanted, LEAN);
  known.set(key, found);
  return found;
}

/** A price for every part, each its own. */
const priced = (shop: Shop, of: (i: number) => number): Shop => {
  const keys = [
    ...shop.drives.map((d) => `drives/${d.id}`),
    ...shop.bridges.map((b) => `bridges/${b.id}`),
    ...shop.cables.map((c) => `cables/${c.id}`),
    ...shop.accessories.map((a) => `accessories/${a.id}`),
  ];
  const prices = keys.map((key, i): Price => ({
    id: `p${i}`,
    name: key,
    of: key,
    on: '2031-04-05',
    amount: of(i),
    currency: 'EUR',
  }));
  return { ...shop, prices };
};

/** Every combination of the parts, tried one by one by the engine that explains: what works, and the first rule that blocks the others. */
function everyBuild(shop: Shop, wanted: Wanted) {
  const [open] = wanted.places;
  const works: Build[] = [];
  const blocked = new Map<string, string>();
  const needed = neededBy(wanted);
  for (const drive of shop.drives)
    for (const bridge of [null, ...shop.bridges])
      for (const cable of [null, ...shop.cables])
        for (const port of open!.host.ports)
          for (const bays of baysOf(bridge, systemsOf(wanted))) {
            const build: Build = { drive, bridge, cable, port: port.id, ...bays };
            const situation = builtAs(build)(onJob({ ...open!, build }));
            if (pathOf(situation).blocked.length > 0) continue;
            const rules = ruleOf(situation, open!.activities);
            if (rules !== null) blocked.set(buildKey(build), rules);
            else if ((usableBytes(build) ?? Infinity) >= needed) works.push(build);
          }
  return { works, blocked };
}

/** The first rule that blocks a build in any direction in use. */
function ruleOf(situation: Situation, activities: Wanted['places'][number]['activities']): string | null {
  const used = (['read', 'write'] as const).filter((d) =>
    activities.some((a) => (a.kind === 'move' ? a.direction : a.kind === 'open' ? 'read' : 'write') === d),
  );
  const all = used.map((d) => screenRules(settingOf(situation, d)));
  return all.flatMap(({ blocks }) => blocks)[0] ?? null;
}

const some = <T>(list: readonly T[], minLength: number, maxLength: number) =>
  fc.shuffledSubarray([...list], { minLength, maxLength });
const libraries = fc.record({
  drives: some(SHOP.drives, 4, 7),
  bridges: some(SHOP.bridges, 2, 4),
  cables: some(SHOP.cables, 5, 9),
  host: fc.constantFrom(...SHOP.hosts),
});

describe('the search', () => {
  test('shared among workers it finds what one finds, in the same order', () => {
    const wanted = wantedFor(offload);
    const some = { ...SHOP, drives: sampled(SHOP.drives, 12) };
    const shop = priced(some, (i) => 10 + ((i * 37) % 23));
    const whole = searchAll(wanted, shop);
    const parts = [0, 1, 2].map((at) => {
      const going = search(wanted, shop, [], { at, of: 3 });
      for (;;) {
        const step = going.next();
        if (step.done) return step.value;
      }
    });
    const joined = joinShares(structuredClone(parts), wanted, shop);
    expect(joined.candidates.map((c) => c.id)).toEqual(whole.candidates.map((c) => c.id));
    expect(joined.candidates.map((c) => c.figures)).toEqual(whole.candidates.map((c) => c.figures));
    expect(joined.fallen.map((f) => f.reason)).toEqual(whole.fallen.map((f) => f.reason));
    expect(joined).toMatchObject({ looked: whole.looked, combinations: whole.combinations, left: 0 });
  });

  test('finds what trying every combination finds: the same builds, reasons, cost and order', () => {
    let compared = 0;
    fc.assert(
      fc.property(libraries, ({ host, ...parts }) => {
        const shop = priced(
          { ...SHOP, ...parts, accessories: [], hubs: [] },
          (i) => 10 + ((i * 37) % 23) + i / 100,
        );
        const base = wantedFor(withHost(offload, FIRST_PLACE.machine, host));
        // Room and years are another matter: without them every drive counts.
        const open = {
          ...base.places[0]!,
          activities: base.places[0]!.activities.filter((a) => a.kind === 'move'),
        };
        const wanted = { ...base, places: [open] };
        const found = searchAll(wanted, shop);
        const { works, blocked } = everyBuild(shop, wanted);

        // The search takes the cheapest cable of a mode, the first of ports that are alike, and leaves out what never fits.
        const eachOf = new Map(shop.prices.map((p) => [p.of, p.amount]));
        const costOf = (b: Build) =>
          (b.together ?? 1) * eachOf.get(`drives/${b.drive.id}`)! +
          (b.bridge ? eachOf.get(`bridges/${b.bridge.id}`)! : 0) +
          (b.cable ? eachOf.get(`cables/${b.cable.id}`)! : 0);
        const kinds = new Map<string, Build>();
        for (const build of works) {
          const { drive, bridge, cable, port, together, array } = build;
          const on = open.host.ports.find((p) => p.id === port)!;
          if (bridge ? !fitsInto(drive, bridge) : cable === null && !fitsStraight(drive, on)) continue;
          const end = bridge ? { modes: bridge.outer } : drive;
          const { id: _, position: _p, ...traits } = on;
          const mode = cable
            ? bestShared(bridge?.passThrough ? drive.modes : end.modes, cable.modes, on.modes)?.id
            : null;
          const key = JSON.stringify([drive.id, bridge?.id, together, array?.mode, traits, mode]);
          const had = kinds.get(key);
          if (!had || costOf(build) < costOf(had)) kinds.set(key, build);
        }
        const ids = (list: readonly { id: string }[]) => list.map(({ id }) => id).sort();
        const expected = [...kinds.values()].map((build) => ({
          id: buildKey(build),
          cost: costOf(build),
          build,
        }));
        const foundKinds = found.candidates;
        expect(ids(foundKinds)).toEqual(ids(expected));
        for (const { id, cost } of expected)
          expect(found.candidates.find((c) => c.id === id)!.cost).toBeCloseTo(cost, 6);
        for (const { reason, ...rest } of found.fallen) {
          if (!reason.startsWith('rule ') || !rest.port) continue;
          const { drive, bridge, bays, cable, port } = rest;
          const id = buildKey({ drive, bridge, ...bays, cable: cable!, port: port.id });
          if (blocked.has(id)) expect(reason).toBe(`rule ${blocked.get(id)}`);
          compared++;
        }
        const sorted = [...found.candidates].sort(cheapestFirst).map((c) => c.cost);
        expect(sorted).toEqual([...sorted].sort((a, b) => a! - b!));
        compared += expected.length;
      }),
      runs(24, { seed: 5 }),
    );
    expect(compared).toBeGreaterThan(draws(200));
  });

  test('its figures are those of the screen that Path and Forecast make, whatever it kept in mind', () => {
    for (const job of [offload, bay]) {
      const wanted = wantedFor(job);
      const { candidates } = searched(wanted);
      const [open] = wanted.places;
      for (const one of candidates.filter((_, i) => i % Math.ceil(candidates.length / 12) === 0)) {
        const situation = builtAs(one.build)(onJob({ ...open!, build: one.build }));
        const direct = open!.activities.map((a) =>
          a.kind === 'keep' ? null : screen(caseOf(situation, a.id)),
        );
        expect(one.figures.slice(0, direct.length)).toEqual(direct);
      }
    }
  });

  test('rules without words block what rules with words block', () => {
    for (const job of [offload, bay]) {
      const wanted = wantedFor(job);
      const [open] = wanted.places;
      const { candidates } = searched(wanted);
      for (const { build } of candidates.slice(0, 12))
        for (const d of ['read', 'write'] as const) {
          const setting = settingOf(onJob({ ...open!, build }), d);
          const said = findings(setting).filter((f) => f.severity === 'blocks');
          expect(blocksOf(setting).sort()).toEqual(said.map((f) => f.id).sort());
        }
    }
  });

  test('what is there costs nothing and is offered first; a cable serves at every place', () => {
    const wanted = wantedFor(offload);
    const { candidates } = searched(wanted);
    const [first] = answersOf(wanted).list;
    const owned = searched({ ...wanted, owned: [`drives/${first!.build.drive.id}`] });
    const same = owned.candidates.find((c) => c.id === first!.id)!;
    expect(same.cost).toBeLessThan(candidates.find((c) => c.id === first!.id)!.cost!);
  });

  test('a ready-made drive, a slot of a board and an array of the box are among the builds', () => {
    const { candidates } = searched(wantedFor(offload));
    expect(candidates.some(({ build }) => build.drive.sealed)).toBe(true);
    expect(candidates.some(({ build }) => build.array?.mode === 'stripe')).toBe(true);
    const [, scans] = demoJobs();
    const inside = searched(wantedFor(scans!)).candidates;
    expect(inside.some(({ build }) => build.bridge?.kind === 'adapter')).toBe(true);
  });

  test('what an expansion bay asks for is not met by a box on a cable, and says so', () => {
    const found = searched(wantedFor(bay));
    expect(found.candidates.every(({ build }) => build.bridge === null && build.cable === null)).toBe(true);
    expect(found.fallen.some(({ reason }) => reason === 'not inside')).toBe(true);
    // What is missing for the bay is added, with its price.
    expect(found.candidates.some(({ build }) => (build.accessories ?? []).length > 0)).toBe(true);
  });

  test('a hub stands between where a port does not meet the plug, or supplies too little; its price and its lead are in the cost', () => {
    const wanted = wantedFor(offload);
    const [open] = wanted.places;
    const host = { ...open!.host, ports: open!.host.ports.filter((p) => p.connector === 'USB-C') };
    const lead = SHOP.bridges.find((b) => b.kind === 'adapter' && b.plug === 'USB-A')!;
    const drives = SHOP.drives.filter((d) => d.plug === lead.socket && d.media === 'flash');
    const shop = { ...SHOP, drives, bridges: [lead] };
    const here = { ...wanted, places: [{ ...open!, host }] };
    const bare = searchAll(here, {
      ...shop,
      hubs: [],
      cables: SHOP.cables.filter((c) => !c.ends.includes('USB-A')),
    });
    expect(bare.candidates).toEqual([]);
    const { candidates } = searchAll(here, {
      ...shop,
      cables: SHOP.cables.filter((c) => !c.ends.includes('USB-A')),
    });
    const [one] = candidates.filter((c) => c.misses.every((m) => m.by > 0)).sort(cheapestFirst);
    const [hop] = one!.build.hops!;
    const each = (of: string) => pricing(SHOP.prices, 'EUR').get(of)!.each;
    const keys = [
      `drives/${one!.build.drive.id}`,
      `bridges/${lead.id}`,
      `hubs/${hop!.hub.id}`,
      `cables/${hop!.cable.id}`,
    ];
    expect(one!.cost).toBeCloseTo(
      keys.reduce((sum, key) => sum + each(key), 0),
      6,
    );
    const situation = builtAs(one!.build)(onJob({ ...here.places[0]!, build: one!.build }));
    expect(pathOf(situation).blocked).toEqual([]);
    const direct = here.places[0]!.activities.map((a) =>
      a.kind === 'keep' ? null : screen(caseOf(situation, a.id)),
    );
    expect(one!.figures).toEqual(direct);
  });

  test('a library with nothing in it gives nothing, and no fault', () => {
    const none: Shop = { ...SHOP, drives: [], bridges: [], cables: [], accessories: [], prices: [] };
    const found = searchAll(wantedFor(offload), none);
    expect(found).toMatchObject({ candidates: [], fallen: [], looked: 0, left: 0 });
    expect(answers([], new Finalists(wantedFor(offload)), wantedFor(offload))).toMatchObject({
      meets: null,
      frugal: null,
      nearest: null,
      dear: null,
    });
  });
});

function answersOf(wanted: Wanted) {
  const { candidates } = searched(wanted);
  const got = answers(candidates, new Finalists(wanted), wanted);
  return { candidates, got, list: [got.meets, got.nearest].flatMap((c) => (c ? [c.candidate] : [])) };
}

/** By the forecast that explains: the probability of each target. */
const probabilitiesOf = (one: Candidate, wanted: Wanted): number[] => {
  const [open] = wanted.places;
  const situation = builtAs(one.build)(onJob({ ...open!, build: one.build }));
  return open!.activities.flatMap((a) => {
    if (a.kind === 'keep' || (a.target === null && a.kind !== 'stream')) return [];
    return [forecast(caseOf(situation, a.id)).probability!];
  });
};

describe('the answers', () => {
  test('the first meets every target as probably as asked, and no cheaper one does', () => {
    const wanted = wantedFor(offload);
    const { candidates, got } = answersOf(wanted);
    const { candidate, probabilities } = got.meets!;
    const asked = probabilities.filter((p) => p !== null);
    expect(asked).toEqual(probabilitiesOf(candidate, wanted));
    expect(Math.min(...asked)).toBeGreaterThanOrEqual(0.9);
    const cheaper = candidates.filter((c) => c.cost! < candidate.cost! && c.misses.length === 0);
    for (const one of cheaper) expect(Math.min(...probabilitiesOf(one, wanted))).toBeLessThan(0.9);
  });

  test('a little more money that buys much less waiting is told first, with both', () => {
    const wanted = wantedFor(offload);
    const { candidates, got } = answersOf(wanted);
    const meets = got.meets!.candidate;
    const most = meets.cost! + Math.max(10, 0.05 * meets.cost!);
    const better = candidates.filter(
      (c) => c.misses.length === 0 && c.cost !== null && c.cost <= most && c.waits <= 0.75 * meets.waits,
    );
    if (better.length > 0) expect(got.knee!.candidate.waits).toBe(Math.min(...better.map((c) => c.waits)));
    // In the same time it makes the least sure target surer by far, or there is none.
    const least = ({ probabilities }: { probabilities: (number | null)[] }) =>
      Math.min(1, ...probabilities.filter((p) => p !== null));
    if (better.length === 0 && got.knee)
      expect(1 - least(got.knee)).toBeLessThanOrEqual((1 - least(got.meets!)) / 4);
    const surer = reasonFor(
      'knee',
      {
        ...got,
        knee: { candidate: { ...meets, cost: meets.cost! + 5 }, probabilities: [0.995, null] },
        meets: { candidate: meets, probabilities: [0.92, 0.99] },
      },
      wanted,
    );
    expect(surer).toMatch(
      /^5.EUR more than .*, and the least sure target is met with over 99.% probability instead of 92.%\./,
    );
    const { candidate } = answers(
      [meets, { ...meets, id: 'dearer', cost: meets.cost! + 4, waits: meets.waits / 2 }],
      new Finalists(wanted),
      wanted,
    ).knee!;
    expect(candidate.id).toBe('dearer');
    // Where nobody waits nothing is quicker.
    const still = { ...meets, waits: 0 };
    const alike = [still, { ...still, id: 'dearer', cost: meets.cost! + 4 }];
    expect(answers(alike, new Finalists(wanted), wanted).knee?.candidate.id).not.toBe('dearer');
    // Where no target is set, half as much money again may buy a fraction of the time, and no more than that.
    const open = wantedFor(offload);
    const untimed = {
      ...open,
      places: open.places.map((p) => ({
        ...p,
        activities: p.activities.map((a) => ({ ...a, target: null })),
      })),
    } as Wanted;
    const slow = {
      ...meets,
      cost: 100,
      waits: 900,
      figures: meets.figures.map((f) => f && f * 9),
      misses: [],
    };
    const quick = (cost: number) => ({ ...meets, id: 'quick', cost, waits: 100, misses: [] });
    const knee = (cost: number, of: Wanted) =>
      answers([slow, quick(cost)], new Finalists(of), of).knee?.candidate.id;
    expect(knee(140, untimed)).toBe('quick');
    expect(knee(160, untimed)).toBeUndefined();
    expect(knee(140, wanted)).toBeUndefined();
    const told = reasonFor(
      'knee',
      { ...got, knee: { candidate, probabilities: got.meets!.probabilities } },
      wanted,
    );
    expect(told).toMatch(
      /^4 EUR more than the cheapest build that meets every target, and 50 % less waiting\. /,
    );
    // A budget that the cheapest keeps is kept.
    const within = { ...wanted, budget: meets.cost! + 2 };
    const dearer = { ...meets, id: 'dearer', cost: meets.cost! + 4, waits: meets.waits / 2 };
    expect(answers([meets, dearer], new Finalists(within), within).knee).toBeNull();
    // Neither much more money nor a little less time.
    for (const [cost, waits] of [
      [meets.cost! * 1.2, 0.5],
      [meets.cost! + 1, 0.9],
    ] as const)
      expect(
        answers(
          [meets, { ...meets, id: 'other', cost, waits: waits * meets.waits }],
          new Finalists(wanted),
          wanted,
        ).knee,
      ).toBeNull();
  });

  test('more asked never makes it cheaper', () => {
    const costs = [0.5, 0.8, 0.95, 0.99].map(
      (probability) => answersOf(wantedFor(offload, { probability })).got.meets?.candidate.cost ?? Infinity,
    );
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
  });

  test('within the budget the quickest; a budget that nothing meets is told by what comes nearest', () => {
    const { got, candidates } = answersOf(wantedFor(offload, { budget: 400 }));
    const within = candidates.filter((c) => c.cost !== null && c.cost <= 400 && c.misses.length === 0);
    expect(got.within!.candidate.waits).toBe(Math.min(...within.map((c) => c.waits)));
    expect(answersOf(wantedFor(offload, { budget: 1 })).got.within).toBeNull();
    const hard = {
      ...offload,
      activities: offload.activities.map((a) =>
        a.id === 'offload' ? { ...a, target: 20 } : a,
      ) as Job['activities'],
    };
    const none = answersOf(wantedFor(hard));
    expect(none.got.meets).toBeNull();
    expect(none.got.nearest!.candidate.misses).toHaveLength(1);
    const by = none.got.nearest!.candidate.misses[0]!.by;
    expect(
      Math.min(...none.candidates.map((c) => (c.misses.length === 1 ? c.misses[0]!.by : Infinity))),
    ).toBeCloseTo(by, 9);
    expect(activitiesOf(wantedFor(hard)).map((a) => a.id)).toContain(none.got.dear?.activity ?? 'offload');
  });

  test('the dear target is the one without which most is saved', () => {
    const wanted = wantedFor(offload);
    const { got } = answersOf(wanted);
    const { activity, saves, instead } = got.dear!;
    const without = wantedFor({
      ...offload,
      activities: offload.activities.map((a) =>
        a.id === activity ? { ...a, target: null } : a,
      ) as Job['activities'],
    });
    const [relaxed] = answersOf(without).list;
    expect(relaxed!.cost).toBe(instead.cost);
    expect(saves).toBeCloseTo(got.meets!.candidate.cost! - instead.cost!, 6);
    // Most of the cost is more than half of it.
    const words = (saved: number) => dearWords({ dear: { ...got.dear!, saves: saved } }, wanted)!;
    expect(words(instead.cost! + 1)).toMatch(/^Most of the cost comes from the target of “.*”: without it /);
    expect(words(2)).toMatch(/^Without the target of “.*” 2 EUR less: /);
  });
});

describe('cost against time', () => {
  const made = fc.array(
    fc.record({
      cost: fc.option(fc.integer({ min: 0, max: 40 }), { freq: 5 }),
      waits: fc.integer({ min: 0, max: 40 }),
    }),
    { maxLength: 60 },
  );
  test('the edge is what no other beats, by comparing every pair', () => {
    fc.assert(
      fc.property(made, (list) => {
        const all = list.map((one, i) => ({ ...one, id: String(i).padStart(3, '0') }) as Candidate);
        const known = all.filter((c) => c.cost !== null);
        const isBeaten = (one: Candidate) =>
          known.some(
            (o) =>
              (o.cost! < one.cost! && o.waits <= one.waits) ||
              (o.cost! <= one.cost! && o.waits < one.waits) ||
              (o.cost === one.cost && o.waits === one.waits && o.id < one.id),
          );
        const edge = nonDominated(all).map((c) => c.id);
        expect([...edge].sort()).toEqual(known.filter((c) => !isBeaten(c)).map((c) => c.id));
      }),
      runs(100),
    );
  });
});
