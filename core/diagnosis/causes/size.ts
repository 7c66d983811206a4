import type { Hypothesis } from '../hypothesis';
import { depends, isEntered, scaling } from '../scaling';

/** The size that was entered is not what was moved. */
export const SIZE: Hypothesis = {
  id: 'another size',
  site: 'figures',
  prior: 1,
  title: 'It was not as much as was entered',
  fix: 'Count again what was copied.',
  applies: (of) => isEntered(of) && depends(of, 'bytes'),
  change: (of) => scaling(of, { bytes: [0.3, 1, 3] }),
};
