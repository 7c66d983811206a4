import { spread, type Spread } from '../../stats';
import { linkById } from '../../catalog/links';
import type { Accessory, Bridge, Drive } from '../../catalog/parts';

/** How a flash drive gets rid of its heat. */
export type Cooling = 'bare board' | 'heatsink' | 'plastic' | 'metal' | 'metal with pad' | 'fan';

/** K/W from a flash drive to the air around it [memory]: how it is cooled decides. */
export const RESISTANCE: Record<Cooling, Spread> = {
  'bare board': spread(10, 13, 17),
  heatsink: spread(4, 6, 8),
  plastic: spread(11, 15, 20),
  metal: spread(7, 10, 14),
  'metal with pad': spread(5, 7, 10),
  fan: spread(3, 4.5, 6),
};

/** J/K of what warms up with it [memory]: a board of some 8 g, a heatsink of some 30 g or a case of 50 to 100 g of aluminium (0.9 J/gK). */
export const HEAT_CAPACITY: Record<Cooling, Spread> = {
  'bare board': spread(8, 12, 18),
  heatsink: spread(25, 40, 60),
  plastic: spread(10, 16, 25),
  metal: spread(30, 50, 80),
  'metal with pad': spread(50, 80, 120),
  fan: spread(25, 40, 60),
};

/** Air around a drive where nobody says, °C: rooms where drives are used. */
export const AMBIENT: Spread = spread(20, 24, 32);

export const isUsbLike = (modes: readonly string[]): boolean =>
  modes.some((mode) => ['usb', 'usb4', 'thunderbolt'].includes(linkById(mode).family));

interface Fitted {
  drive: Drive;
  bridge: Bridge | null;
  accessories?: readonly Accessory[] | undefined;
}

/** Outside the host's case, on a cable or as a sealed drive. */
export const isExternal = ({ drive, bridge }: Fitted): boolean =>
  drive.sealed === true || isUsbLike(bridge ? bridge.outer : drive.modes);

/** How a flash drive is cooled where it sits. */
export function coolingOf(fitted: Fitted): Cooling {
  const { drive, bridge, accessories = [] } = fitted;
  const external = isExternal(fitted);
  const heatsink = drive.heatsinkHeight !== undefined || accessories.some((a) => a.kind === 'heatsink');
  if (bridge?.cooling && external)
    return (heatsink || accessories.some((a) => a.kind === 'pad')) && bridge.cooling === 'metal'
      ? 'metal with pad'
      : bridge.cooling;
  if (heatsink) return 'heatsink';
  return external ? 'plastic' : 'bare board';
}
