import { exactFact } from '../../evidence';
import type { Hypothesis } from '../hypothesis';
import { isDirection } from '../scaling';

/** Little room is left: what is cache on an empty drive holds data now. */
export const NEARLY_FULL: Hypothesis = {
  id: 'nearly full',
  site: 'device',
  prior: 2,
  title: 'The drive is nearly full',
  fix: 'Free some of it, keep a tenth free; a larger drive.',
  applies: (of) => of.device.drive.media === 'flash' && isDirection(of, 'write'),
  change: (of) => ({ ...of, needs: { ...of.needs, fill: exactFact(0.95) } }),
};
