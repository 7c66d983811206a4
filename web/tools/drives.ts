import type { Drive } from '@kymar/core/catalog/parts';
import { deviceName, type Job } from '@kymar/core/job';
import { intoDrive } from '@kymar/core/measure';
import type { Into } from './intojob';

/** The drives of a job that a result can go to. */
export const ofDrives =
  (media: Drive['media'], facts: Parameters<typeof intoDrive>[2]) =>
  (job: Job): Into[] =>
    job.devices
      .filter(({ parts }) => parts?.drive.media === media)
      .map(({ id }) => ({ name: deviceName(job.devices, id), takes: intoDrive(job, id, facts) }));
