import { SHOP } from '../catalog/stock';
import { closelyOf, searchAll, searched, summaryOf, wantedFrom, type Closely } from '../choice';
import { demoJobs } from '../demo';
import type { Job } from '../job';
import { offer, orderList, plainWords, toHtml, toMarkdown, type DocumentBlock } from '.';

const [job] = demoJobs() as [Job];
const shop = { ...SHOP, drives: SHOP.drives.filter((_, i) => i % 2 === 1) };
const wanted = wantedFrom(job, undefined, shop, { shopRanges: {} })!;
const of = searched(searchAll(wanted, shop), wanted, shop, null);
const answers = summaryOf(of.found, of.finalists, wanted).answers;
const builds = [...new Set(answers.map(({ id }) => id))]
  .slice(0, 3)
  .map((id) => closelyOf(of, of.ids.get(id)!, 0, '2026-12-01'));
const [first, second] = builds as [Closely, Closely];

test('an offer tells of each build what it costs, does, lasts and lacks, what sets them apart, and has room to sign', () => {
  const made = offer(job, builds, wanted, '2026-12-01');
  const text = toMarkdown(made, 'customer').replaceAll('\u00a0', ' ');
  for (const [i, one] of builds.entries()) {
    expect(text).toContain(`## ${'ABC'[i]}: ${one.words}`);
    expect(text).toContain(`Price: ${one.money.replaceAll('\u00a0', ' ')}`);
  }
  expect(text).toMatch(/Nightly offload to the project disk: .*target 12 min 00 s: .* probable/);
  expect(text).toMatch(
    /B: ([\d.]+\sEUR (more|less) than A|Costs as much as A): (“.*” is done .* (sooner|later)|nobody feels a difference)\./,
  );
  expect(text).toMatch(/Chosen: ☐ A {3}☐ B.*☐ none/);
  expect(text).toContain('Date and signature: ');
  // What is not done is said, never hidden.
  const short = {
    ...first,
    demands: { kept: null, missed: ['It is heard: a fan, or a disk of more than 5,900 rpm.'], open: [] },
  };
  expect(toMarkdown(offer(job, [short], wanted, '2026-12-01'), 'customer')).toContain('What it does not do:');
  expect(toMarkdown(offer(job, [first], wanted, '2026-12-01'), 'customer')).not.toContain('sets them apart');
});

test('what stands in both is what sets them apart: money and waiting, both ways', () => {
  const apart = (a: Closely, b: Closely) => toMarkdown(offer(job, [a, b], wanted, '2026-12-01'), 'customer');
  const as = (cost: number | null, seconds: number): Closely => ({
    ...second,
    candidate: {
      ...second.candidate,
      cost,
      figures: second.candidate.figures.map((f, i) => (i === 0 ? seconds : f)),
    },
  });
  expect(apart(as(200, 100), as(240, 50))).toMatch(
    /B: 40\sEUR more than A: “.*” is done 50(\.0)?\ss sooner\./,
  );
  expect(apart(as(200, 100), as(190, 150))).toMatch(
    /B: 10\sEUR less than A: “.*” is done 50(\.0)?\ss later\./,
  );
  expect(apart(as(200, 100), as(null, 100))).toMatch(
    /B: What it costs beside A is not known: nobody feels a difference\./,
  );
});

test('an order list has every part that the cost counts, as often, with seller and days; what is there costs nothing', () => {
  const table = orderList(job, first, wanted, '2026-12-01').sections[0]!.blocks[0] as Extract<
    DocumentBlock,
    { kind: 'table' }
  >;
  const sum = first.order.reduce((total, { each, count, owned }) => total + (owned ? 0 : each! * count), 0);
  expect(sum).toBeCloseTo(first.candidate.cost!, 6);
  expect(table.rows).toHaveLength(first.order.length);
  expect(table.rows.map(([name]) => plainWords(name!))).toContain(
    `${first.candidate.build.drive.maker} ${first.candidate.build.drive.model}`,
  );
  const key = `drives/${first.candidate.build.drive.id}` as const;
  const there = { ...wanted, owned: [key] };
  const own = closelyOf({ ...of, wanted: there }, first.candidate, 0, '2026-12-01');
  expect(own.order.find(({ owned }) => owned)).toMatchObject({ each: null, price: null });
  expect(toMarkdown(orderList(job, own, there, '2026-12-01'), 'shop')).toContain('there already');
  const bare = searched(of.found, wanted, { ...shop, prices: [] }, null);
  const none = closelyOf(bare, first.candidate, 0, '2026-12-01');
  expect(toMarkdown(orderList(job, none, wanted, '2026-12-01'), 'shop')).toContain('not known');
  expect(toHtml(orderList(job, first, wanted, '2026-12-01'), 'shop')).toContain('<title>Order list: ');
});
