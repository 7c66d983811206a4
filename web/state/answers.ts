import * as z from 'zod';
import { PluggedIn } from '@kymar/core/catalog/negotiated';
import { KeptRun, RunEvent, RunTarget, Watchable } from '@kymar/core/measure';

/*
 * What the server's answers must look like. Fetched with the first answer, not with the page: the schemas are as large as the page.
 */
const ANSWERS = {
  targets: z.array(RunTarget),
  devices: z.array(PluggedIn),
  watchable: z.array(Watchable),
  runs: z.array(KeptRun),
  run: KeptRun,
  event: RunEvent,
};
export type KnownAnswers = { [K in keyof typeof ANSWERS]: z.infer<(typeof ANSWERS)[K]> };

/** What was answered, checked. @throws when it is not what was asked for */
export function checked<K extends keyof KnownAnswers>(kind: K, answer: unknown): KnownAnswers[K] {
  const read = ANSWERS[kind].safeParse(answer);
  if (read.success) return read.data as KnownAnswers[K];
  const [issue] = read.error.issues;
  throw new TypeError(
    `Kymar’s server answered something else than asked for (${[kind, ...issue!.path].join('.')}: ${issue!.message}). ` +
      'It may be of another build: reload the page.',
  );
}
