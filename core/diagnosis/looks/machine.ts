import type { Look } from '../look';

/** Another machine as good as this one, with its own port and its own storage. */
export const MACHINE: Look = {
  id: 'other machine',
  title: 'Time it on another machine of the same class',
  replaces: ['machine', 'port', 'other end'],
  extra: 10,
  applies: ({ device }) => device.bridge !== null,
};
