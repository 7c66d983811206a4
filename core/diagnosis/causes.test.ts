import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { exactFact } from '../evidence';
import { demoJobs } from '../demo';
import { caseOf, situationOf } from '../forecast';
import { briefAt, placesOf, type Job, type Move, type Run } from '../job';
import { rigOf, roundOf } from '../practice';
import { verdict } from '../verdict';
import {
  CAUSES,
  diagnose,
  HEALTHY,
  logsOf,
  lookedAt,
  LOOKS,
  pairOf,
  registerCause,
  score,
  singles,
  type Evidence,
  type Hypothesis,
} from '.';

const [offload] = demoJobs() as [Job];
const situation = situationOf(briefAt(offload, placesOf(offload)[0]!)!)!;
const moves = offload.activities.filter((a): a is Move => a.kind === 'move');
const cases = moves.map((a) => caseOf(situation, a.id));
const cause = (id: string): Hypothesis => CAUSES.find((c) => c.id === id)!;

/** What docs/causes.md says: every cause with its place, how often, what to do; every look and test. */
function listed(): string {
  const cell = (text: string) => text.replace(/\|/g, '\\|');
  const table = (head: string[], rows: string[][]) =>
    [head, head.map(() => '---'), ...rows].map((row) => `| ${row.map(cell).join(' | ')} |`).join('\n');
  return [
    '# Causes, looks and tests',
    'Written by `KYMAR_WRITE=1 npx jest core/diagnosis/causes`; a test compares. Each is an entry of a table in `core/diagnosis/causes/` or `looks.ts`.',
    '## Causes',
    table(
      ['Cause', 'Where', 'How often, relative to the others (from memory)', 'What to do'],
      CAUSES.map(({ title, site, prior, fix }) => [title, site, String(prior), fix]),
    ),
    '## Looks and tests',
    table(
      ['Look or test', 'Takes the place of, or ends', 'min on top of the run itself'],
      LOOKS.map(({ title, replaces, ends = [], extra = 0 }) => [
        title,
        [...replaces, ...ends].join(', ') || 'nothing',
        String(extra),
      ]),
    ),
    '',
  ].join('\n\n');
}

test('the list in docs is the one in force; KYMAR_WRITE=1 writes it anew', () => {
  const file = join(__dirname, '../../docs/causes.md');
  if (process.env.KYMAR_WRITE) writeFileSync(file, listed());
  expect(readFileSync(file, 'utf8')).toBe(listed());
});

test('a cause added from outside stands in diagnosis, next test, practice and docs', () => {
  const added: Hypothesis = {
    id: 'made up',
    site: 'cable',
    prior: 8,
    title: 'A made-up cause',
    fix: 'Undo it.',
    applies: ({ activity }) => activity.kind === 'move',
    change: (of) => ({
      ...of,
      activity: {
        ...of.activity,
        bytes: exactFact(((of.activity as Move).bytes.value as number) * 2.6),
      } as Move,
    }),
  };
  const forget = registerCause(added);
  expect(() => registerCause(added)).toThrow(RangeError);
  const runs = moves.map((move, i): Run => {
    const logs = logsOf(lookedAt(undefined, added, cases[i]!), false)!;
    const measure = { ...offload.runs[0]!.measure, bytes: move.bytes.value, files: move.files.value };
    return {
      ...offload.runs[0]!,
      id: move.id,
      activity: move.id,
      direction: move.direction,
      measure: { ...measure, seconds: Math.exp(logs[90]!), until: 'written' } as Run['measure'],
    };
  });
  const found = diagnose({ ...offload, runs, forecasts: [], chain: undefined })!;
  expect(found.groups[0]!.ids).toContain('made up');
  expect(found.next.flatMap(({ outcomes }) => outcomes.map(({ id }) => id))).toContain('made up');
  const rig = rigOf(roundOf(2, 1), []);
  expect(rig.causes.map(({ id }) => id)).toContain('made up');
  expect(Array.from({ length: 12 }, (_, i) => roundOf(1, i + 1).cause?.id)).toContain('made up');
  expect(listed()).toContain('A made-up cause');
  forget();
  expect(CAUSES.map(({ id }) => id)).not.toContain('made up');
});

describe('two at once', () => {
  const [a, b] = [cause('usb-2 cable'), cause('small-file overhead')];
  const pair = pairOf(a, b, 130);

  test('a pair is one thing whichever comes first; each of it may be gone while the other stays', () => {
    expect(pairOf(b, a, 130).id).toBe(pair.id);
    expect(singles(pair).map(({ id }) => id)).toEqual([b.id, a.id].sort());
    expect(singles(null)).toEqual([]);
    const swap = LOOKS.find(({ id }) => id === 'swap cable')!;
    const middle = (of: Parameters<typeof logsOf>[0]) =>
      [...logsOf(of, false, { every: 25 })!].sort((x, y) => x - y)[20]!;
    const [all, left, files] = [
      middle(lookedAt(undefined, pair, cases[0]!)),
      middle(lookedAt(swap, pair, cases[0]!)),
      middle(lookedAt(undefined, b, cases[0]!)),
    ];
    expect(left).toBe(files);
    expect(all).toBeGreaterThan(left + 1);
  });

  test('they are thought of where no one explains what was measured, and only there', () => {
    // Nine times as long one way, twice the other: no one thing does that.
    const evidence = (slower: Record<'write' | 'read', number>): Evidence[] =>
      cases.map((of) => ({
        title: of.activity.name,
        of,
        toBar: false,
        time: {
          log: logsOf(of, false)![110]! + Math.log(slower[(of.activity as Move).direction]),
          sigma: 0.05,
        },
        seen: null,
        off: 1,
        samples: [],
      }));
    const found = (slower: Record<'write' | 'read', number>) => score(evidence(slower)).map(({ id }) => id);
    expect(found({ write: 1, read: 1 }).some((id) => id.includes(' and '))).toBe(false);
    expect(
      found({ write: 9, read: 2 })
        .slice(0, 4)
        .some((id) => id.includes(' and ')),
    ).toBe(true);
  });
});

describe('what was done and seen', () => {
  const [, , , , second] = demoJobs() as [Job, Job, Job, Job, Job];
  const look = { look: 'look at the link', seen: 'usb-5', at: '2026-11-20T08:00:00.000Z' };

  test('a run made with something done differently tells of that, and does not take the place of the others', () => {
    const [first] = second.runs as [Run];
    const timed = (seconds: number): Run => ({
      ...first,
      id: 'tested',
      at: '2026-11-20T10:00:00.000Z',
      measure: { ...first.measure, seconds } as Run['measure'],
      conditions: { ...first.conditions, look: 'other port' },
    });
    const quick = diagnose({ ...second, runs: [...second.runs, timed(290)] })!;
    const slow = diagnose({ ...second, runs: [...second.runs, timed(536)] })!;
    expect(quick.shown.evidence).toHaveLength(3);
    const port = (found: typeof quick) =>
      found.causes.find(({ id }) => id === 'slower port')?.probability ?? 0;
    const before = port(diagnose(second)!);
    expect(port(quick)).toBeGreaterThan(before);
    expect(port(slow)).toBeLessThan(before / 2);
    expect(quick.next.map(({ id }) => id)).not.toContain('other port');
    const [told] = quick.told;
    expect(told).toMatchObject({ look: 'other port', cause: quick.groups[0]!.ids[0] });
    expect(told!.after).toBeGreaterThan(told!.before);
  });

  test('what was seen before something was put right tells no more', () => {
    const seen = { ...second, looks: [look] };
    expect(diagnose(seen)!.shown.evidence.some((e) => e.seen === 'usb-5')).toBe(true);
    const found = [{ cause: 'x', title: 'x', fix: 'x', probability: 1, at: '2026-11-20T09:00:00.000Z' }];
    expect(diagnose({ ...seen, found })!.shown.evidence.some((e) => e.seen === 'usb-5')).toBe(false);
  });

  test('each likely cause with what it says of each measurement, and the course it would give', () => {
    const { shown, gain } = diagnose(second)!;
    expect(shown.causes.map(({ id }) => id)).toContain(HEALTHY);
    for (const { by, course } of shown.causes) {
      expect(by).toHaveLength(shown.evidence.length);
      for (let i = 1; i < course.length; i++) {
        expect(course[i]!.t).toBeGreaterThanOrEqual(course[i - 1]!.t);
        expect(course[i]!.bytes).toBeGreaterThanOrEqual(course[i - 1]!.bytes);
      }
      expect(course.at(-1)!.bytes / 214e9).toBeCloseTo(1, 2);
    }
    const healthy = shown.causes.find(({ id }) => id === HEALTHY)!;
    expect(healthy.by.some(({ fits }) => !fits)).toBe(true);
    expect(shown.causes[0]!.by.every(({ fits }) => fits)).toBe(true);
    expect(gain!.healthy).toBeLessThan(gain!.took * 0.7);
    // What is to be had is what the forecast says, wherever it is told.
    const told = verdict(second).claims.find(({ title }) => title === gain!.title)!;
    expect(gain!.healthy).toBe(told.forecast!.time!.expected);
  });
});
