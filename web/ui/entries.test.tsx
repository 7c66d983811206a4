/** @jest-environment jsdom */
import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { EntryScope, forgetEntries, scopeOf, useWrongIn, wrongWords } from './entries';
import { QuantityField } from './field';

const scope = scopeOf('j1', 'setup', 'copy');

/** A field of an activity that can be left and come back to, with a button that goes by it. */
function Page() {
  const [value, setValue] = useState<number | null>(480);
  const [away, setAway] = useState(false);
  const wrong = useWrongIn(scopeOf('j1', 'setup'));
  return (
    <>
      {!away && (
        <EntryScope value={scope}>
          <QuantityField label="Target time" dimension="time" value={value} onValue={setValue} />
        </EntryScope>
      )}
      <button onClick={() => setAway(!away)}>leave or come back</button>
      <button onClick={() => setValue(60)}>from elsewhere</button>
      <button disabled={wrong.length > 0}>Freeze</button>
      <p>{wrong.length > 0 ? wrongWords(wrong) : 'all understood'}</p>
    </>
  );
}

const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Target time' });
const freeze = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Freeze' });
const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));
afterEach(() => act(() => forgetEntries('job/j1')));

test('what is not understood stays, marked, and keeps the button shut, even when the view is left', async () => {
  render(<Page />);
  expect(freeze().disabled).toBe(false);
  await userEvent.clear(field());
  await userEvent.type(field(), 'a while');
  expect(freeze().disabled).toBe(true);
  expect(screen.getByText('Not understood: “a while” in Target time.')).toBeTruthy();
  await press('leave or come back');
  expect(freeze().disabled).toBe(true);
  await press('leave or come back');
  expect(field().value).toBe('a while');
  expect(field().getAttribute('aria-invalid')).toBe('true');
  await userEvent.clear(field());
  await userEvent.type(field(), '1h27');
  expect(freeze().disabled).toBe(false);
});

test('a value from elsewhere ends it, and so does removing what it belongs to', async () => {
  render(<Page />);
  await userEvent.clear(field());
  await userEvent.type(field(), 'soon');
  expect(freeze().disabled).toBe(true);
  await press('from elsewhere');
  expect(field().value).toBe('1 min 00 s');
  expect(freeze().disabled).toBe(false);
  await userEvent.clear(field());
  await userEvent.type(field(), 'soon');
  await press('leave or come back');
  expect(freeze().disabled).toBe(true);
  act(() => forgetEntries(scope));
  await screen.findByText('all understood');
});
