import { QueryClient, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Gone } from './gone';
import { revisionOf } from './revision';

/*
 * The one gate through which a page asks a worker or the server. Of what changes faster than it can be answered the latest question counts, what nobody
 * looks at any more is given up, what failed because nobody was there is asked again, anything else is told. Answers are kept by what they are about:
 * things that never change in place have a number each, which stays theirs where they are cloned on the way.
 */

/** ms an answer is kept that nobody looks at. */
const KEPT = 300_000;
const AGAIN = { first: 1000, last: 15_000 };

const client = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always',
      refetchOnWindowFocus: false,
      refetchOnReconnect: false,
      structuralSharing: false,
      // What cannot be worked out cannot be the next time either; who was not there may be.
      retry: (_, error) => error instanceof Gone,
      retryDelay: (count) => Math.min(AGAIN.last, AGAIN.first * 2 ** count),
    },
  },
});

export interface Question<T> {
  /** What is asked, e.g. `sheet`. */
  name: string;
  /** Whose it is: while another answer about it is on its way the last one stands. */
  subject?: string;
  /** All that the answer depends on: texts, numbers, and things that never change in place. */
  about: readonly unknown[];
  /** ms without a change before it is asked; told when it comes to that. */
  still?: number | (() => number);
  /** Whether the answer stays true for as long as nothing of that changes; false of what is read off the world. */
  isKept?: boolean;
  /** Who answers; the signal says that nobody waits any more. */
  ask(signal: AbortSignal): Promise<T>;
}

export interface GateAnswer<T> {
  /** The answer, or the last one of the same subject; undefined before the first. */
  data: T | undefined;
  /** Whether it is the answer to what is asked now. */
  isFresh: boolean;
  /** Why there is none, in words; null while all goes well. */
  problem: string | null;
  again(): void;
}

const words = (error: unknown): string => (error instanceof Error ? error.message : String(error));

const rest = (ms: number, signal: AbortSignal): Promise<void> =>
  new Promise((resolve, reject) => {
    const timer = setTimeout(resolve, ms);
    signal.addEventListener('abort', () => {
      clearTimeout(timer);
      reject(new DOMException('Nobody asks any more', 'AbortError'));
    });
  });

function optionsOf<T>({ name, subject = '', about, still = 0, isKept = true, ask }: Question<T>) {
  return {
    queryKey: [name, subject, ...about.map(revisionOf)],
    queryFn: async ({ signal }: { signal: AbortSignal }): Promise<T | null> => {
      const wait = typeof still === 'number' ? still : still();
      if (wait > 0) await rest(wait, signal);
      return ask(signal);
    },
    staleTime: isKept ? Infinity : 0,
    gcTime: isKept ? KEPT : 0,
  };
}

/** Asks for as long as the page shows it, and follows the question. Null asks nothing. */
export function useAnswer<T>(question: Question<T> | null): GateAnswer<T> {
  const options = question ? optionsOf(question) : null;
  const result = useQuery<T | null>(
    {
      ...(options ?? { queryKey: ['nothing'], queryFn: () => null }),
      enabled: options !== null,
      placeholderData: (before, query) =>
        query &&
        options &&
        query.queryKey[0] === options.queryKey[0] &&
        query.queryKey[1] === options.queryKey[1]
          ? before
          : undefined,
    },
    client,
  );
  const { data, isPlaceholderData, isFetching, isSuccess, error, failureReason, refetch } = result;
  const problem = error ?? failureReason;
  const isAsked = options !== null;
  return useMemo(
    () => ({
      data: isAsked ? (data as T | undefined) : undefined,
      isFresh: !isAsked || (isSuccess && !isFetching && !isPlaceholderData),
      problem: problem === null ? null : words(problem),
      again: () => void refetch(),
    }),
    [isAsked, data, isSuccess, isFetching, isPlaceholderData, problem, refetch],
  );
}

/** Asks once, by the same rules. @throws what the answer fails with */
export const answerTo = <T>(question: Question<T>): Promise<T> =>
  client.fetchQuery<T | null>({ ...optionsOf(question), retry: false }) as Promise<T>;
