export type { PluggedIn } from './device';
export { judgeLink, type Judged } from './judge';
