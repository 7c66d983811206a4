import type { Hypothesis } from '../hypothesis';
import { depends, scaling } from '../scaling';

/** A bridge that reaches less than good equipment of its class. */
export const POOR_BRIDGE: Hypothesis = {
  id: 'poor bridge',
  site: 'device',
  prior: 2,
  title: 'The enclosure’s bridge is a poor one of its class',
  fix: 'Another enclosure; the drive stays.',
  takes: 'enclosure',
  applies: (of) => of.device.bridge !== null && depends(of, 'links'),
  change: (of) => scaling(of, { links: [0.45, 0.65, 0.8] }),
};
