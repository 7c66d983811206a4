import * as z from 'zod';
import { asks } from '../units';
import { Build } from '../assembly';
import { Host, Id } from '../catalog/parts';
import { MOST_NAME } from './limits';

const most = (value: number, error: string) => z.number().max(value, { error });
const seconds = most(1e10, 'is longer than anybody waited').min(1e-6, { error: 'must be more than zero' });
const bytes = most(1e18, 'is more than there is: check the unit').min(1, { error: 'must be more than zero' });
const rate = most(1e15, 'is faster than anything there is: check the unit').min(1, {
  error: 'must be more than zero',
});

const files = z.number().int().nonnegative().max(1e12).nullable();

/** A duration between two events, with the one-sigma error of reading it. */
export const Timed = z.object({
  kind: z.literal('timed'),
  /** Null for a load: it is timed as one, whatever it reads. */
  bytes: bytes.nullable(),
  /** How many files that was; null when nobody counted. */
  files,
  seconds,
  /** What it was stopped at: the progress bar's end, with the host's memory still holding some; or all written. Absent: all written. */
  until: z.enum(['bar', 'written']).optional(),
  /** One sigma of the reading itself, in s: two presses of a thumb, or a clock's grain. */
  error: z.number().nonnegative().max(1e6),
  /** What the person added or took off afterwards, in s; already within `seconds`. */
  correction: z.number().min(-1e6).max(1e6).default(0),
  /** Laps pressed on the way, in s from the start. */
  laps: z.array(z.number().nonnegative().max(1e10)).max(500).default([]),
  /** How it was asked for, where that is known: size of a request in B, requests under way. */
  block: z.number().min(1).max(1e12).nullable().default(null),
  depth: z.number().int().positive().max(1e6).nullable().default(null),
});
/** A figure read off another program: no times, only a rate. */
export const RateOnly = z.object({
  kind: z.literal('rate'),
  /** B/s */
  rate,
  /** As it stood on the screen, unit and all. */
  shown: z.string().min(1).max(60),
  /** Half a step of the last digit shown, in B/s. */
  grain: z.number().nonnegative().max(1e15),
  block: z.number().min(1).max(1e12).nullable(),
  depth: z.number().int().positive().max(1e6).nullable(),
  /** Size of the test, when it was said. */
  bytes: bytes.nullable(),
});
/** Only a limit is known: "under 60 s". */
export const Bound = z.object({
  kind: z.literal('bound'),
  /** Null for a load. */
  bytes: bytes.nullable(),
  files,
  atMost: seconds.nullable(),
  atLeast: z.number().nonnegative().max(1e10).nullable(),
});

export const Sample = z.object({
  t: z.number().nonnegative().max(1e10),
  bytes: z.number().nonnegative().max(1e18),
});
export type Sample = z.infer<typeof Sample>;

const figure = z.number().nonnegative().max(1e18);
/** What a probe found of a drive: B of cache (`atLeast` where its end was not seen), B/s before and behind it, B of cache that a second of rest brings back. */
export const Probed = z.object({
  cache: z.object({ bytes: figure, atLeast: z.boolean() }),
  fast: figure,
  slow: z.object({ low: figure, expected: figure, high: figure }).nullable(),
  recovers: figure.nullable(),
});
export type Probed = z.infer<typeof Probed>;

/** s within which so many of all requests came back. */
export const Latency = z.object({
  median: z.number().nonnegative().max(1e6),
  p95: z.number().nonnegative().max(1e6),
  p99: z.number().nonnegative().max(1e6),
  most: z.number().nonnegative().max(1e6),
});
export type Latency = z.infer<typeof Latency>;

/** Who did it, by name; absent: nobody said. */
export const By = z.string().trim().min(1).max(MOST_NAME).optional();

const WHENCE = [
  [true, 'mains'],
  [false, 'battery'],
] as const;
const STARTS = [
  [true, 'cold'],
  [false, 'warm'],
] as const;

/** Conditions that a person states. */
export const Stated = z.object({
  /** Of a laptop: its lid, and whether it hangs on the mains. Absent: nobody noted it. */
  lid: asks('Lid', z.enum(['open', 'closed']).optional()),
  mains: asks('Power', z.boolean().optional(), { choices: WHENCE }),
  /** Share of the drive, 0 to 1. */
  fill: asks('Drive in use', z.number().min(0).max(1).optional(), 'percent'),
  ambient: asks('Room, °C', z.number().min(-60).max(100).optional(), 'temperature'),
  /** °C of the drive at its hottest, where somebody or something read it. */
  hottest: asks('Hottest, °C', z.number().min(-60).max(300).optional(), 'temperature'),
  /** What was done differently to find a cause, by id: another cable, another port. Absent: as it is built. */
  look: z.string().min(1).max(80).optional(),
});
export type Stated = z.infer<typeof Stated>;

/** Under which conditions a run was made. Unlike ones are never averaged. */
export const RunConditions = z.object({
  note: z.string().max(400).default(''),
  temperature: asks('At start, °C', z.number().min(-100).max(300).nullable().default(null), 'temperature'),
  cold: asks('Start', z.boolean().nullable().default(null), { choices: STARTS }),
  /** The folder that a run by Kymar worked in. */
  target: z.string().max(400).nullable().default(null),
  memoryBacked: z.boolean().default(false),
  ...Stated.shape,
});

/** One measurement. */
export const Run = z.object({
  id: Id,
  at: z.iso.datetime(),
  /** The activity it stands for; null for a synthetic run. */
  activity: Id.nullable(),
  direction: z.enum(['read', 'write']),
  /** What stood at the other end: the host's built-in drive, or memory (synthetic runs make their data there). */
  otherEnd: z.enum(['storage', 'memory']),
  source: z.enum(['stopwatch', 'real', 'watched', 'simulated', 'program']),
  by: By,
  measure: z.discriminatedUnion('kind', [Timed, RateOnly, Bound]),
  /** Where it was made: a device of the job on a machine of the job, as they hang together; another host or build by value; or not known. */
  path: z.union([z.object({ machine: Id, device: Id }), z.object({ host: Host, build: Build })]).nullable(),
  conditions: RunConditions,
  ended: z.enum(['done', 'aborted', 'disconnected']),
  /** Set aside by a person: kept and shown, never used. */
  excluded: z
    .object({ at: z.iso.datetime(), reason: z.string().trim().min(1, { error: 'wants a reason' }).max(400) })
    .optional(),
  /** What a person edited afterwards: why, and what it said before. */
  edited: z
    .array(
      z.object({ at: z.iso.datetime(), reason: z.string().trim().min(1).max(400), was: z.string().max(600) }),
    )
    .max(100)
    .optional(),
  samples: z.array(Sample).max(2000).default([]),
  probed: Probed.optional(),
  /** Of small requests, how long they took. */
  latency: Latency.optional(),
  /** What the device's own counters said of it. */
  counted: z
    .object({
      read: z.number().nonnegative().max(1e18),
      written: z.number().nonnegative().max(1e18),
      reads: z.number().nonnegative().max(1e15),
      writes: z.number().nonnegative().max(1e15),
      /** s it had something to do; null: nobody counts that. */
      busy: z.number().nonnegative().max(1e10).nullable(),
      /** s until all was handed over, memory holding some of it; null: nothing told. */
      bar: z.number().nonnegative().max(1e10).nullable(),
    })
    .optional(),
});
export type Run = z.infer<typeof Run>;
