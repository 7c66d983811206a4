import fc from 'fast-check';
import { placeLabels, type Box, type WantedLabel } from './labels';
import { runs } from '../../core/fixtures/draws';

const area: Box = { left: 52, top: 8, width: 620, height: 150 };
/** About as wide as the page's own letters. */
const measure = (text: string) => text.length * 6.6;
const inside = (box: Box) =>
  box.left >= area.left - 1e-9 &&
  box.top >= area.top - 1e-9 &&
  box.left + box.width <= area.left + area.width + 1e-9 &&
  box.top + box.height <= area.top + area.height + 1e-9;
const overlap = (a: Box, b: Box) =>
  a.left < b.left + b.width &&
  b.left < a.left + a.width &&
  a.top < b.top + b.height &&
  b.top < a.top + a.height;

const wanted = fc.record({
  text: fc.stringMatching(/^[a-z ]{3,40}$/),
  x: fc.double({ min: 0, max: 760, noNaN: true }),
  y: fc.double({ min: -20, max: 200, noNaN: true }),
  align: fc.constantFrom('middle' as const, 'start' as const),
});

test('whatever a course is like, no label lies on another or beyond the chart', () => {
  fc.assert(
    fc.property(fc.array(wanted, { maxLength: 14 }), (list) => {
      const placed = placeLabels(list, area, measure);
      expect(placed.every(inside)).toBe(true);
      placed.forEach((a, i) => placed.slice(i + 1).forEach((b) => expect(overlap(a, b)).toBe(false)));
      expect(placed.length).toBeLessThanOrEqual(list.length);
      if (list.some(({ text }) => measure(text) <= area.width)) expect(placed.length).toBeGreaterThan(0);
    }),
    runs(500),
  );
});

test('one alone stands over the middle of what it names; two at one place below each other', () => {
  const one: WantedLabel = { text: 'cache used up', x: 300, y: 90, align: 'middle' };
  const [first, second] = placeLabels([one, { ...one, text: 'the links' }], area, measure);
  expect(first!.left + first!.width / 2).toBeCloseTo(300, 9);
  expect(first!.top + first!.height).toBeLessThan(90);
  expect(second!.top).toBeGreaterThanOrEqual(90);
});

test('what finds no place is left out', () => {
  const full = Array.from({ length: 40 }, (_, i): WantedLabel => ({
    text: `phase ${i}`,
    x: 300,
    y: 80,
    align: 'middle',
  }));
  const placed = placeLabels(full, area, measure);
  expect(placed.length).toBeLessThan(40);
  expect(placed.length).toBeGreaterThan(5);
});
