import { useEffect, useState } from 'react';

/** A moment as a field of date and time shows it, in the shop's own time. */
export function asLocal(iso: string): string {
  const at = new Date(iso);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${two(at.getHours())}:${two(at.getMinutes())}`;
}

const MINUTE = 60_000;

/** The clock, which tells minutes: it goes on when a minute is full, as every other clock in sight does. */
export function useNow(): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setTimeout(() => setNow(new Date()), MINUTE - (Date.now() % MINUTE));
    return () => clearTimeout(timer);
  }, [now]);
  return now;
}
