/** From here on nobody tells how sure it is: only that it is over so much. */
const ALL_BUT = 0.995;

/**
 * A probability as people read it: out of samples it never claims certainty.
 * @example formatProbability(0.9999) // 'over 99 %'
 */
export const formatProbability = (p: number): string => {
  if (p >= ALL_BUT) return 'over 99 %';
  return p <= 0.005 ? 'under 1 %' : `${Math.round(p * 100)} %`;
};

/**
 * The same of several, the least of them given.
 * @example atLeast(0.92) // '92 % or more'
 */
export const atLeast = (p: number): string => `${formatProbability(p)}${p < ALL_BUT ? ' or more' : ''}`;
