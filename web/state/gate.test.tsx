/** @jest-environment jsdom */
import { act, render } from '@testing-library/react';
import { useState } from 'react';
import { answerTo, useAnswer, type GateAnswer, type Question } from './gate';
import { revisionOf } from './revision';
import { Gone } from './gone';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());
const pass = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms));

/** A worker that answers when told to, and what it was asked. */
function desk(name: string) {
  const asked: { of: number; signal: AbortSignal; answer(value: string): void; fail(error: Error): void }[] =
    [];
  const question = (of: number, more: Partial<Question<string>> = {}): Question<string> => ({
    name,
    subject: 'one',
    about: [of],
    ask: (signal) => new Promise((answer, fail) => asked.push({ of, signal, answer, fail })),
    ...more,
  });
  return { asked, question };
}

/** A page that shows the answer to what it is told to ask. */
function page(first: Question<string> | null) {
  let now!: GateAnswer<string>;
  let set!: (question: Question<string> | null) => void;
  function Shown() {
    const [question, setQuestion] = useState(first);
    now = useAnswer(question);
    set = setQuestion;
    return null;
  }
  const { unmount } = render(<Shown />);
  return { answer: () => now, ask: (question: Question<string> | null) => act(() => set(question)), unmount };
}

test('the latest question counts: the last answer stands meanwhile, and what is no longer asked is given up', async () => {
  const { asked, question } = desk('latest');
  const shown = page(question(1));
  await pass(1);
  expect(shown.answer()).toMatchObject({ data: undefined, isFresh: false, problem: null });
  await act(async () => asked[0]!.answer('first'));
  await pass(1);
  expect(shown.answer()).toMatchObject({ data: 'first', isFresh: true });
  shown.ask(question(2));
  await pass(1);
  expect(shown.answer()).toMatchObject({ data: 'first', isFresh: false });
  shown.ask(question(3));
  await pass(1);
  expect(asked[1]!.signal.aborted).toBe(true);
  await act(async () => asked[1]!.answer('too late'));
  await act(async () => asked[2]!.answer('third'));
  await pass(1);
  expect(shown.answer()).toMatchObject({ data: 'third', isFresh: true });
  // What was answered before is not asked again.
  shown.ask(question(1));
  await pass(1);
  expect([shown.answer().data, asked.length]).toEqual(['first', 3]);
  shown.ask(question(4, { subject: 'another' }));
  await pass(1);
  expect(shown.answer().data).toBeUndefined();
  shown.unmount();
  await pass(1);
  expect(asked[3]!.signal.aborted).toBe(true);
});

test('what changes while somebody types is asked once it rests', async () => {
  const { asked, question } = desk('still');
  const shown = page(question(0, { still: 200 }));
  for (let i = 1; i < 8; i++) {
    await pass(100);
    shown.ask(question(i, { still: 200 }));
  }
  await pass(199);
  expect(asked).toEqual([]);
  await pass(2);
  expect(asked.map(({ of }) => of)).toEqual([7]);
});

test('what failed is told, and asked again only where nobody was there, or a person says so', async () => {
  const { asked, question } = desk('failing');
  const shown = page(question(1));
  await pass(1);
  await act(async () => asked[0]!.fail(new RangeError('It cannot be compared')));
  await pass(60_000);
  expect(shown.answer()).toMatchObject({ problem: 'It cannot be compared', isFresh: false });
  expect(asked).toHaveLength(1);
  act(() => shown.answer().again());
  await pass(1);
  await act(async () => asked[1]!.fail(new Gone('Nobody is there')));
  await pass(1);
  expect(shown.answer().problem).toBe('Nobody is there');
  await pass(1500);
  expect(asked).toHaveLength(3);
  await act(async () => asked[2]!.answer('there again'));
  await pass(1);
  expect(shown.answer()).toMatchObject({ data: 'there again', isFresh: true, problem: null });
});

test('what is read off the world is read anew each time it is looked at; what is pressed asks once', async () => {
  const { asked, question } = desk('world');
  for (const said of ['a', 'b']) {
    const shown = page(question(1, { isKept: false }));
    await pass(1);
    await act(async () => asked.at(-1)!.answer(said));
    await pass(1);
    expect(shown.answer().data).toBe(said);
    shown.unmount();
    await pass(1);
  }
  const failing = answerTo(question(2));
  await pass(1);
  const told = expect(failing).rejects.toThrow('gone');
  asked.at(-1)!.fail(new Gone('gone'));
  await told;
  expect(asked).toHaveLength(3);
});

test('a thing has a number for as long as it stands; what is no object stands for itself', () => {
  const job = { id: 'a' };
  expect(revisionOf(job)).toBe(revisionOf(job));
  expect(revisionOf({ ...job })).not.toBe(revisionOf(job));
  expect([revisionOf('a'), revisionOf(null), revisionOf(3)]).toEqual(['a', null, 3]);
});
