import type { Hypothesis } from '../hypothesis';
import { lesserPcie, outerMode, portWith } from '../modes';

/** The slot has fewer lanes than it looks, or shares them with another one. */
export const FEWER_LANES: Hypothesis = {
  id: 'fewer lanes',
  site: 'port',
  prior: 1,
  title: 'It runs on fewer lanes than the slot has',
  fix: 'Another slot, the drive reseated, the setting looked up.',
  applies: (of) => lesserPcie(outerMode(of) ?? '', 'lanes') !== null,
  change: (of) => portWith(of, lesserPcie(outerMode(of)!, 'lanes')!),
};
