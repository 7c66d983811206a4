import { freshBrowser } from './fixtures/tabs';

beforeEach(freshBrowser);

test('who works here stands with what is done, and nobody does where nobody said', async () => {
  const { byWhom, setSetting } = await import('./settings');
  expect(byWhom()).toEqual({});
  setSetting('technician', '  The evening shift ');
  expect(byWhom()).toEqual({ by: 'The evening shift' });
  setSetting('technician', '   ');
  expect(byWhom()).toEqual({});
});
