import fc from 'fast-check';
import { fromAtaStatistics } from './ata';
import { fromNvmeLog } from './nvme';
import { fromPasted } from './pasted';
import { linesOf } from './lines';
import { readHealth } from './read';
import { runs } from '../../fixtures/draws';

/** A page built from the published layout, little-endian, field by field. */
class Page {
  readonly bytes = new Uint8Array(512);
  put(at: number, length: number, value: bigint | number): this {
    let rest = BigInt(value);
    for (let i = 0; i < length; i++) {
      this.bytes[at + i] = Number(rest & 0xffn);
      rest >>= 8n;
    }
    return this;
  }
  /** An ATA statistic: its value, supported and valid. */
  statistic(at: number, value: number, flags = 0b11n): this {
    return this.put(at, 8, (flags << 62n) | BigInt(value));
  }
}
const ata = (number: number) => new Page().put(0, 2, 1).put(2, 1, number);
const counters = (text: string) => {
  const read = fromPasted(text);
  if (!read.ok) throw new Error(read.problem);
  return read.counters;
};

describe('NVMe log page 02h [standard NVM Express; offsets from memory]', () => {
  const page = new Page()
    .put(0, 1, 0b100010)
    .put(1, 2, 311)
    .put(3, 1, 97)
    .put(4, 1, 10)
    .put(5, 1, 4)
    .put(32, 16, 41_234_567)
    .put(48, 16, 19_531_250)
    .put(64, 16, 1)
    .put(112, 16, 812)
    .put(128, 16, 6_543)
    .put(144, 16, 21)
    .put(160, 16, 2)
    .put(192, 4, 77)
    .put(196, 4, 3);
  test('every field stands where the standard puts it', () => {
    expect(fromNvmeLog(page.bytes)).toEqual({
      from: 'NVMe log page 02h',
      written: 10e12,
      read: 41_234_567 * 512_000,
      percentageUsed: 0.04,
      powerOnHours: 6543,
      powerCycles: 812,
      unsafeShutdowns: 21,
      temperature: 38,
      spare: 0.97,
      spareThreshold: 0.1,
      mediaErrors: 2,
      minutesWarm: 77,
      minutesCritical: 3,
      warnings: ['temperature is outside its limits', 'persistent memory has become unreliable'],
    });
  });
  test('byte for byte: each field reads back what was put in, alone', () => {
    const field = fc.constantFrom<
      [
        number,
        number,
        'written' | 'read' | 'powerCycles' | 'powerOnHours' | 'unsafeShutdowns' | 'mediaErrors',
        number,
      ]
    >(
      [48, 16, 'written', 512_000],
      [32, 16, 'read', 512_000],
      [112, 16, 'powerCycles', 1],
      [128, 16, 'powerOnHours', 1],
      [144, 16, 'unsafeShutdowns', 1],
      [160, 16, 'mediaErrors', 1],
    );
    fc.assert(
      fc.property(field, fc.bigInt({ min: 0n, max: 2n ** 128n - 1n }), ([at, length, key, factor], value) => {
        const read = fromNvmeLog(new Page().put(at, length, value).bytes);
        expect(read[key]! / (Number(value) * factor || 1)).toBeCloseTo(value === 0n ? 0 : 1, 12);
        for (const other of [
          'written',
          'read',
          'powerCycles',
          'powerOnHours',
          'unsafeShutdowns',
          'mediaErrors',
        ] as const)
          if (other !== key) expect(read[other]).toBe(0);
      }),
      runs(100),
    );
  });
  test('an empty page tells no temperature', () =>
    expect(fromNvmeLog(new Uint8Array(512)).temperature).toBeNull());
});

describe('ATA device statistics [standard ATA Command Set, log 04h; offsets from memory]', () => {
  const general = ata(1)
    .statistic(0x08, 345)
    .statistic(0x10, 12_345)
    .statistic(0x18, 3_906_250_000)
    .statistic(0x28, 7_812_500_000);
  const warmth = ata(5).statistic(0x08, 36);
  const flash = ata(7).statistic(0x08, 12);
  test('general, temperature and solid state pages in any order', () => {
    expect(fromAtaStatistics([flash.bytes, general.bytes, warmth.bytes])).toMatchObject({
      from: 'ATA device statistics',
      powerCycles: 345,
      powerOnHours: 12345,
      written: 2e12,
      read: 4e12,
      temperature: 36,
      percentageUsed: 0.12,
      spare: null,
    });
  });
  test('what is not supported or not valid is not told; a page that is not there neither', () => {
    expect(
      fromAtaStatistics([ata(1).statistic(0x10, 5, 0b10n).statistic(0x18, 5, 0b01n).bytes]),
    ).toMatchObject({ powerOnHours: null, written: null, temperature: null });
  });
  test('below zero it freezes', () =>
    expect(fromAtaStatistics([ata(5).statistic(0x08, 0xf6).bytes]).temperature).toBe(-10));
  test('a file of several pages is told from an NVMe page', () => {
    const file = (...pages: Page[]) => Uint8Array.from(pages.flatMap((p) => [...p.bytes]));
    expect(readHealth(file(general, warmth, flash), '')).toMatchObject({
      ok: true,
      counters: { from: 'ATA device statistics', powerOnHours: 12345 },
    });
    expect(readHealth(file(new Page().put(1, 2, 311).put(3, 1, 100)), '')).toMatchObject({
      ok: true,
      counters: { from: 'NVMe log page 02h', temperature: 38 },
    });
    expect(readHealth(file(general).subarray(0, 500), '')).toMatchObject({
      ok: false,
      problem: expect.stringContaining('this file has 500'),
    });
  });
});

describe('pages that no drive writes', () => {
  const told = (page: Uint8Array) => readHealth(page, '');
  test('nothing but zeros: the bridge passed nothing', () =>
    expect(told(new Uint8Array(512))).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/nothing but zeros.*drive bare/),
    }));
  test('65,000 °C and 8e43 B are refused by name', () => {
    expect(told(new Page().put(1, 2, 65_273).put(3, 1, 100).bytes)).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/Composite Temperature says 65000 °C/),
    });
    expect(told(new Page().put(1, 2, 311).put(48, 16, 2n ** 127n).bytes)).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/bytes written says 8\.7\d+e\+43 B/),
    });
    expect(told(new Page().put(1, 2, 311).put(3, 1, 200).bytes)).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/Available Spare says 200 %/),
    });
  });
  test('a page as drives write it is taken', () =>
    expect(told(new Page().put(1, 2, 311).put(3, 1, 100).put(48, 16, 19_531_250).bytes)).toMatchObject({
      ok: true,
    }));
});

describe('pasted lines', () => {
  test('the standards’ own names, with commas, units and brackets', () => {
    expect(
      counters(
        'Critical Warning: 0x00\nComposite Temperature: 311 Kelvin\nAvailable Spare: 100%\nAvailable ' +
          'Spare Threshold: 10%\nPercentage Used: 3%\nData Units Read: 41,234,567 [21.1 TB]\nData ' +
          'Units Written: 19,531,250 [10.0 TB]\nPower On Hours: 6,543\nUnsafe Shutdowns: 21\nMedia ' +
          'and Data Integrity Errors: 0',
      ),
    ).toMatchObject({
      written: 10e12,
      read: 41_234_567 * 512_000,
      temperature: 38,
      spare: 1,
      spareThreshold: 0.1,
      percentageUsed: 0.03,
      powerOnHours: 6543,
      unsafeShutdowns: 21,
      mediaErrors: 0,
      powerCycles: null,
    });
    expect(
      counters('Power-on Hours = 12\r\nLogical Sectors Written\t1000\r\nTemperature: 41 Celsius'),
    ).toMatchObject({ powerOnHours: 12, written: 512_000, temperature: 41 });
  });
  test('rows of an attribute table: total sectors written, hours, cycles, warmth [numbers from memory]', () => {
    const table = [
      'ID# ATTRIBUTE_NAME          FLAG     VALUE WORST THRESH TYPE      UPDATED  WHEN_FAILED RAW_VALUE',
      '  5 Reallocated_Sector_Ct   0x0033   100   100   010    Pre-fail  Always       -       0',
      '  9 Power_On_Hours          0x0032   096   096   000    Old_age   Always       -       15873',
      ' 12 Power_Cycle_Count       0x0032   099   099   000    Old_age   Always       -       412',
      '194 Temperature_Celsius     0x0022   067   053   000    Old_age   Always       -       33 (Min/Max 18/47)',
      '241 Total_LBAs_Written      0x0032   099   099   000    Old_age   Always       -       83984375000',
      '242 Total LBAs Read         0x0032   099   099   000    Old_age   Always       -       2000',
    ].join('\n');
    expect(counters(table)).toMatchObject({
      written: 43e12,
      read: 1_024_000,
      powerOnHours: 15_873,
      powerCycles: 412,
      temperature: 33,
    });
    expect(counters('241 Host_Writes_32MiB 0x0032 100 100 000 Old_age Always - 1000').written).toBe(
      1000 * 32 * 2 ** 20,
    );
    expect(fromPasted('241 Something_Else 0x0032 100 100 000 Old_age Always - 1000').ok).toBe(false);
  });
  test('what cannot be read is said with its line', () => {
    expect(fromPasted('Power Cycles: 3\nPower On Hours: many')).toEqual({
      ok: false,
      problem: 'Line 2: "many" is no number for Power On Hours. Write it in plain digits.',
    });
    expect(fromPasted('nothing here')).toMatchObject({
      ok: false,
      problem: expect.stringContaining('No counter'),
    });
  });
  test.each([
    ['Power On Hours: -5', /Power On Hours says -5 h/],
    ['Power On Hours: 1e3', /"1e3" is no number for Power On Hours/],
    ['Power Cycles: 0x1F', /"0x1F" is no number for Power Cycles/],
    ['Composite Temperature: 65,000 Celsius', /Composite Temperature says 65000 °C; between -60 and 150/],
    ['Percentage Used: 900%', /Percentage Used says 900 %/],
    ['Available Spare: 101%', /Available Spare says 101 %/],
    ['Data Units Written: 99,999,999,999,999', /bytes written says/],
    ['Power On Hours: 12 bananas', /no number for Power On Hours/],
  ])('%s: refused, the field named', (line, words) => {
    const told = fromPasted(`Unsafe Shutdowns: 2\n${line}`);
    expect(!told.ok && told.problem).toMatch(words);
    expect(!told.ok && told.problem).toMatch(/^Line 2: /);
  });
  test('below zero it may be cold', () =>
    expect(counters('Composite Temperature: -12 °C').temperature).toBe(-12));
  test('a line that is no line of a page is passed over', () =>
    expect(counters(`${'x'.repeat(5000)}: 1\nPower Cycles: 4`).powerCycles).toBe(4));
  test('no bytes and no text make it throw', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ maxLength: 1100 }),
        fc.string(),
        (bytes, text) =>
          typeof readHealth(bytes, text).ok === 'boolean' && typeof fromPasted(text).ok === 'boolean',
      ),
      runs(100),
    );
  });
});

test('a raw page as lines is read again as what it was', () => {
  const n = fc.nat(1_000_000);
  fc.assert(
    fc.property(n, n, fc.nat(255), n, fc.nat(99), (read, written, used, hours, spare) => {
      const page = new Page()
        .put(1, 2, 273 + 44)
        .put(3, 1, spare)
        .put(5, 1, used)
        .put(32, 16, read)
        .put(48, 16, written)
        .put(128, 16, hours);
      const told = readHealth(page.bytes, '');
      if (!told.ok) return;
      const again = counters(linesOf(told.counters));
      const { from: _f, warnings: _w, ...figures } = told.counters;
      for (const [key, value] of Object.entries(figures))
        expect(again[key as keyof typeof again]).toBeCloseTo(value as number, 6);
    }),
    runs(100),
  );
});
