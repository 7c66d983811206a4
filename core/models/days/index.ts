export { repeat, type Repeated, type Repeats, type Kept, type Day } from './repeat';
