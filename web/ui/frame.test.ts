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

test('the frame before any script leads to the same pages under the same names', () => {
  const text = (file: string) => readFileSync(join(__dirname, file), 'utf8');
  const shell = [...text('shell.tsx').matchAll(/\['(\/\w+)', '([^']+)'\]/g)].map(([, to, name]) => [
    to,
    name,
  ]);
  const frame = [...text('../index.html').matchAll(/<a href="(\/\w+)">([^<]+)<\/a>/g)].map(([, to, name]) => [
    to,
    name,
  ]);
  expect(shell.length).toBeGreaterThan(3);
  expect(frame).toEqual(shell);
});
