import type { Hypothesis } from '../hypothesis';
import { lesserPcie, outerMode, portWith } from '../modes';

/** A riser, a dirty contact or a setting keeps the link at an older generation. */
export const OLDER_GENERATION: Hypothesis = {
  id: 'older generation',
  site: 'port',
  prior: 1,
  title: 'It runs at an older generation than both sides have',
  fix: 'Another slot, the drive reseated, the setting looked up.',
  applies: (of) => lesserPcie(outerMode(of) ?? '', 'generation') !== null,
  change: (of) => portWith(of, lesserPcie(outerMode(of)!, 'generation')!),
};
