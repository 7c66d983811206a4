import type { Look } from '../look';

/** How full it is. */
export const SPACE: Look = {
  id: 'look at its space',
  title: 'Look how full the drive is',
  thing: 'Space',
  replaces: [],
  extra: 0.5,
  applies: ({ device }) => device.drive.media === 'flash',
  sees: ({ needs }) =>
    typeof needs.fill?.value === 'number' && needs.fill.value > 0.9 ? 'nearly full' : 'room left',
};
