import { demoBriefs, pathOn, transferOver } from '../../fixtures/forecast';
import { DRIVES, SHOP } from '../stock';
import { chooseValue, middle, typedOver, type Fact } from '../../evidence';
import { asRevised, formFactor, heightOf, PART_KINDS, nameOf } from '.';

const reed = DRIVES.find((d) => d.id === 'larkmoor-reed-2t')!;
const unknown = (() => {
  const { revision: _, ...rest } = reed;
  return rest;
})();

describe('revisions under one name', () => {
  test('the unit’s revision brings its own figures, and the others stay', () => {
    expect(asRevised({ ...reed, revision: 'A' }).rest).toBe(reed.rest);
    const b = asRevised({ ...reed, revision: 'B' });
    expect([b.rest.value, b.cache.value]).toEqual([
      [320e6, 400e6, 470e6],
      [240e9, 300e9, 360e9],
    ]);
    expect(b.write).toBe(reed.write);
  });
  test('an unknown one spans them all and says so', () => {
    const mixed = asRevised(unknown);
    expect(mixed.rest).toEqual({
      value: [320e6, 650e6, 1050e6],
      source: { kind: 'unknown', note: 'which of the revisions A, B it is' },
    });
    expect(mixed.write).toBe(reed.write);
    expect(
      asRevised({
        ...unknown,
        revisions: [
          { name: 'A', known: 'label' },
          { name: 'B', known: 'label', rest: { value: null, source: { kind: 'unknown' } } },
        ],
      }).rest.value,
    ).toBeNull();
    expect(asRevised(DRIVES[0]!)).toBe(DRIVES[0]);
  });
  test('the forecast of a long copy widens by it', () => {
    const { host, build } = demoBriefs()[0]!;
    const width = (drive: typeof reed) => {
      const { time } = transferOver(pathOn(host, { ...build!, drive }), {
        direction: 'write',
        bytes: { value: 600e9, source: { kind: 'entered' } },
        files: { value: 1, source: { kind: 'entered' } },
        otherEnd: 'storage',
      });
      return time.high - time.low;
    };
    expect(width(unknown)).toBeGreaterThan(1.5 * width({ ...reed, revision: 'A' }));
  });
});

describe('sourced values side by side', () => {
  const sheet: Fact = {
    value: 7e9,
    source: { kind: 'sheet', note: 'data sheet' },
    others: [{ value: 5.8e9, source: { kind: 'sheet', note: 'listing' } }],
  };
  test('choosing another keeps the one before, with the reason', () => {
    const chosen = chooseValue(sheet, 0, 'seen in the listing only');
    expect(chosen).toEqual({
      value: 5.8e9,
      source: { kind: 'sheet', note: 'listing' },
      others: [{ value: 7e9, source: { kind: 'sheet', note: 'data sheet' } }],
      why: 'seen in the listing only',
    });
    expect(chooseValue(chosen, 0, '')).toEqual(sheet);
    expect(() => chooseValue(sheet, 3, '')).toThrow(RangeError);
  });
  test('what is typed over a sourced value stands beside it, letter by letter only once', () => {
    const typed = typedOver(typedOver(sheet, 6e9), 6.5e9);
    expect(typed).toMatchObject({
      value: 6.5e9,
      source: { kind: 'entered' },
      others: [{ value: 7e9 }, { value: 5.8e9 }],
    });
    expect(typedOver({ value: null, source: { kind: 'unknown' } }, 1)).toEqual({
      value: 1,
      source: { kind: 'entered' },
    });
    expect(middle(typed)).toBe(6.5e9);
  });
});

describe('shapes', () => {
  test.each([
    ['M.2 2280', 'M.2 2280'],
    ['2.5-inch, 7 mm', '2.5-inch'],
    ['3.5-inch', '3.5-inch'],
    ['external', 'external'],
    ['U.2', null],
  ])('%s', (form, factor) => expect(formFactor(form)).toBe(factor));
  test('heights: as the sheet or the name says, else the usual one [memory]', () => {
    expect(heightOf({ form: 'M.2 2280', height: 2.45 })).toBe(2.45);
    expect(heightOf({ form: '2.5-inch, 15 mm' })).toBe(15);
    expect([heightOf({ form: 'M.2 2280', sides: 1 }), heightOf({ form: 'M.2 2280', sides: 2 })]).toEqual([
      2.3, 3.6,
    ]);
    expect([heightOf({ form: '3.5-inch' }), heightOf({ form: 'external' })]).toEqual([26.1, null]);
  });
});

test('every part of the shop is sound by its schema and has a name', () => {
  for (const [kind, schema] of Object.entries(PART_KINDS))
    for (const part of SHOP[kind as keyof typeof SHOP])
      expect([schema.safeParse(part).success, nameOf(part).length > 3]).toEqual([true, true]);
});
