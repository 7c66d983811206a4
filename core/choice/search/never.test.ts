import fc from 'fast-check';
import { SHOP } from '../../catalog/stock';
import type { Price, Shop } from '../../catalog/parts';
import { middle } from '../../evidence';
import { screenRules, settledTemperature, factsOf } from '../../fit';
import { runs } from '../../fixtures/draws';
import { onJob } from '../../fixtures/forecast';
import { jobOf } from '../../fixtures/recipes';
import { seededRecipes } from '../../fixtures/seeded';
import { builtAs, pathOf, settingOf } from '../../forecast';
import { Role, type DeviceNeeds } from '../../job';
import { answers, Finalists, type ChosenBuild } from './answer';
import { searchAll } from './search';
import { wantedOf, type Wanted } from './wanted';

/*
 * Whatever the job and the library: nothing that is recommended breaks a rule, a demand or a never of the trade. What is checked is worked out here
 * by itself, from the build and the brief.
 */
const some = <T>(list: readonly T[], minLength: number, maxLength: number) =>
  fc.shuffledSubarray([...list], { minLength, maxLength });
const yes = fc.option(fc.constant(true), { nil: undefined, freq: 3 });
const asked: fc.Arbitrary<DeviceNeeds> = fc
  .record({
    role: fc.option(fc.constantFrom(...Role.options), { nil: undefined }),
    onlyCopy: fc.option(fc.boolean(), { nil: undefined }),
    bootDrive: yes,
    portable: yes,
    still: yes,
    quiet: yes,
    survives: fc.option(fc.constantFrom(1 as const, 2 as const), { nil: undefined, freq: 5 }),
  })
  .map((needs) => Object.fromEntries(Object.entries(needs).filter(([, v]) => v !== undefined)));
/** Boxes of several bays are few: one is always there. */
const boxes = SHOP.bridges.filter(({ bays = 1 }) => bays > 1);
const cases = fc.record({
  recipe: fc.constantFrom(...seededRecipes.filter(({ slow }) => !slow)),
  needs: asked,
  host: fc.option(fc.constantFrom(...SHOP.hosts), { nil: undefined }),
  drives: some(SHOP.drives, 2, 4),
  bridges: some(SHOP.bridges, 1, 2),
  box: fc.constantFrom(...boxes),
  cables: some(SHOP.cables, 4, 6),
});

/** Of what is recommended, what would never be signed. */
function wrong({ candidate: { build, years } }: ChosenBuild, { places }: Wanted): string[] {
  const [{ host, activities, needs = {}, serviceYears }] = places as [Wanted['places'][0]];
  const { drive, bridge, cable, array, together = 1 } = build;
  const said: string[] = [];
  const situation = builtAs(build)(onJob({ ...places[0]!, build }));
  if (pathOf(situation).blocked.length > 0) said.push('blocked');
  for (const direction of ['read', 'write'] as const) {
    const setting = settingOf(situation, direction);
    if (activities.some((a) => 'direction' in a && a.direction === direction)) {
      said.push(...screenRules(setting).blocks);
      const hot = drive.modes.some((m) => m.startsWith('pcie')) && drive.sealed !== true;
      if (hot && (settledTemperature(factsOf(setting))?.expected ?? 0) > 72) said.push('hot');
    }
  }
  const isStripe = together > 1 && (array?.mode === 'stripe' || array?.mode === 'concatenation');
  if (isStripe && (needs.onlyCopy === true || needs.role === 'archive' || needs.role === 'backup'))
    said.push('striped');
  if (cable?.modes.every((m) => m === 'usb-2')) {
    const port = host.ports.find(({ id }) => id === build.port)!;
    if ([port.modes, bridge?.outer ?? drive.modes].every((modes) => modes.some((m) => m !== 'usb-2')))
      said.push('charging cable');
  }
  if (drive.media === 'flash' && years !== null && years < (middle(serviceYears) ?? 0)) said.push('worn out');
  return said;
}

/** Of what meets every target, what the brief asks and it does not keep. */
function unkept({ candidate: { build } }: ChosenBuild, { places: [open] }: Wanted): string[] {
  const { drive, bridge, array, together = 1 } = build;
  const { survives, still, quiet, portable } = open!.needs ?? {};
  const spare = { mirror: together - 1, parity: 1, 'double parity': 2, 'stripe of mirrors': 1 };
  const lost = array && array.mode in spare ? spare[array.mode as keyof typeof spare] : 0;
  const moves = drive.media === 'disk' || bridge?.cooling === 'fan';
  return [
    ...(survives !== undefined && lost < survives ? ['survives'] : []),
    ...(still && moves ? ['still'] : []),
    ...(quiet && (bridge?.cooling === 'fan' || (drive.rpm ?? 0) > 5900) ? ['quiet'] : []),
    ...(portable && bridge?.supply ? ['portable'] : []),
  ];
}

test('nothing that is recommended breaks a rule or is what would never be signed', () => {
  let advised = 0;
  fc.assert(
    fc.property(cases, ({ recipe, needs, host, box, ...parts }) => {
      const shop: Shop = {
        ...SHOP,
        ...parts,
        bridges: [...new Set([...parts.bridges, box])],
        hubs: [],
        prices: [...parts.drives, ...parts.bridges, box].map((part, i): Price => ({
          id: `p${i}`,
          name: part.model,
          of: `${parts.drives.includes(part as (typeof parts.drives)[0]) ? 'drives' : 'bridges'}/${part.id}`,
          on: '2031-04-05',
          amount: 20 + ((i * 53) % 211),
          currency: 'EUR',
        })),
      };
      const job = jobOf(recipe);
      const wanted = wantedOf(job, undefined, { owned: [], currency: 'EUR', shopRanges: {} })!;
      const [open] = wanted.places;
      const here = {
        ...wanted,
        // The other ends of its work stay with the first machine.
        places: [
          {
            ...open!,
            needs: { ...open!.needs, ...needs },
            ...(host
              ? { host, activities: open!.activities.map((a) => ({ ...a, endpoint: undefined })) }
              : {}),
          },
        ],
      };
      const { candidates } = searchAll(here, shop);
      const { dear: _, ...got } = answers(candidates, new Finalists(here), here);
      for (const one of Object.values(got)) {
        if (!one) continue;
        advised++;
        expect(wrong(one, here)).toEqual([]);
      }
      for (const one of [got.meets, got.knee]) if (one) expect(unkept(one, here)).toEqual([]);
    }),
    runs(2000),
  );
  expect(advised).toBeGreaterThan(20);
});
