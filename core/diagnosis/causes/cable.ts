import { at } from '../hypothesis';
import { outerMode } from '../modes';
import { depends, scaling } from '../scaling';

/** Causes in the cable and its plugs. */
export const CABLE = at('cable', [
  // The cable carries USB 2.0 only: one made for charging, or a contact that fails.
  {
    id: 'usb-2 cable',
    prior: 3,
    title: 'The cable carries USB 2.0 only',
    fix: 'Another cable: many only charge.',
    takes: 'cable',
    applies: ({ connection }) =>
      connection.cable?.modes.some((mode) => mode.startsWith('usb-') && mode !== 'usb-2') ?? false,
    change: (situation) => {
      const { cable } = situation.connection;
      return {
        ...situation,
        connection: { ...situation.connection, cable: cable && { ...cable, modes: ['usb-2'] } },
      };
    },
  },
  // Resends over a contact that fails now and then: far below any class.
  {
    id: 'contact',
    prior: 1,
    title: 'A contact that fails now and then',
    fix: 'Clean and reseat the plug, then another cable.',
    takes: 'cable',
    applies: (of) => of.device.bridge !== null && depends(of, 'links'),
    change: (of) => scaling(of, { links: [0.05, 0.25, 0.6] }),
  },
  // Only one of two lanes is used: the port, or the cable, has one.
  {
    id: 'single lane',
    prior: 1.5,
    title: 'Only one of the two lanes of USB 20 Gb/s is used',
    fix: 'A cable and a port that carry both lanes.',
    takes: 'cable',
    applies: (of) => outerMode(of) === 'usb-20' && of.connection.cable != null,
    change: (of) => {
      const { cable } = of.connection;
      const modes = cable!.modes.filter((mode) => mode !== 'usb-20');
      return { ...of, connection: { ...of.connection, cable: { ...cable!, modes: [...modes, 'usb-10'] } } };
    },
  },
]);
