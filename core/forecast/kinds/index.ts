export type { Answer, Answered, Daily, KindModel } from './kind';
export { kindOf, registerKind } from './registry';
export { collectMove } from './move';
export { openedOver } from './open';
export { onDevice } from './scratch';
export { drawnStreams, pacedOf, slowestOf, stalls } from './stream';
export { asAsked, heldAt, inputsFor } from './shared';
