import { apart, type Build } from '../assembly';
import type { Host } from '../catalog/parts';
import { FIRST_PLACE } from './place';
import type { Setup } from './setup';

export type Fields = Record<string, unknown>;
export const isFields = (data: unknown): data is Fields =>
  typeof data === 'object' && data !== null && !Array.isArray(data);

/** A field under another name, in its old place; a damaged thing stays as it is. */
function renamed(data: unknown, names: Readonly<Record<string, string>>): unknown {
  if (!isFields(data)) return data;
  return Object.fromEntries(Object.entries(data).map(([key, value]) => [names[key] ?? key, value]));
}

const activityFrom3 = (data: unknown): unknown =>
  renamed(data, {
    wish: 'target',
    ...(isFields(data) && data.kind === 'open' ? { own: 'processing', requests: 'dependentReads' } : {}),
  });

/** One machine, one build and its needs as machines, devices and connections. Nothing is checked: what is damaged is told by the schema. */
export function setupOf3({ host, build, activities, needs }: Fields): Fields {
  const { ambient, schools, ...asked } = isFields(needs) ? needs : {};
  const own = renamed(asked, { starts: 'bootDrive', travels: 'portable' });
  const { device, connection } = isFields(build) ? apart(build as Build) : { device: null, connection: null };
  const known = isFields(needs) && Object.keys(asked).length > 0;
  return {
    machines: [
      { id: FIRST_PLACE.machine, use: 'customer', host, ...(ambient === undefined ? {} : { ambient }) },
    ],
    devices:
      device || known
        ? [{ id: FIRST_PLACE.device, name: '', ...(known ? { needs: own } : {}), parts: device }]
        : [],
    connections: connection ? [{ ...FIRST_PLACE, ...connection }] : [],
    activities: Array.isArray(activities) ? activities.map(activityFrom3) : activities,
    ...(schools === undefined ? {} : { policies: schools }),
  };
}

/** {@link setupOf3} of what its schema took. */
export const setupFrom3 = (old: {
  host: Host;
  build: Build;
  activities: unknown[];
  needs?: unknown;
}): Setup => setupOf3(old) as Setup;
