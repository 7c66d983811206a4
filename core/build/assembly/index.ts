export { apart } from './apart';
export { Build, Connection, Device, Seen } from './build';
