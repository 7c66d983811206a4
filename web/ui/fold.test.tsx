/** @jest-environment jsdom */
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ALL_FOLDS, setFold, unfoldAll, useFolds } from '../state/folds';
import { bringForward, Fold, More } from './fold';

beforeEach(() => {
  localStorage.clear();
  useFolds.setState({}, true);
});
const kept = () => JSON.parse(localStorage.getItem('kymar-folds') ?? 'null') as unknown;

test('shut, its line says what is in it and nothing of it is there; opened, it is kept so', async () => {
  render(
    <Fold name="terms" title="Terms" said="none agreed">
      <p>All of them</p>
    </Fold>,
  );
  const head = screen.getByRole('button', { name: 'Terms none agreed' });
  expect(head.getAttribute('aria-expanded')).toBe('false');
  expect(screen.queryByText('All of them')).toBeNull();
  await userEvent.click(head);
  expect(head.getAttribute('aria-expanded')).toBe('true');
  screen.getByText('All of them');
  expect(kept()).toEqual({ terms: true });
  // What stands in it is told once: by itself.
  expect(screen.queryByText('none agreed')).toBeNull();
});

test('what it is for stays beside its title; what stands in it goes before while it is shut', async () => {
  const { rerender } = render(
    <Fold name="why" title="Why" about="and what it costs">
      <p>Because</p>
    </Fold>,
  );
  const head = screen.getByRole('button', { name: 'Why and what it costs' });
  await userEvent.click(head);
  screen.getByText('and what it costs');
  rerender(
    <Fold name="why" title="Why" about="and what it costs" said="9 EUR">
      <p>Because</p>
    </Fold>,
  );
  screen.getByText('and what it costs');
  await userEvent.click(head);
  expect(screen.queryByText('and what it costs')).toBeNull();
  screen.getByText('9 EUR');
});

test('as it is meant to be until somebody opens or shuts it; then as it was left, whatever all others are', () => {
  const Both = () => (
    <>
      <More name="a" title="First" usual>
        <p>in first</p>
      </More>
      <More name="b" title="Second">
        <p>in second</p>
      </More>
    </>
  );
  setFold('a', false);
  const { rerender } = render(<Both />);
  expect([screen.queryByText('in first'), screen.queryByText('in second')]).toEqual([null, null]);
  unfoldAll(true);
  rerender(<Both />);
  expect(kept()).toEqual({ [ALL_FOLDS]: true });
  screen.getByText('in first');
  screen.getByText('in second');
  setFold('a', false);
  rerender(<Both />);
  expect(screen.queryByText('in first')).toBeNull();
  unfoldAll(false);
  rerender(<Both />);
  screen.getByText('in first');
  expect(kept()).toEqual({});
});

test('what would change the answer comes forward: its fold opens, the cursor stands in its field', async () => {
  Element.prototype.scrollIntoView = () => undefined;
  render(
    <main>
      <Fold name="terms" title="Terms">
        <label htmlFor="share">How full</label>
        <input id="share" />
      </Fold>
    </main>,
  );
  bringForward('terms', 'How full');
  const field = await screen.findByLabelText('How full');
  await new Promise((resolve) => requestAnimationFrame(resolve));
  await new Promise((resolve) => requestAnimationFrame(resolve));
  expect(document.activeElement).toBe(field);
});
