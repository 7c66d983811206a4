/** @jest-environment jsdom */
import type { Fact } from '@kymar/core/evidence';
import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { FactField, NameField, QuantityField } from './field';

/** A field with the value it edits, which something else on the page may change too. */
function Size({
  start,
  told,
  optional = false,
}: {
  start: number | null;
  told(v: number | null): void;
  optional?: boolean;
}) {
  const [value, setValue] = useState(start);
  return (
    <>
      <QuantityField
        label="Size"
        dimension="bytes"
        optional={optional}
        value={value}
        onValue={(v) => {
          told(v);
          setValue(v);
        }}
      />
      <button onClick={() => setValue(1e12)}>from elsewhere</button>
    </>
  );
}

describe('a field for a quantity', () => {
  const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Size' });

  test('says what it understood; what cannot be read changes nothing and stays as it was typed', async () => {
    const told = jest.fn();
    const user = userEvent.setup();
    render(<Size start={214e9} told={told} />);
    expect(field().value).toBe('214 GB');
    await user.clear(field());
    await user.type(field(), '3 parsecs');
    expect(field().getAttribute('aria-invalid')).toBe('true');
    // On the way "3 p" reads as 3 PB: what it ends in is what counts.
    expect(told).toHaveBeenCalledWith(3e15);
    expect(told).toHaveBeenLastCalledWith(214e9);
    await user.clear(field());
    await user.type(field(), '58,7 GB');
    expect(told).toHaveBeenLastCalledWith(58.7e9);
    expect(screen.getByText('58.7 GB')).toBeTruthy();
    await user.tab();
    // What was typed stays when the field is left, so that nothing moves.
    expect(field().value).toBe('58,7 GB');
  });

  test('gives way to a value from elsewhere', async () => {
    const user = userEvent.setup();
    render(<Size start={214e9} told={() => undefined} />);
    await user.clear(field());
    await user.type(field(), '2 TB');
    await user.click(screen.getByRole('button', { name: 'from elsewhere' }));
    expect(field().value).toBe('1 TB');
  });

  test('emptied, it is none where there may be none, and said where there must be one', async () => {
    const user = userEvent.setup();
    const told = jest.fn();
    const { unmount } = render(<Size start={5e9} told={told} optional />);
    await user.clear(field());
    expect(told).toHaveBeenLastCalledWith(null);
    unmount();
    render(<Size start={5e9} told={told} />);
    await user.clear(field());
    expect(field().getAttribute('aria-invalid')).toBe('true');
    expect(told).toHaveBeenCalledTimes(1);
  });
});

test('a fact typed over keeps what the sheet said among the others', async () => {
  const user = userEvent.setup();
  let fact: Fact = { value: 720e12, source: { kind: 'sheet', note: 'data sheet' } };
  const Field = () => {
    const [now, setNow] = useState(fact);
    return <FactField label="Rating" dimension="bytes" fact={now} onFact={(next) => setNow((fact = next))} />;
  };
  render(<Field />);
  const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Rating' });
  await user.click(field);
  await user.clear(field);
  await user.type(field, '500 to 700 TB');
  expect(Array.isArray(fact.value)).toBe(true);
  expect(fact.others).toContainEqual({ value: 720e12, source: { kind: 'sheet', note: 'data sheet' } });
  await user.clear(field);
  await user.type(field, 'not known');
  expect([fact.value, fact.source.kind]).toEqual([null, 'unknown']);
});

test('a name may not be empty: the old one is kept and said', async () => {
  const user = userEvent.setup();
  const told = jest.fn();
  render(<NameField label="Title" value="Sheet scans" onName={told} />);
  const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Title' });
  await user.clear(field);
  expect(screen.getByText('Empty: “Sheet scans” is kept.')).toBeTruthy();
  expect(told).not.toHaveBeenCalled();
  act(() => field.blur());
  expect(field.value).toBe('Sheet scans');
});
