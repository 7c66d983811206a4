import type { Job } from './job';

/** A job as the text of its file. */
export function writeJob(job: Job): string {
  return `${JSON.stringify(job, null, 2)}\n`;
}
