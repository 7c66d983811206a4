import type { Hypothesis } from '../hypothesis';

/** The cable carries USB 2.0 only: one made for charging, or a contact that fails. */
export const USB_2_CABLE: Hypothesis = {
  id: 'usb-2 cable',
  site: 'cable',
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
};
