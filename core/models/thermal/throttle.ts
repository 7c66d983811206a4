import { spread, type Spread } from '../../stats';

/** Where flash drives begin to slow themselves down, °C [memory]. */
export const THROTTLES_AT = 72;

/** How drives throttle where nobody says [memory]: at what temperature, down to what share of their speed, and back where. */
export const THROTTLE: { at: Spread; cooler: Spread; share: Spread; floor: Spread } = {
  at: spread(68, 75, 83),
  /** K below the threshold at which one that throttles in steps speeds up again. */
  cooler: spread(3, 8, 15),
  /** Share of its speed in the low step. */
  share: spread(0.15, 0.35, 0.6),
  /** Share of its speed that one which holds its temperature never goes below. */
  floor: spread(0.03, 0.08, 0.2),
};
