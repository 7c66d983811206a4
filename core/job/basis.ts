import type { FrozenForecast } from './frozen';
import { setupFrom3 } from './from3';
import type { Setup } from './setup';

const setups = new WeakMap<FrozenForecast, Setup>();
/** What a frozen forecast was made from, whichever version froze it. */
export function setupOf(frozen: FrozenForecast): Setup {
  if ('machines' in frozen) return frozen;
  const had = setups.get(frozen);
  if (had) return had;
  const made = setupFrom3(frozen);
  setups.set(frozen, made);
  return made;
}

/** Whether fill and ambient temperature were kept with it: the oldest ones did not. */
export const keepsNeeds = (frozen: FrozenForecast): boolean =>
  'machines' in frozen || frozen.needs !== undefined;
