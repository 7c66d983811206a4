import type { Host, Shop } from '../../catalog/parts';
import type { Candidate } from './candidate';
import { searchAll } from './search';
import type { Wanted } from './wanted';

/**
 * A build in the machine it moves to: the same drive, in its enclosure or out of it, at the port and with the cable that make it wait least.
 * @returns null where it does not work there
 */
export function laterOn({ build }: Candidate, wanted: Wanted, shop: Shop, host: Host): Candidate | null {
  const [first] = wanted.places;
  const { drive, bridge } = build;
  const place = { ...first!, host, taken: [] };
  const asked = { ...wanted, places: [place] };
  const own = { ...shop, drives: [drive], bridges: bridge ? [bridge] : [] };
  const same = ({ together = 1, array }: Candidate['build']) =>
    together === (build.together ?? 1) && array?.mode === build.array?.mode;
  const found = searchAll(asked, own).candidates.filter((c) => same(c.build));
  return found.reduce<Candidate | null>(
    (best, c) => (best === null || c.waits < best.waits ? c : best),
    null,
  );
}
