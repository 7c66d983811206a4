import type { Hypothesis } from '../hypothesis';
import { depends, scaling } from '../scaling';

/** Something looks at each file: what a file costs beside its bytes is several times what it was. */
export const SMALL_FILES: Hypothesis = {
  id: 'small-file overhead',
  site: 'machine',
  prior: 2.5,
  title: 'Each file costs more than it should: a scanner, a journal, an index',
  fix: 'Leave the folder out of the scanner while it copies; pack small files into one.',
  applies: (of) => depends(of, 'perFile'),
  change: (of) => scaling(of, { perFile: [2, 4, 12] }),
};
