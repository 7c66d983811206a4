import { DRIVES, CABLES, BRIDGES } from '@kymar/core/catalog/stock';
import { middle } from '@kymar/core/evidence';
import { matching } from './find';

const drives = (search: string) => DRIVES.filter(matching('drives', search));

test('by capacity, cells and generation, written as they are said', () => {
  const four = drives('4tb');
  expect(four.length).toBeGreaterThan(0);
  expect(four.every((d) => middle(d.capacity) === 4e12)).toBe(true);
  expect(drives('4 TB').length).toBe(four.length);
  expect(drives('qlc').every((d) => d.cell === 'QLC')).toBe(true);
  expect(drives('qlc').length).toBe(DRIVES.filter((d) => d.cell === 'QLC').length);
  const gen4 = drives('gen 4');
  expect(gen4.length).toBeGreaterThan(0);
  expect(gen4.every((d) => d.modes.some((m) => m.startsWith('pcie4')))).toBe(true);
  expect(drives('gen 4 4tb').length).toBeLessThan(gen4.length);
});

test('enclosures and cables by their links; nothing by what stands in no column', () => {
  expect(BRIDGES.filter(matching('bridges', 'usb-c 10 Gb/s')).length).toBeGreaterThan(0);
  expect(CABLES.filter(matching('cables', 'usb-a')).every((c) => c.ends.includes('USB-A'))).toBe(true);
  expect(drives('no such thing')).toEqual([]);
  expect(drives('').length).toBe(DRIVES.length);
});
