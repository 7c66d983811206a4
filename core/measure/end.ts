import type { EndEvent, RunEvent } from './ways/requests';

/** Whether it is the last that is told of a run. Apart from the schemas: every page asks this, few read a run. */
export const isEnd = (event: RunEvent): event is EndEvent =>
  event.type !== 'progress' && event.type !== 'watching' && event.type !== 'waiting';
