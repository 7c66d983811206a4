export { PluggedIn } from './device';
export { judgeLink, type Judged } from './judge';
