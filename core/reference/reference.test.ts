import fc from 'fast-check';
import { convert, RULES_OF_THUMB } from '.';

const rows = (text: string) => {
  const found = convert(text);
  if (!found.ok) throw new Error(found.problem);
  return Object.fromEntries(found.rows.map((r) => [r.name, r.value]));
};

describe('the unit converter', () => {
  test('sizes', () => {
    expect(rows('8 TB')).toEqual({ Decimal: '8 TB', Binary: '7.276 TiB', Bytes: '8,000,000,000,000', Bits: '64 Tb', 'Shown where the system counts binary': '7.28 TB', 'Sectors of a drive sold as this': '15,628,053,168' });
    expect(rows('1 GiB').Bytes).toBe('1,073,741,824');
    expect(rows('512 MiB').Binary).toBe('512 MiB');
  });
  test('rates', () => {
    expect(rows('10 Gb/s')).toEqual({ 'Bytes, decimal': '1.25 GB/s', 'Bytes, binary': '1.164 GiB/s', Bits: '10 Gb/s', '1 TB takes': '13 min 20 s', 'In an hour': '4.5 TB' });
    expect(rows('100Mbps')['Bytes, decimal']).toBe('12.5 MB/s');
    expect(rows('0 MB/s')['1 TB takes']).toBe('for ever');
  });
  test('what is no quantity is told', () => expect(convert('fast')).toMatchObject({ ok: false, problem: expect.stringMatching(/not a number/) }));
  test('no text makes it throw', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof convert(text).ok === 'boolean'));
  });
});

test('every rule of thumb has a reason and says where it comes from', () => {
  for (const { rule, why, source } of RULES_OF_THUMB) {
    expect(rule.length > 10 && why.length > 10).toBe(true);
    expect(['practice', 'memory', 'standard']).toContain(source.kind);
    if (source.kind === 'standard') expect(source.note).toBeTruthy();
  }
});
