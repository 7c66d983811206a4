import { proxy, wrap, type Remote } from 'comlink';
import { joinShares, type Found, type Progress, type Wanted } from '@kymar/core/choice';
import type { Shop } from '@kymar/core/catalog/parts';
import { sharing, type Sharing, type TellProgress } from './share';

/** Builds by parts alone below which one worker is done before another has started. */
const WORTH_SHARING = 4_000;
/** Workers beside the one that keeps what is found. */
const MORE = Math.max(0, Math.min(4, navigator.hardwareConcurrency) - 1);

let helpers: Remote<Sharing>[] = [];

/** Helpers that are kept once started; none where the browser lets no worker start another. */
function helpersFor(shop: Shop): Remote<Sharing>[] {
  if (shop.drives.length * (shop.bridges.length + 1) < WORTH_SHARING) return [];
  if (helpers.length === 0 && typeof Worker !== 'undefined')
    helpers = Array.from({ length: MORE }, () =>
      wrap<Sharing>(new Worker(new URL('./share.ts', import.meta.url), { type: 'module', name: 'share' })),
    );
  return helpers;
}

/** Searches with as many workers as the library is worth; null where another search was asked for meanwhile. */
export async function searchShared(
  wanted: Wanted,
  shop: Shop,
  onProgress: (progress: Progress, first: string | null) => void,
): Promise<Found | null> {
  const others = helpersFor(shop);
  const of = others.length + 1;
  const told: Parameters<TellProgress>[] = [];
  const tell =
    (at: number): TellProgress =>
    (...news) => {
      told[at] = news;
      const all = Object.values(told);
      const sum = (what: keyof Progress) => all.reduce((total, [progress]) => total + progress[what], 0);
      const firsts = all.flatMap(([, first]) => first ?? []);
      const [best] = firsts.sort((a, b) => (a.cost ?? Infinity) - (b.cost ?? Infinity));
      onProgress(
        { looked: sum('looked'), drives: sum('drives'), of: shop.drives.length },
        best?.words ?? null,
      );
    };
  const parts = await Promise.all([
    ...others.map((helper, i) => helper.search(wanted, shop, { at: i + 1, of }, proxy(tell(i + 1)))),
    sharing.search(wanted, shop, { at: 0, of }, tell(0)),
  ]);
  const found = parts.flatMap((part) => part ?? []);
  if (found.length < of) return null;
  return of === 1 ? found[0]! : joinShares(found, wanted, shop);
}

export function cancelShared(): void {
  sharing.cancel();
  for (const helper of helpers) void helper.cancel();
}
