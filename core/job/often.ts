import type { Activity } from './activities';

/** Whether it happens once, and not again. */
export const isOnce = ({ perDay }: Pick<Activity, 'perDay'>): boolean => perDay.value === 0;
