import { sampled } from '../fixtures/draws';
import { faultsIn, ORACLES } from '../fixtures/oracles';
import { seededJob, seededRecipes, timesOf } from '../fixtures/seeded';
import { DIRECTIONS } from '../catalog/links';
import { findings } from '../fit';
import { checklist } from '../fitting';
import { lastingWords, settingOf, sheetOf, situationAt } from '../forecast';
import { placesOf, stages, type Job } from '../job';
import { protocolOf } from '../measure';
import { format } from '../units';
import { verdict } from '../verdict';
import { handover, toMarkdown } from '.';

/** All that is said of a job: both copies of its handover, its stages, checklists, protocol and lives. */
function saidOf(job: Job): string {
  const made = handover(job, verdict(job));
  const places = placesOf(job).flatMap((place) => situationAt(job, place) ?? []);
  return [
    toMarkdown(made, 'customer'),
    toMarkdown(made, 'shop'),
    ...stages(job, { blocked: false, unmet: false }).map(({ next }) => next),
    ...protocolOf(job).tests.map(({ seconds, bytes }) =>
      [format(seconds ?? 0, 's'), format(bytes ?? 0, 'B')].join('\n'),
    ),
    ...places.flatMap((s) => checklist(s).flatMap(({ title, how, caution }) => [title, how, caution ?? ''])),
    ...places.flatMap((s) =>
      DIRECTIONS.flatMap((d) =>
        findings(settingOf(s, d)).flatMap(({ title, reason, fix }) => [title, reason, fix ?? '']),
      ),
    ),
    ...places.flatMap((s) => {
      const { lasting } = sheetOf(s) ?? {};
      return lasting ? [lastingWords(lasting), lasting.coversWords ?? ''] : [];
    }),
  ].join('\n');
}

const looked = seededRecipes
  .map((recipe, i) => ({ recipe, i }))
  .filter(({ recipe, i }) => !recipe.slow && i % 4 === 1);

test('nothing is said of a job that nobody would say', () => {
  const faults = sampled(looked, 8).flatMap(({ recipe, i }) => {
    const said = saidOf(seededJob(recipe, timesOf(recipe, i)));
    return faultsIn(said).map((fault) => `${recipe.id}, ${fault}`);
  });
  expect(faults).toEqual([]);
});

test.each([
  ['a value that is none', 'It took NaN s.'],
  ['digits that nobody reads', '0.459959123 a week'],
  ['marks without words between', 'Read on 3 May, ; written'],
  ['a word twice', 'On On the board'],
  ['years that nobody counts', '5,479 years are left'],
  ['a range without width', '4.6 years to 4.6 years'],
  ['a range without width', 'took 7 min 32 s to 7 min 32 s.'],
  ['an end that is none', '12.1 MB/s to without end'],
  ['a share above all', '120 % probable'],
])('%s would be seen', (name, text) => {
  expect(ORACLES.filter(([, wrong]) => wrong.test(text)).map(([of]) => of)).toEqual([name]);
});
