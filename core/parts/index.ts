export { Connector, Id, Name } from './modes';
export { Drive, Cell } from './drive';
export { Bridge } from './bridge';
export { Cable } from './cable';
export { Host, Port } from './host';
