import { expose } from 'comlink';
import { mends } from '@kymar/core/whatif';

/** What takes longer than a page may stand still. */
const work = { mends };
export type Work = typeof work;
expose(work);
