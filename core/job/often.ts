import type { Activity } from './kinds/activity';

/** Whether it happens once, and not again. */
export const isOnce = ({ perDay }: Pick<Activity, 'perDay'>): boolean => perDay.value === 0;
