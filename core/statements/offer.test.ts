import { SHOP } from '../catalog/stock';
import { DIRECTIONS } from '../catalog/links';
import { fixes, searchAll, summaryOf, Finalists, wantedFrom } from '../choice';
import { demoJobs } from '../demo';
import { situationAt } from '../forecast';
import { placesOf, type Job } from '../job';
import { fixSaid, offeredSaid } from '.';

const [offload] = demoJobs() as [Job];
const [place] = placesOf(offload);
const how = { shopRanges: {} };
/** A third of the drives on sale: all that is said is said of them too. */
const FEW = { ...SHOP, drives: SHOP.drives.filter((_, i) => i % 3 === 0) };

test('what a library offers is said once: rows, answers, why the others fell out, what each path could have', () => {
  const said = offeredSaid(offload, FEW, how);
  const known = new Map(said.map(({ id, words }) => [id, words]));
  expect(known.size).toBe(said.length);
  const wanted = wantedFrom(offload, place!.device, FEW, how)!;
  const found = searchAll(wanted, FEW);
  const { answers, looked, works } = summaryOf(found, new Finalists(wanted), wanted);
  expect(known.get('judged looked search')).toContain(
    `${looked.toLocaleString('en-GB')} builds that plug together`,
  );
  expect(known.get('judged looked search')).toContain(`${works.toLocaleString('en-GB')} work`);
  for (const { kind, id, money, reason } of answers) {
    expect(known.get(`judged money ${kind} ${id}`)).toBe(money);
    expect(known.get(`judged reason ${kind} ${id}`)).toBe(reason);
  }
  // The same figure in the table, and looked at closely.
  const [first] = answers;
  const row = known.get(`forecast figure build ${first!.id} 0`)!;
  expect(known.get(`forecast meets closely ${first!.id} 0`)!.startsWith(row)).toBe(true);
  expect(known.get(`forecast usable build ${first!.id}`)).toBe(
    known.get(`forecast usable closely ${first!.id}`),
  );
});

test('a fix is one sentence and two figures of it', () => {
  const all = (demoJobs() as Job[]).flatMap((job) =>
    placesOf(job).flatMap((at) => {
      const situation = situationAt(job, at);
      return situation
        ? DIRECTIONS.flatMap((d) => fixes(situation, SHOP, d).map((fix) => fixSaid(at, fix, d)))
        : [];
    }),
  );
  expect(all.length).toBeGreaterThan(1);
  for (const { flow, gain, fix } of all) {
    expect(fix!.words).toMatch(/^\S.*\(costs .*\)\.$/);
    if (flow!.words !== 'blocks less') expect(fix!.words).toContain(`: ${flow!.words}`);
    if (gain) expect(fix!.words).toContain(`, ${gain.words.slice(1)} more`);
  }
});
