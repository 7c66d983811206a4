import type { Hypothesis } from '../hypothesis';
import { depends, scaling } from '../scaling';

/** Far more files than anybody counted. */
export const FILE_COUNT: Hypothesis = {
  id: 'another number of files',
  site: 'figures',
  prior: 1,
  title: 'It was not as many files as were entered',
  fix: 'Count the files.',
  applies: (of) => depends(of, 'files'),
  change: (of) => scaling(of, { files: [0.5, 4, 30] }),
};
