import { own } from '../text';
import { readNumber } from '../units';
import type { Budget, Money } from './money';

const SIGNS: Record<string, string> = {
  '€': 'EUR',
  $: 'USD',
  '£': 'GBP',
  euro: 'EUR',
  euros: 'EUR',
  dollars: 'USD',
  pounds: 'GBP',
  francs: 'CHF',
};
const MARK = String.raw`[€$£]|euros?|dollars|pounds|francs|[a-z]{3}`;
const AMOUNT = new RegExp(String.raw`^(${MARK})?\s*([^a-z€$£]+?)\s*(${MARK})?$`, 'i');
const MOST = 1e9;

/** An amount as people write it, with or without its currency: `450`, `1,200 EUR`, `€ 99`. Null where it is none. */
export function readMoney(text: string, usual: string): Money | null {
  const [, before, amount = '', after] = AMOUNT.exec(text.trim()) ?? [];
  const value = readNumber(amount);
  if (value === undefined || value < 0 || value > MOST || (before && after)) return null;
  const written = before ?? after;
  const currency = written ? (own(SIGNS, written.toLowerCase()) ?? written.toUpperCase()) : usual;
  return { amount: value, currency };
}

const NUMBERS = ['two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];

/** The same, for several alike: `400 for two`, `1,200 EUR for 3 pieces`. */
export function readBudget(text: string, usual: string): Budget | null {
  const [, amount = text, many] =
    /^(.+?)\s+for\s+([a-z]+|\d{1,4})(?:\s+(?:pieces?|alike))?$/i.exec(text.trim()) ?? [];
  const money = readMoney(amount, usual);
  if (!money || many === undefined) return money;
  const spoken = NUMBERS.indexOf(many.toLowerCase()) + 2;
  const pieces = spoken > 1 ? spoken : many.toLowerCase() === 'one' ? 1 : Number(many);
  if (!Number.isInteger(pieces) || pieces < 1 || pieces > 1000) return null;
  return pieces === 1 ? money : { ...money, pieces };
}
