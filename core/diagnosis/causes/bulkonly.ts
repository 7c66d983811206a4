import type { Hypothesis } from '../hypothesis';

/** The system fell back to the bulk-only protocol: one command at a time. */
export const BULK_ONLY: Hypothesis = {
  id: 'bulk-only',
  site: 'machine',
  prior: 1.5,
  title: 'The system fell back to the bulk-only protocol',
  fix: 'Another port or driver; see whether the system has this bridge on a list of exceptions.',
  takes: 'enclosure',
  applies: ({ device }) => device.bridge?.protocol === 'uas',
  change: (situation) => {
    const { device } = situation;
    const bridge = device.bridge && { ...device.bridge, protocol: 'bulk-only' as const };
    return { ...situation, device: { ...device, bridge } };
  },
};
