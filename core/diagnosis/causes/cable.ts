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
    applies: ({ build }) =>
      build.cable?.modes.some((mode) => mode.startsWith('usb-') && mode !== 'usb-2') ?? false,
    change: (situation) => {
      const { cable } = situation.build;
      return { ...situation, build: { ...situation.build, cable: cable && { ...cable, modes: ['usb-2'] } } };
    },
  },
  // Resends over a contact that fails now and then: far below any class.
  {
    id: 'contact',
    comesAndGoes: true,
    prior: 1,
    title: 'A contact that fails now and then',
    fix: 'Clean and reseat the plug, then another cable.',
    takes: 'cable',
    applies: (of) => of.build.bridge !== null && depends(of, 'links'),
    change: (of) => scaling(of, { links: [0.05, 0.4, 0.9], latency: [1, 1.5, 4] }),
  },
  // Only one of two lanes is used: the port, or the cable, has one.
  {
    id: 'single lane',
    prior: 1.5,
    title: 'Only one of the two lanes of USB 20 Gb/s is used',
    fix: 'A cable and a port that carry both lanes.',
    takes: 'cable',
    applies: (of) => outerMode(of) === 'usb-20' && of.build.cable != null,
    change: (of) => {
      const { cable } = of.build;
      const modes = cable!.modes.filter((mode) => mode !== 'usb-20');
      return { ...of, build: { ...of.build, cable: { ...cable!, modes: [...modes, 'usb-10'] } } };
    },
  },
]);
