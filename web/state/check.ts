import type { Part } from '@kymar/core/catalog/parts';
import type { Job } from '@kymar/core/job';
import type { Read } from '@kymar/core/text';
import { idle } from './idle';

let fetched: Promise<typeof import('./schemas')> | null = null;

/** The schemas, fetched once the page has nothing else to do, and anew where that failed. Who checks thousands of records waits for them once. */
const schemas = () =>
  (fetched ??= idle()
    .then(() => import('./schemas'))
    .catch((error: unknown) => {
      fetched = null;
      throw error;
    }));

export const checkedJob = async (raw: unknown): Promise<Read<Job>> => (await schemas()).checkJob(raw);
/** @param key `kind/id` */
export const checkedPart = async (raw: unknown, key: string): Promise<Read<Part>> =>
  (await schemas()).checkPart(raw, key);
