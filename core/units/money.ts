import { format } from './format';
import { amountWords } from './intl';

/** Money as it is told: whole, or with two digits behind the point. */
export const moneyWords = (amount: number | null, currency: string | null): string =>
  amount === null ? 'price not known' : `${amountWords(amount)} ${currency ?? ''}`.trim();

/** From so many s on a minute is what one pays for. */
const LONG = 600;

/**
 * What is paid for each second that is gained; for each minute where ten or more are.
 * @param extra money, above 0
 * @param gained s, above 0
 * @example pricePer(30, 4, 'EUR') // '7.5 EUR for each second gained'
 */
export function pricePer(extra: number, gained: number, currency: string | null): string {
  const [each, of] = gained >= LONG ? [(extra / gained) * 60, 'minute'] : [extra / gained, 'second'];
  return `${format(each, 'count', 2)} ${currency ?? ''} for each ${of} gained`.replace('  ', ' ');
}
