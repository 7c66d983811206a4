export { Build, Seen } from './build';
