import type { ReactNode } from 'react';
import type { Activity } from '@kymar/core/job';
import type { RandomRequest, RunRequest, SequentialRequest, RunTarget } from '@kymar/core/measure';

/** What is typed and chosen, whatever way it is for: going from one way to another loses nothing. */
export interface Choices {
  /** B. */
  bytes: number | null;
  block: SequentialRequest['block'];
  /** Of small requests: B, how many under way, share that reads, s. */
  small: RandomRequest['block'];
  depth: number;
  reads: number;
  lasts: number | null;
  /** s that a probe may take. */
  within: number | null;
  /** Of many files: how many, B about, by what factor they scatter. */
  files: number | null;
  median: number | null;
  spread: number | null;
  /** s of a round, and how many at most. */
  round: number | null;
  rounds: number | null;
  source: string;
}

export const FIRST_CHOICES: Choices = {
  bytes: 2e9,
  block: 1048576,
  small: 4096,
  depth: 1,
  reads: 1,
  lasts: 20,
  within: 20 * 60,
  files: 2000,
  median: 60_000,
  spread: 3,
  round: 30,
  rounds: 25,
  source: '',
};

/** What a way is used with. */
export interface Around {
  target: RunTarget;
  sources: readonly RunTarget[];
  activity: Activity | null;
}

export interface WayFieldsProps {
  chosen: Choices;
  choose(change: Partial<Choices>): void;
  around: Around;
}

type Worked = Exclude<RunRequest, { kind: 'watch' }>;
/** A request without what the page adds: for which job, in a queue or not. */
type Bare<R> = R extends Worked ? Omit<R, 'purpose' | 'queue'> : never;

/** A way to measure in a folder of this machine: one file each. */
export interface MeasuringWay {
  label: string;
  /** What the button says. */
  start: string;
  Fields(props: WayFieldsProps): ReactNode;
  /** What it does, in a sentence or two. */
  says: string;
  /** B it writes; null while that is not known. */
  writes(chosen: Choices): number | null;
  /** What is asked of the server; null while something is missing or out of range. */
  request(chosen: Choices, around: Around): Bare<RunRequest> | null;
  /** It stands for the activity that is chosen, as real work does. */
  isWork?: boolean;
}

/** The source that is chosen, the first where none is. */
export const sourceOf = ({ source }: Choices, { sources }: Around): RunTarget | undefined =>
  sources.find((s) => s.id === source) ?? sources[0];

export const isIn = (value: number | null, least: number, most: number): value is number =>
  value !== null && value >= least && value <= most;
