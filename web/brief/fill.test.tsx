/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import type { Fact } from '@kymar/core/evidence';
import { FactField, WholeScope } from '../ui/field';

test('a fill is typed in per cent, alone or as a range', () => {
  let fact: Fact = { value: null, source: { kind: 'unknown' } };
  function Fill() {
    const [now, setNow] = useState(fact);
    return <FactField label="Fill" dimension="percent" fact={now} onFact={(next) => setNow((fact = next))} />;
  }
  render(<Fill />);
  const type = (value: string) => fireEvent.change(screen.getByLabelText('Fill'), { target: { value } });
  type('40 %');
  expect(fact.value).toBeCloseTo(0.4);
  type('30-50 %');
  expect((fact.value as number[]).map((v) => Math.round(v * 100))).toEqual([30, 40, 50]);
  type('70');
  expect(fact.value).toBeCloseTo(0.7);
});

test('a size where a share is asked: of the drive around it, else how much it is of is asked', () => {
  const given: Fact[] = [];
  const field = (
    <FactField
      label="Fill"
      dimension="percent"
      fact={{ value: null, source: { kind: 'unknown' } }}
      onFact={(fact) => given.push(fact)}
    />
  );
  const { unmount } = render(<WholeScope value={260e9}>{field}</WholeScope>);
  const type = () => fireEvent.change(screen.getByLabelText('Fill'), { target: { value: '65 GB' } });
  type();
  expect(given.at(-1)!.value).toBeCloseTo(0.25);
  unmount();
  render(field);
  type();
  screen.getByText('Of how much? Write 65 GB of 512 GB, or the percentage.');
  expect(given).toHaveLength(1);
});
