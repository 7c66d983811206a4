import { BRIDGES, CABLES, DRIVES, HOSTS, SHOP } from '../../catalog/stock';
import type { Bridge, System, Drive, Price, Shop } from '../../catalog/parts';
import { demoJobs } from '../../demo';
import { findings } from '../../fit';
import { onJob } from '../../fixtures/forecast';
import { builtAs, settingOf, lasting, lifeOf } from '../../forecast';
import { FIRST_PLACE, withHost, type Activity, type Job } from '../../job';
import { against, baselines } from './baseline';
import { placed } from './placed';
import { reasonWords } from './why';
import { againstWords, priceWords, reasonFor, wastedWords } from './words';
import { answers, Finalists } from './answer';
import { bestOf, presetFor, scoreOf } from './order';
import { laterOn } from './later';
import { searchAll } from './search';
import { wantedOf, type Wanted } from './wanted';
import { wasted } from './money';
import { baysOf } from './join';

/*
 * What every technician expects of an answer [common practice, no source].
 */
const by = <T extends { id: string }>(list: readonly T[], id: string): T => list.find((p) => p.id === id)!;
const sheet = (value: number) => ({ value, source: { kind: 'sheet' as const } });
const entered = (value: number | [number, number, number]) => ({
  value,
  source: { kind: 'entered' as const },
});

/** A drive with an M.2 plug that keeps its speed. */
const fast = (id: string, read: number, write: number): Drive => ({
  ...by(DRIVES, 'oystral-merlin-2t'),
  id,
  model: id,
  read: sheet(read * 1e6),
  write: sheet(write * 1e6),
  rest: sheet(2500e6),
  cache: sheet(500e9),
});
const box = (id: string): Bridge => by(BRIDGES, id);
const shopOf = (
  drives: readonly Drive[],
  bridges: readonly Bridge[],
  amounts: Record<string, number>,
): Shop => {
  const prices = Object.entries(amounts).map(([of, amount], i): Price => ({
    id: `p${i}`,
    name: of,
    of,
    on: '2031-05-06',
    amount,
    currency: 'EUR',
  }));
  return { ...SHOP, drives: [...drives], bridges: [...bridges], cables: CABLES, accessories: [], prices };
};
const [offload, , bay] = demoJobs() as [Job, Job, Job, Job];
const cables = (each: number) => Object.fromEntries(CABLES.map((c) => [`cables/${c.id}`, each]));

const jobOn = (host: string, activities: readonly Activity[], from: Job = offload): Job => ({
  ...withHost(from, FIRST_PLACE.machine, by(HOSTS, host)),
  activities: [...activities],
});
const wantedFor = (job: Job, more: Partial<Wanted> = {}): Wanted => ({
  ...wantedOf(job, FIRST_PLACE.device, { owned: [], currency: 'EUR', shopRanges: {} })!,
  ...more,
});
const copy = (id: string, direction: 'read' | 'write', endpoint: string | null, bytes = 120e9): Activity => ({
  id,
  kind: 'move',
  name: id,
  direction,
  bytes: entered(bytes),
  files: entered(40),
  perDay: entered(1),
  target: null,
  ...(endpoint ? { endpoint } : {}),
});

describe('trade checks', () => {
  test('in a 10 Gb/s enclosure a 7,000 and a 3,500 MB/s drive forecast the same; the difference in price is named as without effect', () => {
    const shop = shopOf([fast('quick', 7000, 6500), fast('plain', 3500, 3000)], [box('tesselin-nook-10')], {
      'drives/quick': 190,
      'drives/plain': 121,
      'bridges/tesselin-nook-10': 30,
      ...cables(8),
    });
    const wanted = wantedFor(jobOn('field-laptop', [copy('Large files', 'write', null)]));
    const { candidates } = searchAll(wanted, shop);
    const of = (id: string) =>
      candidates.find(
        (c) =>
          c.build.drive.id === id && c.build.port === 'left-back' && c.build.cable?.modes.includes('usb-10'),
      )!;
    const [quick, plain] = [of('quick'), of('plain')];
    expect(quick.figures[0]! / plain.figures[0]!).toBeCloseTo(1, 2);
    const [first] = wasted(quick, candidates);
    expect(first).toMatchObject({ part: 'drive', saves: 69 });
    expect(wastedWords(first!, wanted)).toMatch(
      /^69 EUR of this drive’s price changes nothing here: .*plain/,
    );
    expect(wastedWords(first!, wanted, true)).toMatch(/may in the machine the drive moves to/);
    // The cheaper one wastes nothing on its drive.
    expect(wasted(plain, candidates).some(({ part }) => part === 'drive')).toBe(false);
  });

  test('in a good Thunderbolt 3 enclosure two fast drives read equally, at about 2,700 MB/s', () => {
    const good: Bridge = { ...box('tesselin-vault-3'), id: 'good', write: null };
    const shop = shopOf([fast('quick', 7000, 6500), fast('plain', 3500, 3000)], [good], {
      'drives/quick': 190,
      'drives/plain': 121,
      'bridges/good': 80,
      ...cables(20),
    });
    const laptop = HOSTS.find((h) => h.ports.some((p) => p.modes.includes('tb-3')))!;
    const wanted = wantedFor(jobOn(laptop.id, [copy('Large files', 'read', null, 60e9)]));
    const { candidates } = searchAll(wanted, shop);
    const over = (id: string) =>
      candidates.find(
        (c) => c.build.drive.id === id && c.build.cable?.modes.includes('tb-3') && c.flow > 2e9,
      )!;
    expect(over('quick').flow / over('plain').flow).toBeCloseTo(1, 2);
    expect(over('quick').flow / 1e6).toBeGreaterThan(2600);
    expect(over('quick').flow / 1e6).toBeLessThan(2800);
  });

  test('a gen 4 drive below the minimum a host asks for: blocked by the letter, cautioned with its effect by the outcome', () => {
    const slow = { ...by(DRIVES, 'oystral-kestrel-1t'), id: 'slow', read: sheet(4900e6) };
    const shop = shopOf([slow], [], { 'drives/slow': 77 });
    const strict = searchAll(wantedFor({ ...bay, policies: { ...bay.policies, minimum: 'strict' } }), shop);
    expect(strict.candidates).toEqual([]);
    expect(strict.fallen.map(({ reason }) => reason)).toContain('rule bay-reading');
    const outcome = wantedFor({
      ...bay,
      policies: { ...bay.policies, minimum: 'outcome-first', heatsink: 'when needed' },
    });
    const [one] = searchAll(outcome, shop).candidates;
    const situation = builtAs(one!.build)(onJob({ ...outcome.places[0]!, build: one!.build }));
    const said = findings(settingOf(situation, 'read')).find(({ id }) => id === 'bay-reading');
    expect(said).toMatchObject({ severity: 'caution' });
    expect(said!.reason).toMatch(/load times/);
  });

  test('behind a processor-bound load the cheapest solid-state drive is the answer, and it says why', () => {
    const load: Activity = {
      id: 'load',
      kind: 'open',
      name: 'Scene opens',
      perDay: entered(8),
      target: 34,
      processing: entered([26, 28, 30]),
      bytes: entered(1.2e9),
      dependentReads: entered([2_000, 4_000, 8_000]),
    };
    const [ssd, disk] = [
      DRIVES.find((d) => d.media === 'flash' && d.plug === 'SATA')!,
      DRIVES.find((d) => d.media === 'disk' && d.form.startsWith('2.5'))!,
    ];
    const bridges = BRIDGES.filter((b) => b.socket === 'SATA' && (b.bays ?? 1) === 1);
    const shop = shopOf([fast('quick', 7000, 6500), ssd, disk], [...bridges, box('tesselin-nook-10')], {
      'drives/quick': 190,
      [`drives/${ssd.id}`]: 52,
      [`drives/${disk.id}`]: 44,
      ...Object.fromEntries([...bridges, box('tesselin-nook-10')].map((b) => [`bridges/${b.id}`, 25])),
      ...cables(8),
    });
    const wanted = wantedFor(jobOn('field-laptop', [load]));
    const { candidates } = searchAll(wanted, shop);
    const got = answers(candidates, new Finalists(wanted), wanted);
    expect(got.meets!.candidate.build.drive.id).toBe(ssd.id);
    const reason = reasonFor('meets', got, wanted);
    expect(reason).toMatch(/28 s of it is processing, which no drive shortens/);
    // A drive that reads ten times as fast changes nothing that is felt.
    const quick = candidates.find((c) => c.build.drive.id === 'quick')!;
    expect(quick.figures[0]! / got.meets!.candidate.figures[0]!).toBeGreaterThan(0.85);
  });

  test('a drive rated 700 TBW at 2 TB is named as low', () => {
    const low = { ...fast('low', 5000, 4000), tbw: sheet(700e12), capacity: sheet(2e12) };
    const shop = shopOf([low], [box('tesselin-nook-10')], {});
    const wanted = wantedFor(jobOn('field-laptop', [copy('Large files', 'write', null)]));
    const [one] = searchAll(wanted, shop).candidates;
    const situation = builtAs(one!.build)(onJob({ ...wanted.places[0]!, build: one!.build }));
    expect(findings(settingOf(situation, 'write')).map((f) => f.id)).toContain('low-rating');
  });

  test('in the machine it moves to the quick drive is quick: what changes nothing in the enclosure counts there', () => {
    const drives = [fast('quick', 7000, 6500), fast('plain', 3500, 3000)];
    const shop = shopOf(drives, [box('tesselin-nook-10')], {
      'drives/quick': 190,
      'drives/plain': 121,
      'bridges/tesselin-nook-10': 30,
      ...cables(8),
    });
    const wanted = wantedFor(jobOn('field-laptop', [copy('Large files', 'read', null)]));
    const { candidates } = searchAll(wanted, shop);
    const found = HOSTS.find((h) =>
      h.ports.some((p) => p.connector === 'M.2' && p.modes.includes('pcie4x4') && !p.minimum),
    )!;
    // What stands at the other end is quick enough to tell them apart.
    const storage = { ...found.storage!, read: sheet(9000e6), write: sheet(9000e6) };
    const desktop = { ...found, storage };
    const there = (id: string) =>
      laterOn(
        candidates.find((c) => c.build.drive.id === id)!,
        wanted,
        shop,
        desktop,
      )!;
    expect(there('quick').build.bridge).toBeNull();
    expect(there('quick').waits).toBeLessThan(there('plain').waits);
    // A drive that the next machine has no place for does not move.
    const bare = { ...desktop, ports: desktop.ports.filter((p) => p.connector === 'Mini DP') };
    expect(laterOn(candidates[0]!, wanted, shop, bare)).toBeNull();
  });
});

test('a box that shows its drives one by one lets the system make the array; one that makes it itself does', () => {
  const by = (bridge: Bridge, ...systems: System['family'][]) =>
    baysOf(bridge, systems).map((b) => `${b.array?.mode ?? 'one'} ${b.array?.by ?? ''}`.trim());
  const quad = { ...box('quarrel-quad-10'), arrays: ['single', 'mirror'] as Bridge['arrays'] };
  expect(new Set(by(quad))).toEqual(
    new Set(['one', 'mirror firmware', 'stripe system', 'stripe of mirrors system']),
  );
  expect(by({ ...quad, arrays: ['stripe'] })).toEqual(['one', 'stripe firmware', 'stripe firmware']);
  expect(by({ ...quad, bays: 1 })).toEqual(['one']);
  // Two bays make no stripe of mirrors, three no double parity: a job would refuse them.
  expect(by({ ...quad, bays: 2 })).toEqual(['one', 'mirror firmware', 'stripe system']);
  expect(by({ ...quad, bays: 3, arrays: ['double parity'] })).toEqual(['one']);
  // By the system: parity where it makes it; nothing where two must work with it, or a host's own.
  expect(new Set(by(quad, 'Linux'))).toEqual(
    new Set([
      'one',
      'mirror firmware',
      'stripe system',
      'parity system',
      'double parity system',
      'stripe of mirrors system',
    ]),
  );
  expect(by(quad, 'macOS')).toEqual(['one', 'mirror firmware', 'stripe system', 'stripe system']);
  expect(by(quad, 'Linux', 'macOS')).toEqual(['one', 'mirror firmware']);
  expect(by(quad, 'own')).toEqual(['one', 'mirror firmware']);
});

test('a price says of whom, when, and for how long it can go back', () => {
  const price = (more: Partial<Price>): Price => ({
    id: 'p',
    name: 'Lead, five of them',
    of: 'cables/x',
    on: '2031-05-06',
    amount: 40,
    currency: 'EUR',
    ...more,
  });
  const words = (more: Partial<Price>, each: number, count = 1) =>
    priceWords({ each, currency: 'EUR', by: price(more) }, count);
  expect(words({ per: 5, seller: 'North counter', sells: 'dealer', returnDays: 30 }, 8, 2)).toBe(
    '2 × Lead, five of them 16 EUR (8 EUR each): North counter, dealer, 2031-05-06, sold in packs of 5, can go back within 30 days',
  );
  expect(words({}, 40)).toBe('Lead, five of them 40 EUR: 2031-05-06');
});

test('what is held against: what is built, what is there, the maker’s own upgrade, the cheapest; each with money, hours and pay-back', () => {
  const drives = [
    fast('quick', 7000, 6500),
    { ...fast('plain', 3500, 3000), rest: sheet(400e6), cache: sheet(1e9) },
  ];
  const shop = shopOf(drives, [box('tesselin-nook-10')], {
    'drives/quick': 190,
    'drives/plain': 121,
    'bridges/tesselin-nook-10': 30,
    ...cables(8),
  });
  const sold = {
    ...shop,
    prices: shop.prices.map((p) => (p.of === 'drives/quick' ? { ...p, sells: 'maker' as const } : p)),
  };
  const wanted = wantedFor(jobOn('field-laptop', [copy('Large files', 'write', null)]), {
    owned: ['drives/plain'],
  });
  const { candidates } = searchAll(wanted, sold);
  const quick = candidates.filter((c) => c.build.drive.id === 'quick').sort((a, b) => a.waits - b.waits)[0]!;
  const idsOf = (built: string | null) => baselines(candidates, wanted, sold, built).map(({ id }) => id);
  expect(idsOf(null)).toEqual(['there', 'maker']);
  expect(idsOf(candidates.find((c) => c.build.drive.id === 'quick' && c !== quick)!.id)).toContain('built');
  const [base, maker] = baselines(candidates, wanted, sold, null);
  expect(base!.candidate.build.drive.id).toBe('plain');
  const there = against(quick, base!, 30, wanted);
  // 30 EUR an hour: extra ÷ (hours a year × 30) years.
  expect(there.years).toBeCloseTo(there.extra! / (there.hours * 30), 9);
  // What is gained each time, and its price.
  const [slow, fast_] = [base!.candidate.figures[0]!, quick.figures[0]!];
  expect(there.gains).toMatchObject({ activity: 'Large files', seconds: slow - fast_ });
  expect(against(base!.candidate, { id: 'built', candidate: quick }, 30, wanted).gains).toBeNull();
  expect(there.hours).toBeCloseTo(((base!.candidate.waits - quick.waits) * 365) / 3600, 9);
  expect(againstWords(base!, there, 'EUR', 30)).toMatch(
    new RegExp(
      '^Against what is already there \\(.*plain.*\\): costs 1\\d\\d EUR more, .* a year less waited; ' +
        'Large files: [\\d.]+ EUR for each second gained; pays for itself (in|within) ',
    ),
  );
  expect(against(base!.candidate, { id: 'built', candidate: quick }, 30, wanted).years).toBeNull();
  expect(
    againstWords(maker!, { extra: 40, hours: 0, gains: null, apart: null, years: null }, 'EUR', 30),
  ).toMatch(/^Against the maker’s own upgrade .*: costs 40 EUR more, no time saved; saves no time\.$/);
});

test('of a drive that moves on its own speed counts in the ranking, though it changes nothing here', () => {
  const drives = [fast('quick', 7000, 6500), fast('plain', 3500, 3000)];
  const shop = shopOf(drives, [box('tesselin-nook-10')], {
    'drives/quick': 135,
    'drives/plain': 121,
    'bridges/tesselin-nook-10': 30,
    ...cables(8),
  });
  const { candidates } = searchAll(
    wantedFor(jobOn('field-laptop', [copy('Large files', 'write', null)])),
    shop,
  );
  const best = bestOf(candidates);
  const first = (movesLater: boolean) =>
    [...candidates].sort(
      (a, b) =>
        scoreOf(b, best, presetFor('projects', movesLater)) -
        scoreOf(a, best, presetFor('projects', movesLater)),
    )[0]!.build.drive.id;
  expect([first(false), first(true)]).toEqual(['plain', 'quick']);
});

describe('a drive that was used before', () => {
  const shop = shopOf([fast('old', 3500, 3000), fast('new', 3500, 3000)], [box('tesselin-nook-10')], {
    'drives/new': 121,
    'bridges/tesselin-nook-10': 30,
    ...cables(8),
  });
  const rated = shop.drives[0]!.media === 'flash' ? (shop.drives[0]!.tbw.value as number) : NaN;
  const owned = ['drives/old'] as const;
  const job = jobOn('field-laptop', [copy('Large files', 'write', null)]);
  const candidatesOf = (of: Job) => {
    const wanted = wantedFor(of, { owned });
    const { candidates, fallen } = searchAll(wanted, shop);
    const years = (id: string) => candidates.find((c) => c.build.drive.id === id)?.years;
    const [some] = candidates.filter((c) => c.build.drive.id === 'old');
    const told =
      some &&
      lasting(
        placed(wanted, wanted.places[0]!, some.build),
        lifeOf(placed(wanted, wanted.places[0]!, some.build))!,
      );
    return { years, fallen, wanted, told };
  };
  const withPage = (text: string): Job => ({
    ...job,
    used: [{ drive: 'old', at: '2031-05-06T10:00:00.000Z', text }],
  });

  test('is judged by what is left of its rating, whether it counts bytes or the share that is used', () => {
    const fresh = candidatesOf(job).years('new')!;
    expect(candidatesOf(job).years('old')).toBe(fresh);
    const half = candidatesOf(withPage('Percentage Used: 75%'));
    expect(half.years('old')! / fresh).toBeCloseTo(0.25, 9);
    expect(half.years('new')).toBe(fresh);
    // Units of 512,000 B.
    const units = Math.round((rated * 0.6) / 512_000);
    expect(candidatesOf(withPage(`Data Units Written: ${units}`)).years('old')! / fresh).toBeCloseTo(0.4, 4);
    // What Choice counts is what a closer look tells.
    expect(half.told!.before).toBe('Of the rated writes ');
    expect(half.told!.years.expected / half.years('old')!).toBeCloseTo(1, 6);
  });

  test('with media errors is not offered, and why-not says so', () => {
    const { years, fallen } = candidatesOf(withPage('Media and Data Integrity Errors: 2'));
    expect(years('old')).toBeUndefined();
    expect(fallen.filter(({ drive }) => drive.id === 'old').map(({ reason }) => reason)).toContain(
      'worn or failing',
    );
    expect(reasonWords('worn or failing')).toBe('Its health page says not to buy it');
  });

  test('what the device’s own drive counted is nothing of another that is searched for', () => {
    const [device] = job.devices;
    const counted: Job = {
      ...job,
      devices: [
        { ...device!, needs: { ...device!.needs, counters: [{ on: '2031-05-01', written: rated * 0.9 }] } },
      ],
    };
    const { years, wanted } = candidatesOf(counted);
    expect(years('new')).toBe(candidatesOf(job).years('new'));
    expect(wanted.places[0]!.needs!.counters).toBeUndefined();
    const mine = { ...device!.parts!.drive, id: 'old' };
    const its = candidatesOf({
      ...counted,
      devices: [{ ...counted.devices[0]!, parts: { ...device!.parts!, drive: mine } }],
    });
    expect(its.years('old')! / its.years('new')!).toBeCloseTo(0.1, 6);
  });
});
