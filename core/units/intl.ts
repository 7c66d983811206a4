/*
 * Numbers and dates as people read them here, in one place. Formatters are made once: making one anew costs more than all the rest of
 * a path.
 */
const LOCALE = 'en-GB';

const numbers = Array.from(
  { length: 13 },
  (_, decimals) => new Intl.NumberFormat(LOCALE, { maximumFractionDigits: decimals }),
);

/** A number with its thousands apart and at most so many decimals, 0 to 12. */
export const numeral = (value: number, decimals = 3): string =>
  numbers[Math.min(decimals, 12)]!.format(value);

const cents = new Intl.NumberFormat(LOCALE, { minimumFractionDigits: 2, maximumFractionDigits: 2 });

/** An amount of money: whole, or with two decimals. */
export const amountWords = (value: number): string =>
  Number.isInteger(value) ? numeral(value, 0) : cents.format(value);

const dates = (options: Intl.DateTimeFormatOptions) => {
  const format = new Intl.DateTimeFormat(LOCALE, options);
  return (at: string | Date): string => format.format(new Date(at));
};

/** A moment in the reader's own time zone, e.g. `5 Mar 2031, 09:12`. */
export const moment = dates({ dateStyle: 'medium', timeStyle: 'short' });
/** The same without its year, e.g. `5 Mar, 09:12`. */
export const shortMoment = dates({ day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
/** The time of day, e.g. `09:12`. */
export const timeOfDay = dates({ hour: '2-digit', minute: '2-digit' });
/** A calendar day, e.g. `5 March 2031`, whatever the reader's time zone. */
export const calendarDay = dates({ day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });
/** Its month, e.g. `March 2031`. */
export const calendarMonth = dates({ month: 'long', year: 'numeric', timeZone: 'UTC' });

const AND = new Intl.ListFormat('en-GB', { type: 'conjunction' });
/** @example andList(['port', 'cable', 'hub']) // 'port, cable and hub' */
export const andList = (names: readonly string[]): string => AND.format(names);
