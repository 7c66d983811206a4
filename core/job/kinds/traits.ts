import type { Unit } from '../../units';
import type { Activity } from './activity';

/**
 * What one kind of activity is to all who deal with it: nobody outside the folders named `kinds` asks which kind it is. Its models stand in
 * forecast/kinds, what a person is asked in web/brief/kinds.
 */
export interface Traits<A extends Activity = Activity> {
  /**
   * The figure that answers it. `time`: how long it takes, s each time; `wait`: how long it is waited for, s a day; `margin`: what is sustained over what is
   * asked; `room`: years until the drive is full.
   */
  answer: 'time' | 'wait' | 'margin' | 'room';
  /** What may be asked of it: to be done within its target, or never to stall, target or not; null: nothing. */
  asks: 'target' | 'no stall' | null;
  /** How it is timed. `copy`: it has the fields of a {@link Move}; `load`: those of an {@link Open}, and no size that a person must know. */
  timed: 'copy' | 'load' | null;
  /** It keeps what others bring, with the fields of a {@link Keep}: counted beside them it would count twice. */
  keeps?: true;
  /** How it asks for data: at a stretch one way, one request after another, or here and there. */
  requests: 'sequential' | 'dependent' | 'random';
  /** Which way most of its data goes: `write` onto the device. */
  direction(activity: A): 'read' | 'write';
  words: {
    /** What its answer is called behind its name. */
    answer: string;
    /** What other drives may tell of it. */
    compare: string;
  };
}

/** Of an answer: its unit, and which way is better. */
export const ANSWERS = {
  time: { unit: 's', better: 'less' },
  wait: { unit: 's', better: 'less' },
  margin: { unit: 'ratio', better: 'more' },
  room: { unit: 'years', better: 'more' },
} as const satisfies Record<Traits['answer'], { unit: Unit; better: 'less' | 'more' }>;
