import type { Part } from '@kymar/core/catalog/parts';
import type { Job } from '@kymar/core/job';
import type { Read } from '@kymar/core/text';
import { idle } from './idle';

/** The schemas, fetched once the page has nothing else to do. */
const schemas = async () => {
  await idle();
  return import('./schemas');
};

export const checkedJob = async (raw: unknown): Promise<Read<Job>> => (await schemas()).checkJob(raw);
/** @param key `kind/id` */
export const checkedPart = async (raw: unknown, key: string): Promise<Read<Part>> =>
  (await schemas()).checkPart(raw, key);
