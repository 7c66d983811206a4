export { Connector, Id, Name, Protocol } from './modes';
export { FormFactor, formFactor, heightOf, isM2 } from './form';
export { Drive, Cell } from './drive';
export { Bridge, ArrayMode } from './bridge';
export { Cable } from './cable';
export { Hub, Hop, Busy } from './hub';
export { Accessory } from './accessory';
export { Host, Port, System, Endpoint } from './host';
export { KINDS, nameOf, type Kind, type Part, type PartOf, type Shop } from './shop';
