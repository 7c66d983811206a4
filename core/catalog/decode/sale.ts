import { moneyWords, numeral } from '../../units';
import type { Pattern } from './pattern';
import type { Decoded } from './reading';

/*
 * What a listing says of the sale: a price, and whether the thing was used before.
 */

/** Currencies by the marks and words that people write [ISO 4217]. */
const CURRENCIES: readonly [code: string, written: RegExp][] = [
  ['EUR', /^(?:€|eur|euros?)$/i],
  ['USD', /^(?:\$|usd|dollars?|bucks)$/i],
  ['GBP', /^(?:£|gbp|pounds|quid)$/i],
  ['CHF', /^(?:chf|fr|francs?)$/i],
];
const MARK = String.raw`[€$£]|\b(?:eur|euros?|usd|dollars?|bucks|gbp|pounds|quid|chf|francs?)\b`;
/** It has a price: a thing is sold, not a part of one. */
export const MONEY = new RegExp(MARK, 'i');
const AMOUNT = String.raw`\d{1,3}(?:[.,]\d{3})+(?:[.,]\d{2})?|\d{1,6}(?:[.,]\d{2})?`;

/** Marks between thousands have three figures behind them, decimals two. */
function amountOf(text: string): number {
  const [, whole, cents] = /^(.*?)(?:[.,](\d{2}))?$/.exec(text)!;
  return Number(whole!.replace(/[.,]/g, '')) + Number(cents ?? 0) / 100;
}

const price = (amount: string, mark?: string) => {
  const value = amountOf(amount);
  const currency = mark && CURRENCIES.find(([, written]) => written.test(mark))?.[0];
  return {
    kind: 'price' as const,
    value,
    ...(currency ? { currency } : {}),
    meaning: `price of ${moneyWords(value, currency ?? null)}${currency ? '' : ', in a currency that is not said'}`,
  };
};

/** What is asked for what a text describes, and whether it was used; null where no price stands there. */
export function saleIn({
  readings,
}: Pick<Decoded, 'readings'>): { amount: number; currency: string | null; isUsed: boolean } | null {
  const asked = readings.find(({ kind }) => kind === 'price');
  if (asked?.value === undefined) return null;
  const isUsed = readings.some(({ kind }) => kind === 'hours');
  return { amount: asked.value, currency: asked.currency ?? null, isUsed };
}

export const SALE_RULES: readonly Pattern[] = [
  {
    pattern: new RegExp(
      `(${MARK}) ?(${AMOUNT})(?![\\d.,]*\\d)|(?<![\\d.,])(${AMOUNT})(?:[.,]-)? ?(${MARK})`,
      'gi',
    ),
    read: ([before, amount, other, after]) => price((amount ?? other)!, before ?? after),
  },
  {
    // Without a word for money: two decimals with nothing behind them, a dash for them, or what is asked.
    pattern: new RegExp(
      String.raw`(?<![\d.,x×])(\d{1,5}[.,]\d{2})(?![\d.,]|\s?[a-z"×])|(?<![\d.,])(\d{1,6})[.,][-–](?!\d)|` +
        String.raw`\b(?:price|only|asks?|asking|for just|at just)\b:? (${AMOUNT})(?![\d.,]*\d|\s?[a-z"×])`,
      'gi',
    ),
    read: ([decimals, dashed, asked]) => price((decimals ?? dashed ?? asked)!),
  },
  {
    pattern:
      /\b(?:poh|power[- ]?on(?: hours)?|running|used)[ :=]*([\d.,]*\d) ?(?:h|hrs?|hours)?\b|([\d.,]*\d) ?(?:h|hrs?|hours)\b(?: used| of use| on it)?/gi,
    read([a, b]) {
      const value = Number((a ?? b)!.replace(/[.,]/g, ''));
      return value < 24 && a === undefined
        ? null
        : {
            kind: 'hours',
            value,
            meaning: `${numeral(value)} power-on hours`,
            flags: [
              {
                kind: 'note',
                id: 'used-before',
                words:
                  'It was used before: ask for its health page, and paste that in Choice under “Already there” before it is bought.',
              },
            ],
          };
    },
  },
];
