import type { Hypothesis } from '../hypothesis';
import { depends, isEntered, scaling } from '../scaling';

/** The figure is a factor of eight off. */
export const UNITS: Hypothesis = {
  id: 'units mixed up',
  site: 'figures',
  prior: 1,
  title: 'Bits were taken for bytes, or binary units for decimal ones',
  fix: 'Read the figure again with its unit.',
  applies: (of) => isEntered(of) && depends(of, 'bytes'),
  change: (of) => scaling(of, { bytes: [0.115, 0.125, 0.135] }),
};
