/** A question practitioners disagree on, and its two answers. */
interface Policy<A extends string> {
  question: string;
  answers: Record<A, string>;
  /** What a job follows that says nothing. */
  usual: A;
}
const policy = <A extends string>(
  question: string,
  answers: Record<A, string>,
  usual: NoInfer<A>,
): Policy<A> => ({ question, answers, usual });

/** Where practitioners disagree: both answers are supported, for each job, and what follows from one says which. */
export const POLICIES = {
  minimum: policy(
    'Follow the maker’s minimum?',
    { strict: 'follow the maker’s minimum', 'outcome-first': 'judge by the result' },
    'outcome-first',
  ),
  heatsink: policy(
    'A heatsink on a flash drive',
    { always: 'a heatsink always', 'when needed': 'a heatsink when needed' },
    'when needed',
  ),
  fileSystem: policy(
    'The file system of an external drive',
    { 'every system': 'one that every system reads', 'the system’s own': 'the system’s own file system' },
    'the system’s own',
  ),
};
export type PolicyId = keyof typeof POLICIES;

/** The answer a job follows to each. */
export type Policies = { [K in PolicyId]: keyof (typeof POLICIES)[K]['answers'] };

export const DEFAULT_POLICIES = Object.fromEntries(
  Object.entries(POLICIES).map(([id, { usual }]) => [id, usual]),
) as Policies;

/** What an answer is called. */
export const policyWords = (id: PolicyId, answer: string): string =>
  (POLICIES[id].answers as Record<string, string>)[answer] ?? answer;

/** The other answer to a question. */
export const otherAnswer = (id: PolicyId, answer: string): string =>
  Object.keys(POLICIES[id].answers).find((other) => other !== answer)!;
