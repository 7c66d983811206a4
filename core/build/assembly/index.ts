export { apart, Build, Connection, Device, Seen } from './build';
