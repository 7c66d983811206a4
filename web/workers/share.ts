import { expose } from 'comlink';
import {
  buildWords,
  cheapestFirst,
  search,
  type Candidate,
  type Found,
  type Progress,
  type SearchShare,
  type Wanted,
} from '@kymar/core/choice';
import type { Shop } from '@kymar/core/catalog/parts';

/** What is told of a share while it is searched: how far it is, and the cheapest so far that misses no target. */
export type TellProgress = (progress: Progress, first: { words: string; cost: number | null } | null) => void;

/** ms of work between two looks at what else is asked. */
const BETWEEN = 120;
let turn = 0;
const pause = () => new Promise((resolve) => setTimeout(resolve, 0));

export const sharing = {
  /** Searches its share of the drives; null where another search was asked for meanwhile. */
  async search(wanted: Wanted, shop: Shop, share: SearchShare, told: TellProgress): Promise<Found | null> {
    const mine = ++turn;
    const into: Candidate[] = [];
    const going = search(wanted, shop, into, share);
    const meeting = () => into.filter((c) => c.misses.length === 0).sort(cheapestFirst);
    let [isTold, seen] = [false, 0];
    for (let since = performance.now(); ;) {
      const step = going.next();
      if (step.done) return step.value;
      // The first that meets every target is told at once.
      const isFirst: boolean = !isTold && into.slice(seen).some((c) => c.misses.length === 0);
      seen = into.length;
      if (isFirst || performance.now() - since > BETWEEN) {
        isTold ||= isFirst;
        const [best] = meeting();
        told(step.value, best ? { words: buildWords(best.build), cost: best.cost } : null);
        await pause();
        if (mine !== turn) return null;
        since = performance.now();
      }
    }
  },
  cancel: (): void => void turn++,
};
export type Sharing = typeof sharing;

// Started as a worker of its own it answers; inside another it is called.
if (self.name === 'share') expose(sharing);
