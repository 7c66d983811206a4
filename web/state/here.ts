import { devices, sources, targets, watchables } from './server';

/*
 * Questions about this machine: what is plugged in changes without anybody saying so, so each look asks anew.
 */
const look = <T>(name: string, ask: () => Promise<T>) => ({
  name,
  subject: 'here',
  about: [],
  isKept: false,
  ask,
});

/** Storage plugged in here, and what each link negotiated. */
export const PLUGGED = look('devices', devices);
/** What can be watched here. */
export const WATCHABLE = look('watchable', watchables);
/** Folders that runs may write in, and such as are only read. */
export const TARGETS = look('targets', targets);
export const SOURCES = look('sources', sources);
