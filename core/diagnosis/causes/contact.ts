import type { Hypothesis } from '../hypothesis';
import { depends, scaling } from '../scaling';

/** Resends over a contact that fails now and then: far below any class. */
export const CONTACT: Hypothesis = {
  id: 'contact',
  site: 'cable',
  prior: 1,
  title: 'A contact that fails now and then',
  fix: 'Clean and reseat the plug, then another cable.',
  takes: 'cable',
  applies: (of) => of.device.bridge !== null && depends(of, 'links'),
  change: (of) => scaling(of, { links: [0.05, 0.25, 0.6] }),
};
