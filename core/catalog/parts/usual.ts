import type { Connector } from './modes';
import type { Host, Port } from './host';

/** Modes that a connector of each shape can stand for. */
const STANDS_FOR: Record<Connector, RegExp> = {
  'M.2': /^pcie[3-5]x[24]$|^sata-6$/,
  SATA: /^sata/,
  'PCIe slot': /^pcie/,
  'USB-A': /^usb-(?:2|5|10)$/,
  'USB-C': /^(?:usb|tb-[345]|usb4)/,
  'Micro-B': /^usb-(?:2|5|10)$/,
  'USB-B': /^usb-(?:2|5|10)$/,
  'Mini DP': /^tb-[12]$/,
  SAS: /^(?:sas|sata)/,
  Card: /^(?:uhs|cfexpress)/,
};

/** What runs behind most of that shape in machines that are in use [memory]. */
const USUAL: Record<Connector, string> = {
  'M.2': 'pcie3x4',
  SATA: 'sata-6',
  'PCIe slot': 'pcie3x16',
  'USB-A': 'usb-5',
  'USB-C': 'usb-10',
  'Micro-B': 'usb-5',
  'USB-B': 'usb-5',
  'Mini DP': 'tb-2',
  SAS: 'sas-12',
  Card: 'uhs-1',
};

/** Whether a link may run behind a connector of that shape. */
export const canStandFor = (connector: Connector, link: string): boolean => STANDS_FOR[connector].test(link);

type Shape = Pick<Port, 'connector' | 'modes'> & { slot?: Port['slot'] };

/** A port of a shape as it usually is: a slot as long as said is wired as long. */
export function usualPort(connector: Connector, edge: NonNullable<Port['slot']>['edge'] = 16): Shape {
  const modes = [USUAL[connector]];
  if (connector !== 'PCIe slot') return { connector, modes };
  return { connector, modes: [`pcie3x${edge}`], slot: { edge } };
}

/** A port in another shape: what it ran stays where that shape can run it. */
export function reshaped(port: Port, connector: Connector): Port {
  const { slot, ...rest } = port;
  const usual = usualPort(connector, slot?.edge);
  const modes = port.modes.filter((id) => canStandFor(connector, id));
  return { ...rest, ...usual, modes: modes.length > 0 ? modes : usual.modes };
}

const NOT_KNOWN = { value: null, source: { kind: 'unknown' } } as const;

/** A machine that nothing is known of, not even its ports: the file takes it once it has one. */
export const unknownHost = (id: string, name: string): Host => ({
  id,
  name,
  system: '',
  ports: [],
  storage: { name: 'Built-in drive', read: NOT_KNOWN, write: NOT_KNOWN },
});
