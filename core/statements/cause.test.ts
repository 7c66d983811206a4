import { demoJobs } from '../demo';
import { diagnose, type Diagnosis } from '../diagnosis';
import { CHOICES } from '../forecast';
import { causesSaid, gainSaid, groupsSaid, lookSaid, settledSaid } from '.';

const second = demoJobs().find(({ id }) => id === 'demo-acoustics-second')!;
const found = diagnose(second)!;
const [lead] = found.groups as [Diagnosis['groups'][0]];
/** The same measurements, and what leads made otherwise. */
const leading = (ids: string[], probability: number): Diagnosis => ({
  ...found,
  groups: [{ ids, probability }, ...found.groups.slice(1)],
  causes: found.causes.map((c) => (ids.includes(c.id) ? { ...c, probability: probability / ids.length } : c)),
});
const sentence = (of: Diagnosis) => gainSaid(of).sentence?.words ?? null;

test('one id says one thing, and every share that is told is that of its cause', () => {
  const said = causesSaid(second, found);
  expect(new Set(said.map(({ id }) => id)).size).toBe(said.length);
  expect(said.length).toBeGreaterThan(15);
  const told = groupsSaid(found).flatMap(({ causes }) => causes);
  expect(told.every(({ share }) => /^(over |under )?\d+ %$/.test(share!.words))).toBe(true);
});

test('“the cause” is said of one cause at 90 % and more alone; of a group that it is one of these', () => {
  const [first] = lead.ids as [string];
  expect(sentence(leading([first], 0.93))).toContain('The cause: ');
  expect(sentence(leading([first], 0.8))).toContain('The likeliest cause: ');
  const group = sentence(leading(lead.ids.slice(0, 3), 0.97))!;
  expect(group).toContain('It is likely one of these: ');
  expect(group).not.toMatch(/The (likeliest )?cause:/);
});

test('nothing is promised where nothing is lost, and nothing is fixed where no cause leads', () => {
  const { gain } = found;
  expect(sentence({ ...found, gain: { ...gain!, took: gain!.healthy * 0.4 } })).toBeNull();
  expect(sentence({ ...found, gain: { ...gain!, took: gain!.healthy * 1.02 } })).toBeNull();
  expect(gainSaid(leading(['healthy'], 0.9))).toEqual({});
  expect(gainSaid(leading(['none of these'], 0.9))).toEqual({});
});

test('what is to be looked at next says what each result would mean; where nothing is left, nothing', () => {
  const look = lookSaid(found)!;
  expect(look.minutes!.words).toBe('a minute');
  // Each thing that may be seen stands there once, with all that it would speak of and how probable that would be.
  const sights = look.outcomes.map(({ result }) => result!.words);
  expect(new Set(sights).size).toBe(sights.length);
  expect(sights.length).toBeGreaterThan(1);
  const means = look.outcomes.map(({ means }) => means!.words);
  expect(means.join()).toMatch(/the port is of a slower class .*%/i);
  // What is seen under one cause alone leaves nothing but that and what is on no list.
  for (const words of means) {
    const shares = [...words.matchAll(/(\d+(?:\.\d+)?) %/g)].map(([, share]) => Number(share));
    expect(shares.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(101);
  }
  expect(lookSaid({ ...found, next: [] })).toBeNull();
});

test('what the runs settle is told where nothing is wrong, with how sure that is; else nothing', () => {
  const settled = [{ choice: CHOICES.builtIn, way: 'sata', prior: 0.2, probability: 0.97 }];
  expect(settledSaid({ ...found, settled }).settled!.words).toMatch(
    /^The runs tell: class of the built-in drive: .*SATA.* \(97.%\)\.$/,
  );
  expect(settledSaid({ ...found, settled: [] })).toEqual({});
  expect(found.settled.length === 0 || found.groups[0]!.ids[0] === 'healthy').toBe(true);
});
