import * as z from 'zod';
import { amount, RunDirection, left } from './common';
import { CopyEnd, CopyRequest } from './copy/request';
import { FilesEnd, FilesRequest } from './files/request';
import { ProbeTold, ProbeRequest } from './probe/request';
import { RandomEnd, RandomRequest } from './random/request';
import { ReadRequest } from './read/request';
import { SequentialEnd, SequentialRequest } from './sequential/request';
import { SteadyEnd, SteadyRequest } from './steady/request';
import { WatchEnd, WatchGoing, WatchRequest } from './watch/request';

/** Something the server is asked to measure. */
export const RunRequest = z.discriminatedUnion('kind', [
  SequentialRequest,
  RandomRequest,
  ProbeRequest,
  CopyRequest,
  FilesRequest,
  ReadRequest,
  SteadyRequest,
  WatchRequest,
]);
export type RunRequest = z.infer<typeof RunRequest>;

/** What the server tells while a real run goes on, and how it ended. */
export const RunEvent = z.discriminatedUnion('type', [
  /** Its turn has not come: so many go before it. */
  z.object({ type: z.literal('waiting'), before: amount }),
  z.object({ type: z.literal('progress'), direction: RunDirection, t: amount, bytes: amount, total: amount }),
  WatchGoing,
  SequentialEnd,
  RandomEnd,
  SteadyEnd,
  ProbeTold,
  CopyEnd,
  FilesEnd,
  WatchEnd,
  z.object({ type: z.literal('failed'), problem: z.string(), aborted: z.boolean(), left }),
]);
export type RunEvent = z.infer<typeof RunEvent>;
/** What is told while it goes on. */
export type GoingEvent = Extract<RunEvent, { type: 'progress' | 'watching' | 'waiting' }>;
/** How it ended. */
export type EndEvent = Exclude<RunEvent, GoingEvent>;
/** A run the server keeps until a page has taken its result: going on, ended, or cut off. */
export const KeptRun = z.object({
  id: z.string(),
  /** When it was started, ISO. */
  at: z.iso.datetime(),
  request: RunRequest,
  /** The folder it works in, or what it watches, in words. */
  folder: z.string(),
  /** The last that was told of it. */
  last: RunEvent.nullable(),
});
export type KeptRun = z.infer<typeof KeptRun>;
