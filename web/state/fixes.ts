import { useEffect, useState } from 'react';
import type { Direction } from '@kymar/core/catalog/links';
import { tried, type Fix } from '@kymar/core/choice/whatif';
import { fixesOf } from '../workers';
import type { Placed } from './placed';
import { useShop } from './shop';
import { useSituation } from './situation';

/** Changes that unblock a place's path or make it faster, the cheapest first; null while they are looked for, beside the page once it has come to rest. */
export function useFixes(at: Placed, direction: Direction): Fix[] | null {
  const shop = useShop();
  const [found, setFound] = useState<{ for: unknown; direction: Direction; list: Fix[] } | null>(null);
  const situation = useSituation(at);
  useEffect(() => {
    if (!situation) return;
    let current = true;
    const ask = () =>
      void fixesOf(situation, tried(shop, direction), direction).then(
        (list) => current && setFound({ for: situation, direction, list }),
      );
    const timer = setTimeout(ask, 150);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [situation, shop, direction]);
  return found?.for === situation && found.direction === direction ? found.list : null;
}
