import type { Direction } from '@kymar/core/catalog/links';
import type { Fix } from '@kymar/core/choice';
import { fixesOf } from '../workers';
import { useAnswer } from './gate';
import type { Placed } from './placed';
import { useShop } from './shop';
import { useSituation } from './situation';

/** Changes that unblock a place's path or make it faster, the cheapest first; null while they are looked for. */
export function useFixes(at: Placed, direction: Direction): { list: Fix[] | null; problem: string | null } {
  const shop = useShop();
  const situation = useSituation(at);
  const { data, problem } = useAnswer(situation && fixesOf(situation, shop, direction));
  return { list: data ?? null, problem };
}
