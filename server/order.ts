import type { Guard } from './sequential';

/** Where a thread works: its file, what it counts into, what it must leave free. */
export interface ThreadPlace {
  file: string;
  shared: SharedArrayBuffer;
  guard: Guard;
}

/** What a thread does, by name, with what it is told and what comes of it; the names are those of the table in `worker.ts`. */
export type Order = ThreadPlace & { do: string; what: unknown };

/** What kept a thread from its end. */
export interface Failed {
  ok: false;
  stopped: boolean;
  code: string;
  message: string;
}
export type Report<D> = { ok: true; done: D } | Failed;
