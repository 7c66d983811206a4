import { exactFact } from '../../evidence';
import type { Hypothesis } from '../hypothesis';
import { isDirection, scaling } from '../scaling';

/** Little room is left: what is cache on an empty drive holds data now, and the drive tidies up while it writes. */
export const NEARLY_FULL: Hypothesis = {
  id: 'nearly full',
  site: 'device',
  prior: 2,
  title: 'The drive is nearly full',
  fix: 'Free some of it, keep a tenth free; a larger drive.',
  applies: (of) => of.device.drive.media === 'flash' && isDirection(of, 'write'),
  change: (of) =>
    scaling({ ...of, needs: { ...of.needs, fill: exactFact(0.95) } }, { rest: [0.2, 0.55, 0.95] }),
};
