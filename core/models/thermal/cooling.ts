import { linkById } from '../../catalog/links';
import type { Accessory, Bridge, Drive } from '../../catalog/parts';

/** How a flash drive gets rid of its heat. */
export type Cooling = 'bare board' | 'heatsink' | 'plastic' | 'metal' | 'metal with pad' | 'fan';

const isUsbLike = (modes: readonly string[]): boolean =>
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
