/** The part of jstat that Kymar uses; the package brings no types. */
declare module 'jstat' {
  const jStat: { studentt: { inv(p: number, df: number): number } };
  export default jStat;
}
