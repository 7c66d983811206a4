import { numeral, timeOfDay } from './intl';
import { YEAR_DAYS } from './year';

const DAY = 86_400_000;

/** Days of the calendar between two moments, in the reader's own time zone. */
function daysBetween(from: Date, to: Date): number {
  const day = (at: Date) => Date.UTC(at.getFullYear(), at.getMonth(), at.getDate());
  return Math.round((day(to) - day(from)) / DAY);
}

/**
 * The moment so many s after a start, as told at the start: `19:20`, `next day 10:32`, `in 3 days at 10:32`.
 * @example timeAfter(new Date(2026, 10, 2, 17, 30), 61_320) // 'next day 10:32'
 */
export function timeAfter(start: Date, seconds: number): string {
  const at = new Date(start.getTime() + Math.round(seconds / 60) * 60_000);
  if (Number.isNaN(at.getTime())) return 'in more than a lifetime';
  const days = daysBetween(start, at);
  if (days === 0) return timeOfDay(at);
  return days === 1 ? `next day ${timeOfDay(at)}` : `in ${numeral(days)} days at ${timeOfDay(at)}`;
}

/** From one moment to another after a start, the day said once where it is the same. */
export function timesAfter(start: Date, low: number, high: number): string {
  const [from, to] = [timeAfter(start, low), timeAfter(start, high)];
  const day = from.slice(0, -5);
  return `${from} to ${to.startsWith(day) ? to.slice(day.length) : to}`;
}

/** Years from one day to another, both ISO; below 0 where the other lies before it. */
export const yearsBetween = (from: string, to: string): number =>
  (Date.parse(to) - Date.parse(from)) / DAY / YEAR_DAYS;
