/** Days of a year as ratings and budgets count it. */
export const YEAR_DAYS = 365;
/** Days of a year as the calendar has them on the whole. */
export const CALENDAR_YEAR_DAYS = 365.25;
/** s of it. */
export const YEAR_SECONDS = CALENDAR_YEAR_DAYS * 86_400;
