import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { dark, light } from './theme';

const css = readFileSync(join(__dirname, '../frame.css'), 'utf8');
const valuesOf = (name: string) =>
  [...css.matchAll(new RegExp(`--frame-${name}: (#\\w+);`, 'g'))].map(([, v]) => v);

test('the frame before any script wears the theme’s colours, light and dark', () => {
  const schemes = [light, dark];
  expect(valuesOf('ground')).toEqual(schemes.map((p) => p.background.default));
  expect(valuesOf('paper')).toEqual(schemes.map((p) => p.background.paper));
  expect(valuesOf('text')).toEqual(schemes.map((p) => p.text.primary));
  expect(valuesOf('quiet')).toEqual(schemes.map((p) => p.text.secondary));
  expect(valuesOf('line')).toEqual(schemes.map((p) => p.divider));
});
