import { middle } from '../../evidence';
import { below } from '../../stats';
import { DRIVES, HOSTS } from '../stock';
import type { Drive } from '../parts';
import { builtInClasses, builtInMarket, diskClasses, flashClasses, outerMarket } from '.';

const unknown = { value: null, source: { kind: 'unknown' as const } };
const sheet = (value: number) => ({ value, source: { kind: 'sheet' as const } });
const [nvme] = DRIVES.filter((d) => d.modes.includes('pcie4x4') && d.media === 'flash');
const [disk] = DRIVES.filter((d) => d.media === 'disk');
const open = { read: unknown, write: unknown, rest: unknown, cache: unknown, tbw: unknown };
const flash = (part: Partial<Drive>): Drive => {
  const { map: _, ...rest } = nvme!;
  return { ...rest, ...open, cell: null, capacity: sheet(1e12), ...part };
};
const spinning = (part: Partial<Drive>): Drive => {
  const { rpm: _, recording: __, ...rest } = disk!;
  return { ...rest, ...open, capacity: unknown, ...part };
};
const weights = (drive: Drive) =>
  Object.fromEntries(flashClasses(drive).map(({ id, weight }) => [id, weight]));
const first = (drive: Drive) => flashClasses(drive)[0]!.id;

describe('which class a drive is of', () => {
  test('weights sum to one and fall', () => {
    for (const drive of DRIVES.filter((d) => d.media === 'flash')) {
      const list = flashClasses(drive).map(({ weight }) => weight);
      expect(list.reduce((a, b) => a + b)).toBeCloseTo(1, 12);
      expect([...list].sort((a, b) => b - a)).toEqual(list);
    }
  });

  test('cells that are known rule the others out; those nobody named are never the rare ones', () => {
    expect(Object.keys(weights(flash({ cell: 'QLC' })))).toEqual(['pcie-qlc']);
    expect(Object.keys(weights(flash({ cell: 'TLC' }))).sort()).toEqual(['pcie-tlc-large', 'pcie-tlc-small']);
    expect(first(flash({ cell: 'MLC', modes: ['sata-6'] }))).toBe('sata-mlc');
    expect(Object.keys(weights(flash({}))).some((id) => /[ms]lc$/.test(id.replace(/[tq]lc/, '')))).toBe(
      false,
    );
  });

  test('a sealed drive goes by its speed, not by its plug', () => {
    const sealed = (read: number | null, modes: string[]) =>
      flash({ sealed: true, modes, plug: 'USB-C', read: read === null ? unknown : sheet(read) });
    expect(first(sealed(2800e6, ['usb4-40', 'usb-10']))).toMatch(/^pcie/);
    expect(first(sealed(2000e6, ['usb-20']))).toMatch(/^pcie/);
    expect(first(sealed(540e6, ['usb-10']))).toMatch(/^sata/);
    expect(first(sealed(null, ['usb-5']))).toMatch(/^sata/);
    expect(first(sealed(null, ['usb4-40']))).toMatch(/^pcie/);
  });

  test('capacity, rated writes, cache and sustained rate each tell', () => {
    const qlc = (part: Partial<Drive>) => weights(flash(part))['pcie-qlc'] ?? 0;
    expect(qlc({ capacity: sheet(4e12) })).toBeGreaterThan(qlc({ capacity: sheet(1e12) }));
    expect(qlc({ capacity: sheet(250e9) })).toBeLessThan(0.1);
    expect(qlc({ tbw: sheet(620e12) })).toBeLessThan(0.1);
    expect(qlc({ tbw: sheet(210e12) })).toBeGreaterThan(0.6);
    expect(qlc({ write: sheet(3000e6), rest: sheet(140e6) })).toBeGreaterThan(0.9);
    expect(first(flash({ cell: 'TLC', cache: sheet(35e9) }))).toBe('pcie-tlc-small');
    expect(first(flash({ cell: 'TLC', cache: sheet(270e9) }))).toBe('pcie-tlc-large');
  });

  test('disks by form, turns and capacity [common practice, no source]', () => {
    const outer = (part: Partial<Drive>) => outerMarket(spinning(part)).range;
    const portable = outer({ form: '2.5-inch, 15 mm', rpm: 5400, capacity: sheet(4e12) });
    expect([portable.low, portable.high]).toEqual([60e6, 140e6]);
    const large = outer({ form: '3.5-inch', rpm: 7200, capacity: sheet(16e12) });
    expect([large.low, large.high]).toEqual([200e6, 285e6]);
    const open = outer({ form: '3.5-inch' });
    expect([open.low < 150e6, open.high > 250e6]).toEqual([true, true]);
    expect(diskClasses(spinning({ form: 'external', sealed: true, capacity: sheet(8e12) }))[0]!.id).toMatch(
      /^disk-35/,
    );
    expect(diskClasses(spinning({ form: 'external', sealed: true, capacity: sheet(2e12) }))[0]!.id).toMatch(
      /^disk-25/,
    );
  });

  test('a built-in drive by the year of its machine and what is known of it; the market is one of them', () => {
    const host = (year: number | undefined, read: number | null) => {
      const { year: _, ...rest } = HOSTS[0]!;
      const rate = read === null ? unknown : sheet(read);
      return { ...rest, ...(year ? { year } : {}), storage: { ...rest.storage, read: rate, write: unknown } };
    };
    expect(builtInClasses(host(2010, null))[0]!.id).toBe('disk');
    expect(builtInClasses(host(2023, null))[0]!.id).toBe('pcie4');
    expect(builtInClasses(host(2010, 6e9))[0]!.id).toMatch(/^pcie/);
    const [likely] = builtInClasses(host(undefined, 510e6));
    expect([likely!.id, likely!.weight > 0.85]).toEqual(['sata', true]);
    const { range } = builtInMarket(host(2018, null));
    expect(below(range, range.low)).toBeCloseTo(0.05, 6);
    expect(below(range, range.high)).toBeCloseTo(0.95, 6);
    expect(middle(nvme!.capacity)).toBeGreaterThan(0);
  });
});
