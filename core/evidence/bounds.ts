/** B/s between which anything of this trade moves: models divide by them. */
export const SLOWEST = 1e3;
export const FASTEST = 1e12;
