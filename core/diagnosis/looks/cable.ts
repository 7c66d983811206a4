import type { Look } from '../look';

/** Another cable of the same kind. */
export const CABLE: Look = {
  id: 'swap cable',
  title: 'Take another cable and time it again',
  replaces: ['cable'],
  applies: ({ connection }) => connection.cable !== null && connection.cable !== undefined,
};
