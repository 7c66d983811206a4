import type { Facts } from '../fit';

export const PHASES = ['before', 'fitting', 'first start', 'format', 'contents', 'after'] as const;
/** Parts of the work, in their order. */
export type StepPhase = (typeof PHASES)[number];

/** What a checklist is made from. */
export interface StepFacts extends Facts {
  /** It sits inside the machine's case. */
  inside: boolean;
  /** There are drives on the machine or the device whose contents move over. */
  replaces: boolean;
  /** Several drives as one. */
  isArray: boolean;
  /** B that the system shows and partitions: an array's, where there is one; null: not known. */
  size: number | null;
  /** How many drives go in. */
  drives: number;
  /** How many of them may fail. */
  spare: number;
  /** The machine, or a device it goes to, formats it by itself when it first starts with it. */
  formatsItself: boolean;
}

type Said = string | ((b: StepFacts) => string);

/** One step of setting a device up. */
export interface FittingStep {
  /** Stable: what was done is kept by it. */
  id: string;
  /** min of somebody's hands, not of waiting [common practice, no source]. */
  minutes: number | ((b: StepFacts) => number);
  phase: StepPhase;
  when(b: StepFacts): boolean;
  title: Said;
  /** How, and why. */
  how: Said;
  /** What can go wrong here. */
  caution?: Said;
}

/** A step in words. */
export interface ListedStep {
  id: string;
  phase: StepPhase;
  title: string;
  how: string;
  caution: string | null;
  /** min of somebody's hands. */
  minutes: number;
}

export const said = (words: Said, b: StepFacts): string => (typeof words === 'function' ? words(b) : words);
