import type { Hypothesis } from '../hypothesis';
import { outerMode } from '../modes';

/** Only one of two lanes is used: the port, or the cable, has one. */
export const SINGLE_LANE: Hypothesis = {
  id: 'single lane',
  site: 'cable',
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
};
