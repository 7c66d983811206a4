import type { Hypothesis } from '../hypothesis';
import { below, outerMode, portWith } from '../modes';

/** The port is of a slower class than it was taken for, or falls back to one: ports that look the same are not. */
export const SLOWER_PORT: Hypothesis = {
  id: 'slower port',
  site: 'port',
  prior: 4,
  title: 'The port is of a slower class',
  fix: 'Plug it into the port that the build says; read what was negotiated.',
  applies: (of) => below(outerMode(of) ?? 'usb-2') !== null && below(outerMode(of)!) !== 'usb-2',
  change: (of) => portWith(of, below(outerMode(of)!)!),
};
