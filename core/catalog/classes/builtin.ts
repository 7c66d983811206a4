import { middle, type Market } from '../../evidence';
import { assumedRange, remembered, type OwnRanges } from '../assumptions';
import type { Host } from '../parts';
import { likeliest, marketOver, nearness, type Likely } from './likely';

/** What a machine has built in. */
export type BuiltInClass = 'disk' | 'sata' | 'pcie3' | 'pcie4';

export const BUILT_IN_NAMES: Record<BuiltInClass, string> = {
  disk: 'a disk',
  sata: 'flash on SATA',
  pcie3: 'flash on PCIe gen 3',
  pcie4: 'flash on PCIe gen 4 or 5',
};

type Shares = Record<BuiltInClass, number>;
/** By the year a machine was built [memory]. */
function byYear(year: number | undefined): Shares {
  if (year === undefined) return { disk: 0.1, sata: 0.25, pcie3: 0.4, pcie4: 0.25 };
  if (year <= 2014) return { disk: 0.55, sata: 0.42, pcie3: 0.03, pcie4: 0.002 };
  if (year <= 2020) return { disk: 0.12, sata: 0.33, pcie3: 0.54, pcie4: 0.01 };
  return { disk: 0.02, sata: 0.08, pcie3: 0.35, pcie4: 0.55 };
}

/** What a machine's built-in drive may be: by its year and any rate that is known. The likeliest first. */
export const builtInClasses = remembered(
  (host: Pick<Host, 'year' | 'storage'>, shopRanges): Likely<BuiltInClass>[] => {
    const { year, storage } = host;
    const shares = byYear(year);
    const rate = middle(storage.read) ?? middle(storage.write);
    const known = (id: BuiltInClass) =>
      rate === null ? 1 : nearness(rate, assumedRange(`built-in.${id}`, shopRanges));
    return likeliest(Object.keys(shares) as BuiltInClass[], (id) => shares[id] * known(id));
  },
);

const anyBuiltIn = remembered((host: Pick<Host, 'year' | 'storage'>, shopRanges) =>
  marketOver(
    builtInClasses(host, shopRanges),
    (id) => assumedRange(`built-in.${id}`, shopRanges),
    BUILT_IN_NAMES,
  ),
);

/** What a built-in drive passes where nobody knows: one class's, or all that it may be. */
export const builtInMarket = (
  host: Pick<Host, 'year' | 'storage'>,
  shopRanges?: OwnRanges,
  only?: BuiltInClass,
): Market =>
  only
    ? { range: assumedRange(`built-in.${only}`, shopRanges), note: BUILT_IN_NAMES[only] }
    : anyBuiltIn(host, shopRanges);
