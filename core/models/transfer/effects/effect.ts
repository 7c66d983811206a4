import type { EngineState } from '../state';

/**
 * Something that shapes a transfer. Between two events all rates are constant; an effect says when it will change something next, and takes note
 * when the moment has come. What is absent it has no say in.
 */
export interface Effect {
  id: string;
  /** Whether it has a say in this transfer at all; absent: always. */
  concerns?(state: EngineState): boolean;
  /** Puts everything as it is at the start: what media give, what they may draw. */
  begin?(state: EngineState): void;
  /** Sets what depends on who is under way, before rates are shared out. */
  limit?(state: EngineState): void;
  /** s until it changes something at the rates just shared out; Infinity for never. */
  next?(state: EngineState): number;
  /** Goes on for so many s at these rates. */
  advance?(state: EngineState, seconds: number): void;
  /** Takes note of what was reached, and counts in `state.regime` what changed for good. */
  arrive?(state: EngineState): void;
}
