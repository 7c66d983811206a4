import * as z from 'zod';
import { POLICIES } from './policies';

const answers = <A extends string>({ answers: of }: { answers: Record<A, string> }) =>
  z.enum(Object.keys(of) as [A, ...A[]]);

/** The answers to what practitioners disagree on, as a file holds them. */
export const PolicyAnswers = z.object({
  minimum: answers(POLICIES.minimum),
  heatsink: answers(POLICIES.heatsink),
  fileSystem: answers(POLICIES.fileSystem),
});
