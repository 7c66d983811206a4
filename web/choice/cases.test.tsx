/** @jest-environment jsdom */
import { TextEncoder } from 'node:util';
import { act, render } from '@testing-library/react';
import { SHOP } from '@kymar/core/catalog/stock';
import { closelyOf, Finalists, searchAll, searched, summaryOf, wantedFrom } from '@kymar/core/choice';
import type * as Router from 'react-router';
import type * as Cases from '../../core/fixtures/cases';
import { sampled } from '../../core/fixtures/draws';
import type { AnswersPanel as TheAnswers } from './answers';
import type { CloselyPanel as TheClosely } from './closely';

/*
 * The jobs of docs/cases as somebody reads what is said of them: ids are checked in the core, their words here.
 */
// What a worker would answer is worked out here; what else is worth finding out is asked of one.
jest.mock('./settles', () => ({ Settles: () => null }));
jest.mock('../ui/worth', () => ({ WorthFindingOut: () => null }));
jest.mock('./later', () => ({ LaterPanel: () => null }));
Object.assign(globalThis, { TextEncoder });
const { CASES, caseJob } = jest.requireActual<typeof Cases>('../../core/fixtures/cases');
const { AnswersPanel } = jest.requireActual<{ AnswersPanel: typeof TheAnswers }>('./answers');
const { CloselyPanel } = jest.requireActual<{ CloselyPanel: typeof TheClosely }>('./closely');
const { MemoryRouter } = jest.requireActual<typeof Router>('react-router');

const nothing = () => {};

/** What stands on the page of a case: the answers, and the first of them closely. */
async function read(one: Cases.Asked): Promise<string> {
  const shop = one.prices === 'none' ? { ...SHOP, prices: [] } : SHOP;
  const job = caseJob(one);
  const wanted = wantedFrom(job, undefined, shop, { shopRanges: {} })!;
  const all = searched(searchAll(wanted, shop), wanted, shop, null);
  const summary = summaryOf(all.found, new Finalists(wanted), wanted);
  const priced = all.found.candidates.filter(({ cost }) => cost !== null);
  const found = { ...summary, builtFell: null, points: new Float64Array(priced.length * 3), edge: [] };
  const [first] = found.answers;
  const close = first && closelyOf(all, all.ids.get(first.id)!, 0, '2026-12-02');
  const searching = {
    wanted,
    found,
    progress: null,
    isOver: true,
    problem: null,
    turn: 1,
    stop: nothing,
    again: nothing,
  };
  const { container, unmount } = await act(() =>
    render(
      <MemoryRouter>
        <AnswersPanel searching={searching} wanted={wanted} chosen={null} onChoose={nothing} />
        {close && (
          <CloselyPanel
            one={close}
            wanted={wanted}
            built={null}
            search=""
            isFresh
            job={job}
            onTake={nothing}
            onOffer={nothing}
            onOrder={nothing}
            onBeside={nothing}
          />
        )}
      </MemoryRouter>,
    ),
  );
  const text = container.textContent.replaceAll('\u00a0', ' ');
  unmount();
  return text;
}

test.each(sampled(CASES, 3))('$id is said in words that leave nothing open', async (one) => {
  const text = await read(one);
  expect(text).not.toMatch(/undefined|null|NaN|\[object|Infinity/);
  expect(text).toMatch(/builds that plug together were looked at/);
  if (one.must.meets === true) expect(text).toMatch(/Meets every target/);
  if (one.must.meets === false)
    expect(text).toMatch(/Comes nearest|none is recommended|Nothing in the library works/);
  if (one.must.overBudget) expect(text).toMatch(/Nothing that works costs at most .* EUR/);
  if (one.prices === 'none') expect(text).toMatch(/No price is known/);
  if (one.prices === 'none') expect(text).not.toMatch(/least cost|least money|the cheapest/i);
  // A reason stands somewhere in the text, not at its begin.
  if (one.must.words) expect(text).toMatch(new RegExp(one.must.words.replace(/^\^/, '')));
  const advice = text.replace('so nothing can be called cheapest', '');
  if (one.never.words) expect(advice).not.toMatch(new RegExp(one.never.words));
  if (one.must.levels && one.must.meets) expect(text).toMatch(/RAID \d+|mirror/);
  expect(text).toMatch(/of hands-on work/);
});
