import type { Hypothesis } from '../hypothesis';
import { outerMode, behindHub } from '../modes';

/** A hub or a dock hangs between that passes on less. */
export const HUB: Hypothesis = {
  id: 'hub between',
  site: 'port',
  prior: 2,
  title: 'A hub or dock between passes on 5 Gb/s',
  fix: 'Plug it straight into the machine.',
  applies: (of) => ['usb-10', 'usb-20'].includes(outerMode(of) ?? '') && !(of.connection.hops?.length ?? 0),
  change: (of) => behindHub(of, 'usb-5'),
};
