import type { Spread } from '../../stats';
import type { Estimate, Recorder } from '../../evidence';
import type { Direction } from '../../catalog/links';
import type { Path } from '../../assembly';
import type { Flow } from '../../models';
import type { Activity } from '../../job';
import type { Case, Situation } from '../case';
import type { InputId, Transfer } from '../inputs';
import type { TransferForecast } from '../transfer';

/** What answers an activity. */
export interface Answer {
  /** The figure that answers it: a time, a margin, a wait a day, years. */
  figure: Estimate;
  /** Average rate of a move. */
  rate: Estimate | null;
  /** Probability that its target is met, or that nothing stalls; null without either. */
  probability: number | null;
  /** What else is worth knowing. */
  more: Estimate[];
  /** The course of a move. */
  course: TransferForecast | null;
}

/** One of two answers that are held against each other, with the case it is of and what it goes by. */
export interface Answered<A extends Activity = Activity> {
  name: string;
  of: Case<A>;
  answer: Answer;
}

/** How something is lived through day by day. */
interface Daily<A extends Activity> {
  /** What it depends on beside its transfer. */
  inputs<T extends Spread>(record: Recorder<T>, activity: A): Record<string, T>;
  /** The flows of one time, out of those of its transfer. */
  flows(flows: readonly Flow[], x: Readonly<Record<string, number>>): Flow[];
}

/** The models of one kind of activity; what else it is stands in its {@link Traits}. */
export interface KindModel<A extends Activity = Activity> {
  /** What it is about, in one cell. */
  size(activity: A): string;
  /** The transfer it comes to while it goes on; null where nothing flows at a stretch. */
  transfer(activity: A, on: Situation): Transfer | null;
  /**
   * In full.
   * @param besides what goes on at the same time on the same device
   * @throws RangeError when the path is blocked
   */
  answer(of: Case<A>, path: Path, besides: readonly Transfer[]): Answer;
  /** The figure with every input at its middle, in numbers only: for candidates by the hundred thousand. */
  screen(of: Case<A>, path: Path, besides: readonly Transfer[]): number;
  /** What it finds where it lies, as far as something may be at fault there, where no transfer tells. */
  found?<T extends Spread>(record: Recorder<T>, of: Case<A>, path: Path): Partial<Record<InputId, T>>;
  /** What one time of it comes to in each draw, where no transfer tells: what it goes by, what each of that is named, and its s. */
  drawn?(
    of: Case<A>,
    path: Path,
  ): {
    inputs: Readonly<Record<string, Spread>>;
    named(key: string): string;
    time(x: Readonly<Record<string, number>>): number;
  };
  /** Bytes a day that it brings to the drive in one direction; null for none. */
  bytesPerDay<T extends Spread>(record: Recorder<T>, activity: A, direction: Direction, path: Path): T | null;
  /** How it is lived through day by day; absent: it takes the drive for no while. */
  daily?: Daily<A>;
  /** What sets two answers apart, in words; absent where curves tell it. */
  apart?(one: Answered<A>, two: Answered<A>): string;
}
