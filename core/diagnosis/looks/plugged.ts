import type { Look } from '../look';
import { pluggedInto } from '../modes';

/** Which port it is in: ports that look the same are not, and a hub hides another. */
export const PLUGGED: Look = {
  id: 'look at the port',
  title: 'Look which port it is in, by its marking or the manual, and whether a hub is between',
  thing: 'Port',
  replaces: [],
  extra: 1,
  applies: ({ device }) => device.bridge !== null || device.drive.sealed === true,
  sees: pluggedInto,
};
