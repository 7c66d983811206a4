import type { Hypothesis } from '../hypothesis';
import { isDirection } from '../scaling';

/** The disk is a shingled one after all. */
export const SHINGLED: Hypothesis = {
  id: 'shingled',
  site: 'device',
  prior: 1.5,
  title: 'The disk is a shingled one (SMR)',
  fix: 'A CMR disk for this work; an SMR one for archives that are written once.',
  takes: 'drive',
  applies: (of) =>
    of.device.drive.media === 'disk' && of.device.drive.recording !== 'SMR' && isDirection(of, 'write'),
  change: (of) => ({
    ...of,
    device: { ...of.device, drive: { ...of.device.drive, recording: 'SMR' as const } },
  }),
};
