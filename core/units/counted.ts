import { numeral } from './intl';

/**
 * So many of something, in words: `1 run`, `1,200 runs`.
 * @example counted(1200, 'run') // '1,200 runs'
 */
export const counted = (n: number, one: string, many = `${one}s`): string =>
  `${numeral(n)} ${n === 1 ? one : many}`;
