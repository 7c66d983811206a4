/** @jest-environment jsdom */
import { readBudget, readMoney, type Budget, type Money } from '@kymar/core/job';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { MoneyField } from './moneyfield';

test.each([
  ['450', { amount: 450, currency: 'CHF' }],
  ['1,200 eur', { amount: 1200, currency: 'EUR' }],
  ['€ 99,50', { amount: 99.5, currency: 'EUR' }],
  ['$80', { amount: 80, currency: 'USD' }],
  ['0', { amount: 0, currency: 'CHF' }],
  ['-5', null],
  ['EUR 5 EUR', null],
  ['a lot', null],
  ['450 or so', null],
  ['2e9', null],
  ['', null],
])('%s as money', (text, read) => expect(readMoney(text, 'CHF')).toEqual(read));

test.each([
  ['400 for two', { amount: 400, currency: 'CHF', pieces: 2 }],
  ['€ 1,200 for 3 pieces', { amount: 1200, currency: 'EUR', pieces: 3 }],
  ['90 for one', { amount: 90, currency: 'CHF' }],
  ['450', { amount: 450, currency: 'CHF' }],
  ['400 for some', null],
  ['400 for 0', null],
  ['a lot for two', null],
])('%s as a budget', (text, read) => expect(readBudget(text, 'CHF')).toEqual(read));

test('for several alike: each is told, and it is read back as it was typed', async () => {
  const user = userEvent.setup();
  let budget: Budget | undefined;
  const Field = () => {
    const [now, setNow] = useState(budget);
    return <MoneyField forSeveral label="Budget" value={now} onValue={(next) => setNow((budget = next))} />;
  };
  const { unmount } = render(<Field />);
  await user.type(screen.getByRole('textbox', { name: 'Budget' }), '400 for two');
  expect(budget).toEqual({ amount: 400, currency: 'EUR', pieces: 2 });
  expect(screen.getByText(/^400\sEUR for 2: 200\sEUR each$/)).toBeTruthy();
  unmount();
  render(<Field />);
  expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Budget' }).value).toBe('400 for 2');
});

test('what is no amount is said, and the budget is what it was before; emptied, nothing is asked', async () => {
  const user = userEvent.setup();
  let budget: Money | undefined = { amount: 240, currency: 'EUR' };
  const Field = () => {
    const [now, setNow] = useState(budget);
    return <MoneyField label="Budget" value={now} onValue={(next) => setNow((budget = next))} />;
  };
  render(<Field />);
  const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Budget' });
  expect(field.value).toBe('240');
  await user.clear(field);
  expect(budget).toBeUndefined();
  await user.type(field, '450 or so');
  expect(field.getAttribute('aria-invalid')).toBe('true');
  expect(budget).toEqual({ amount: 240, currency: 'EUR' });
  await user.clear(field);
  await user.type(field, '1,200 USD');
  expect(budget).toEqual({ amount: 1200, currency: 'USD' });
  expect(screen.getByText('1,200 USD')).toBeTruthy();
});
