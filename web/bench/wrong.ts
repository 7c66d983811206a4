import { scopeOf, useWrongIn, type Wrong } from '../ui/entries';

/** Entries of a way of measuring, and of the conditions it goes by, that were not understood. */
export const useWrongAt = (job: string, way: string): Wrong[] => [
  ...useWrongIn(scopeOf(job, 'bench', way)),
  ...useWrongIn(scopeOf(job, 'bench', 'conditions')),
];
