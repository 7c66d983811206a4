import { demoJobs } from '../demo';
import { diagnose } from '../diagnosis';
import { timedRun } from '../fixtures/runs';
import type { Fitting, Job } from '../job';
import { payingFor, payingSaid } from '../statements';
import { verdict } from '../verdict';
import { returnLetter, toMarkdown } from '.';

const [offload] = demoJobs() as [Job];
const { chain: _, ...unchained } = offload;
/** Written as it should be while the cache lasts, and three times too slow behind it. */
const slow: Job = {
  ...unchained,
  forecasts: [],
  runs: [1, 2].map((i) =>
    timedRun(
      { bytes: 640e9, files: 60, seconds: 2900 + 40 * i },
      { id: `w${i}`, activity: 'offload', direction: 'write', at: `2026-12-01T1${i}:00:00.000Z` },
    ),
  ),
};
const noted = (more: Partial<Fitting>): Job => ({
  ...slow,
  fittings: [{ device: slow.devices[0]!.id, steps: [], ...more }],
});
const ON = '2026-12-02';
const payer = (job: Job, takes: 'drive' | 'cable' | null = 'drive') =>
  payingFor(job, { takes }, 'offload', ON);

describe('who pays for a fix', () => {
  test('the seller within the days to return, the maker under warranty, then the customer', () => {
    expect(payer(noted({ bought: '2026-11-20', returnDays: 30 }))).toMatchObject({
      payer: 'seller',
      until: '2026-12-20',
    });
    expect(payer(noted({ bought: '2026-10-20', returnDays: 14, warrantyUntil: '2029-10-20' }))).toMatchObject(
      { payer: 'maker', until: '2029-10-20' },
    );
    expect(payer(noted({ bought: '2015-01-20', returnDays: 14 }))).toMatchObject({
      payer: 'customer',
      until: null,
    });
    expect(payer(noted({}))).toMatchObject({ payer: 'open' });
    expect(payer(noted({ bought: '2026-11-20', returnDays: 30 }), null)).toMatchObject({ payer: 'nobody' });
  });

  test('the warranty of a drive follows from its sheet; a cable has none that anybody noted', () => {
    const bought = noted({ bought: '2025-03-01' });
    expect(payer(bought)).toMatchObject({ payer: 'maker' });
    expect(payer(bought, 'cable')).toMatchObject({ payer: 'open' });
  });

  test('on its last day it can still go back', () => {
    const job = noted({ bought: '2026-11-22', returnDays: 10 });
    expect(payer(job)).toMatchObject({ payer: 'seller', until: ON });
    expect(payingFor(job, { takes: 'drive' }, 'offload', '2026-12-03').payer).not.toBe('seller');
  });

  test('each is one sentence; where no part is at fault nothing is said', () => {
    const words = (job: Job, takes: 'drive' | null = 'drive') =>
      payingSaid(job, payer(job, takes)).pays?.words;
    expect(words(noted({ bought: '2026-11-20', returnDays: 30 }))).toMatch(
      /can go back until 20 December 2026: the seller pays\.$/,
    );
    expect(words(noted({}))).toMatch(/is open: note in Set-up when it was bought/);
    expect(words(noted({}), null)).toBeUndefined();
  });
});

test('the letter holds part, serial number, day, cause, measurements and evidence, and what is asked', () => {
  const job = noted({
    bought: '2026-11-20',
    returnDays: 30,
    serial: 'RD-77',
    paid: { amount: 171, currency: 'EUR' },
  });
  const found = diagnose(job)!;
  const letter = toMarkdown(returnLetter(job, verdict(job), found, payer(job), ON), 'customer');
  for (const said of [
    /RD-77/,
    /20 November 2026, 171\sEUR/,
    /Can go back until 20 December 2026/,
    /# What is wrong/,
    /Evidence/,
    /2026-12-01 11:00/,
    /or the money back/,
    /read back/,
  ])
    expect(letter).toMatch(said);
  // Nothing of the shop's own note, nor of the customer, goes to a seller.
  const withNote = { ...job, note: 'KEEP-THIS', customer: 'NOT-THEIRS', contact: 'NOR-THIS' };
  expect(
    toMarkdown(returnLetter(withNote, verdict(withNote), found, payer(withNote), ON), 'customer'),
  ).not.toMatch(/KEEP-THIS|NOT-THEIRS|NOR-THIS/);
});
