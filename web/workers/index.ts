import { wrap, type Remote } from 'comlink';
import type { Direction } from '@kymar/core/links';
import type { Shop } from '@kymar/core/parts';
import type { Mend, Plan } from '@kymar/core/whatif';
import type { Work } from './whatif';

let worker: Remote<Work> | null = null;
/** Started when first asked, and kept. */
const whatif = (): Remote<Work> => (worker ??= wrap<Work>(new Worker(new URL('./whatif.ts', import.meta.url), { type: 'module' })));

/** Changes that help a path, worked out in a worker. */
export const mendsOf = (plan: Plan, shop: Shop, direction: Direction): Promise<Mend[]> => whatif().mends(plan, shop, direction);
