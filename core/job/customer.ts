import type { Job } from './job';

/** A customer as the jobs done for them tell of them. */
export interface Customer {
  name: string;
  /** How to reach them, as the newest job that says so does; empty where none does. */
  contact: string;
  /** The jobs of theirs, the one changed last first. */
  jobs: Job[];
}

const keyOf = (name: string): string => name.trim().replace(/\s+/g, ' ').toLowerCase();

/** Whether two names, as typed, are one customer's: capitals and spaces make no difference. */
export const sameCustomer = (one: string, other: string): boolean => keyOf(one) === keyOf(other);

/** Everybody that jobs were done for, by name; jobs that name nobody are nobody's. */
export function customersOf(jobs: Iterable<Job>): Customer[] {
  const found = new Map<string, Job[]>();
  for (const job of jobs) {
    const key = keyOf(job.customer);
    if (key) found.set(key, [...(found.get(key) ?? []), job]);
  }
  return [...found.values()]
    .map((list): Customer => {
      const sorted = list.sort((a, b) => b.changed.localeCompare(a.changed));
      return {
        name: sorted[0]!.customer.trim(),
        contact: sorted.find((job) => job.contact)?.contact ?? '',
        jobs: sorted,
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
}
