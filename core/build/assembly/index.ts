export { apart } from './apart';
export { Build, Connection, Device, Seen } from './build';
export { LOCKABLE, type Lockable } from './lock';
