import { byWhom, setSetting } from './settings';

test('who works here stands with what is done, and nobody does where nobody said', () => {
  expect(byWhom()).toEqual({});
  setSetting('technician', '  The evening shift ');
  expect(byWhom()).toEqual({ by: 'The evening shift' });
  setSetting('technician', '   ');
  expect(byWhom()).toEqual({});
  setSetting('technician', undefined);
});
