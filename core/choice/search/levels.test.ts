import { SHOP } from '../../catalog/stock';
import { demoJobs } from '../../demo';
import { addMachine, placesOf, type Job } from '../../job';
import { closelyOf } from './closely';
import { mayBeAdvised } from './demands';
import { levelsBeside, levelWords } from './levels';
import { searchAll } from './search';
import { searched } from './searched';
import { searchedPlaces, wantedFrom } from './wanted';

const TODAY = '2026-12-02';
const job = demoJobs().find(({ activities }) => activities.some(({ kind }) => kind === 'keep')) as Job;
const keeper = job.activities.find(({ kind }) => kind === 'keep')!;
const shop = { ...SHOP, drives: SHOP.drives.filter(({ form }) => form === '3.5-inch') };
const wanted = wantedFrom(job, keeper.device, shop, { shopRanges: {} })!;
const found = searchAll(wanted, shop);
const all = searched(found, wanted, shop, null);
const parity = found.candidates.find(
  ({ build }) => build.array?.mode === 'parity' && build.together === build.bridge?.bays,
)!;

test('other levels are of the same drives in the same enclosure, each once, what survives most first', () => {
  const others = levelsBeside(parity, found.candidates);
  expect(others.length).toBeGreaterThan(1);
  const box = ({ build }: typeof parity) => [build.drive.id, build.bridge?.id, build.port, build.cable?.id];
  for (const other of others) expect(box(other)).toEqual(box(parity));
  const names = others.map(levelWords);
  expect(new Set(names).size).toBe(names.length);
  expect(names).not.toContain(levelWords(parity));
  expect(others.map(({ build }) => build.array!.mode)).toContain('stripe');
  expect(others[0]!.build.array!.mode).not.toBe('stripe');
});

test('each level says what it holds, survives, takes to rebuild and costs; one that is never advised says why', () => {
  const { levels } = closelyOf(all, parity, 0, TODAY);
  expect(levels[0]).toEqual({
    id: parity.id,
    words: expect.stringMatching(
      /^RAID 5 of 4, made by the enclosure: .*TB usable, 1 may fail, whichever it is, a rebuild takes at least .* of cases, .*EUR/,
    ) as string,
  });
  expect(levels[0]!.words).toContain(' and meets what it cannot read in ');
  for (const { id, words } of levels)
    expect(words.includes('Never advised')).toBe(!mayBeAdvised(all.ids.get(id)!));
  const single = found.candidates.find(({ build }) => (build.bridge?.bays ?? 1) < 2);
  if (single) expect(closelyOf(all, single, 0, TODAY).levels).toEqual([]);
});

test('a machine that must also work here is searched for, also without work of its own', () => {
  const host = SHOP.hosts.find(({ id }) => id !== wanted.places[0]!.host.id)!;
  const one = {
    ...job,
    devices: job.devices.slice(0, 1),
    connections: [],
    machines: job.machines.slice(0, 1),
  };
  const alone = { ...one, activities: [{ ...keeper, device: undefined, machine: undefined }] } as Job;
  const more = addMachine(alone, { ...host, name: 'Other' });
  const also = {
    ...more,
    machines: more.machines.map((m, i) => (i === 0 ? m : { ...m, use: 'also' as const })),
  };
  expect(searchedPlaces(alone)).toHaveLength(1);
  expect(searchedPlaces(also).map(({ machine }) => machine)).toEqual(also.machines.map(({ id }) => id));
  expect(
    placesOf({ ...also, machines: more.machines.map((m) => ({ ...m, use: 'bench' as const })) }),
  ).toHaveLength(1);
  const without = { ...host, name: 'Other', ports: [] };
  const shut = { ...also, machines: also.machines.map((m, i) => (i === 0 ? m : { ...m, host: without })) };
  const search = (of: Job) => searchAll(wantedFrom(of, undefined, shop, { shopRanges: {} })!, shop);
  expect(search(shut).candidates).toEqual([]);
  const both = search(also).candidates;
  expect(both.length).toBeGreaterThan(0);
  expect(both.every(({ elsewhere, figures }) => elsewhere.length === 1 && figures.length === 1)).toBe(true);
});
