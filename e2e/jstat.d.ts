/** The part of jstat that tests hold figures against; the package brings no types. */
declare module 'jstat' {
  export const jStat: {
    normal: { inv(p: number, mean: number, sigma: number): number };
    studentt: { inv(p: number, df: number): number };
    tci(mean: number, alpha: number, values: number[]): number[];
    mean(values: number[]): number;
    gammaln(x: number): number;
  };
}
