/** So many of something, in words: `1 run`, `1,200 runs`. */
export const counted = (n: number, one: string, many = `${one}s`): string =>
  `${n.toLocaleString('en-GB')} ${n === 1 ? one : many}`;
