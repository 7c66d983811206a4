/** @jest-environment jsdom */
import { TextEncoder } from 'node:util';
import { act, render } from '@testing-library/react';
import { demoJobs } from '@kymar/core/demo';
import { diagnose } from '@kymar/core/diagnosis';
import type { Job, Run } from '@kymar/core/job';
import { timedRun } from '../../../core/fixtures/runs';
import type * as Router from 'react-router';
import type { Causes as TheCauses } from '.';
import { setFold } from '../../state/folds';
import { useDiagnosis } from './use';

// The worker is not there: what it would answer is worked out here.
jest.mock('./use');
// Nothing is drawn here.
jest.mock('./coursechart', () => ({ __esModule: true, default: () => null }));
Object.assign(globalThis, { TextEncoder });
const { Causes } = jest.requireActual<{ Causes: typeof TheCauses }>('.');

// Whatever folds is open: all that may be read is read.
beforeAll(() => setFold('verdict.against', true));
const { MemoryRouter } = jest.requireActual<typeof Router>('react-router');

const [demo] = demoJobs() as [Job];
const { chain: _, ...unchained } = demo;
const bare: Job = { ...unchained, forecasts: [], runs: [] };
const written = (seconds: number[], bytes = 214e9): Run[] =>
  seconds.map((s, i) =>
    timedRun({ bytes, files: 38_400, seconds: s }, { id: `w${i}`, activity: 'offload', direction: 'write' }),
  );
const readBack = (seconds: number[], bytes = 36e9): Run[] =>
  seconds.map((s, i) =>
    timedRun({ bytes, files: 6400, seconds: s }, { id: `r${i}`, activity: 'readback', direction: 'read' }),
  );

/** What stands on the page, as it is read aloud. */
async function read(runs: Run[], more: Partial<Job> = {}): Promise<string> {
  const job = { ...bare, ...more, runs };
  const found = diagnose(job)!;
  jest.mocked(useDiagnosis).mockReturnValue({ found, isBusy: false, problem: null, again: () => {} });
  const { container, unmount } = await act(() =>
    render(
      <MemoryRouter>
        <Causes job={job} onWords={() => {}} />
      </MemoryRouter>,
    ),
  );
  const text = container.textContent.replaceAll('\u00a0', ' ');
  unmount();
  // Whatever is said: no range without width, no cause named twice in one breath.
  for (const [, from, to] of text.matchAll(/(\d[\d.]*(?: \w+)+) to (\d[\d.]*(?: \w+)+)/g))
    expect(from).not.toBe(to);
  return text;
}
const sound = [...written([294, 297]), ...readBack([48, 48.4])];

test('nothing wrong: how sure that is, what these runs did not test, nothing to set right and no words of loss', async () => {
  const text = await read(sound);
  expect(text).toMatch(/^How sure that isNothing wrong found\. \d\d %Not tested by these runs: /);
  expect(text).not.toMatch(/sets aside|For the customer|Once fixed/);
});

test('one cause: the cause, what to do, what that brings, and a sentence for the customer', async () => {
  const marked = { look: 'look at the port', seen: 'usb-10', at: '2026-12-04T10:00:00.000Z' };
  const text = await read([...written([5200, 5230]), ...readBack([900, 906])], { looks: [marked] });
  expect(text).toMatch(/^Likely causesThe cable carries USB 2\.0 only\. Another cable: many only charge\./);
  expect(text).not.toContain('One of these');
  expect(text).toContain('should take about 46.7 s instead of 15 min 03 s.');
  expect(text).toMatch(
    /“Morning read-back .* took 15 min 03 s; about 46\.7 s is what it should take\. The cause: /,
  );
  expect(text).toMatch(/The cause: the cable carries USB 2\.0 only\. Another cable: many only charge\.”/);
});

test('who pays for the part at fault, by what was noted of its purchase', async () => {
  const marked = { look: 'look at the port', seen: 'usb-10', at: '2026-12-04T10:00:00.000Z' };
  const runs = [...written([5200, 5230]), ...readBack([900, 906])];
  const fitting = { device: bare.devices[0]!.id, steps: [] };
  const warranted = await read(runs, {
    looks: [marked],
    fittings: [{ ...fitting, warrantyUntil: '2099-01-01' }],
  });
  expect(warranted).toMatch(/C to C, 10 Gb\/s is under warranty until 1 January 2099: the maker pays/);
  expect(await read(runs, { looks: [marked], fittings: [fitting] })).toMatch(
    /Who pays for C to C, 10 Gb\/s is open: note in Set-up when it was bought/,
  );
  // A port is no part that was sold.
  expect(await read(written([560, 618]))).not.toMatch(/pays/);
});

test('several that look alike: one of these, what to do first, and what each result of the next look would mean', async () => {
  const text = await read(written([560, 618]));
  expect(text).toMatch(
    /^Likely causesOne of these, \d\d % together: what was measured cannot tell them apart\./,
  );
  expect(text).toMatch(
    /It is likely one of these: the port is of a slower class; a hub or dock between passes on less; .*First: plug it/,
  );
  expect(text).not.toMatch(/The (likeliest )?cause:/);
  // Two columns: what is seen, and what it is then, with how probable that would be.
  expect(text).toMatch(
    /If you seethen it isUSB 5 Gb\/sThe port is of a slower class \d\d %a hub or dockA hub or dock/,
  );
});

test('two at once: said as two, each with what to do', async () => {
  const text = await read([...written([5200, 5230]), ...readBack([90, 90.6])]);
  expect(text).toMatch(
    /Two at once: the system fell back to the bulk-only protocol, and the other end reads slower .*Another port or driver; .*Time the source/,
  );
});

test('none: what to do where nothing known explains it, nothing to press and nothing promised', async () => {
  const text = await read([...written([294, 297]), ...readBack([6400, 6410])]);
  expect(text).toMatch(
    /^Likely causesNone of the known causes\. (over )?99 %Change one thing at a time and time it again: the cable, /,
  );
  expect(text).not.toMatch(/It was this|Once fixed|For the customer/);
  // What a sound rig would take is that of one, not the furthest it could be from it.
  expect(text).toMatch(/1 h 47 min3\d.* s to 1 min 1\d s ✕/);
});

test('a slip of one run: that run beside the others, and nothing is gained by setting it right', async () => {
  const text = await read([...written([294, 297]), ...readBack([48, 48.4, 4.8])]);
  expect(text).toMatch(
    /^Likely causesWrong size entered\. Count again what was copied\.It was this(over )?9\d %“It was this” sets aside 5 runs/,
  );
  expect(text).toMatch(/transect, run 3 of 34\.8 s/);
  expect(text).toMatch(/transect, the other 2 runs48\.2 s/);
  expect(text).not.toMatch(/Once fixed|For the customer/);
});
