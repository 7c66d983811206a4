import { deviceName, type Job } from '@kymar/core/job';
import type { Drive } from '@kymar/core/catalog/parts';
import type { Into } from './intojob';

/** The drives of a job that a result can go to. */
export const ofDrives =
  (media: Drive['media'], change: (drive: Drive) => Drive) =>
  (job: Job): Into[] =>
    job.devices.flatMap(({ id, parts }) =>
      parts?.drive.media === media
        ? [
            {
              name: deviceName(job.devices, id),
              change: (j: Job) => ({
                ...j,
                devices: j.devices.map((d) =>
                  d.id === id && d.parts ? { ...d, parts: { ...d.parts, drive: change(d.parts.drive) } } : d,
                ),
              }),
            },
          ]
        : [],
    );
