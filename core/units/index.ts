export { UNITS, type Unit } from './unit';
export type { Parsed } from './number';
export { readNumber } from './number';
export { parseQuantity, UNIT_OF, type Dimension } from './quantity';
export { format, duration } from './format';
export { nominalSectors, shownCapacity, mbrLimit } from './capacity';
export { DECIMAL, BINARY } from './prefix';
export { counted } from './counted';
export { formatProbability } from './probability';
