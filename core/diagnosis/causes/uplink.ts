import type { Hypothesis } from '../hypothesis';
import { depends, scaling } from '../scaling';

/** Half of a shared link goes to another device. */
export const UPLINK: Hypothesis = {
  id: 'another device on the uplink',
  site: 'machine',
  prior: 2,
  title: 'Another device is at work on the same uplink',
  fix: 'Put it on a port of another controller, or let one wait.',
  applies: (of) => depends(of, 'links'),
  change: (of) => scaling(of, { links: [0.35, 0.5, 0.75] }),
};
