/**
 * A probability as people read it: out of samples it never claims certainty.
 * @example formatProbability(0.9999) // 'over 99 %'
 */
export const formatProbability = (p: number): string => {
  if (p >= 0.995) return 'over 99 %';
  return p <= 0.005 ? 'under 1 %' : `${Math.round(p * 100)} %`;
};
