import { BRIDGES, CABLES, DRIVES } from '@kymar/core/demo';
import type { Job } from '@kymar/core/job';
import type { Direction } from '@kymar/core/links';
import { buildPath, type Joint, type PathParts } from '@kymar/core/path';

type Build = NonNullable<Job['build']>;

/** What else could stand at a joint, each as the change it makes to the build. */
export function alternatives(job: Job, joint: Joint['id']): { key: string; name: string; build: Build; taken: boolean }[] {
  const build = job.build!;
  switch (joint) {
    case 'drive':
      return DRIVES.map((drive) => ({ key: drive.id, name: `${drive.maker} ${drive.model}`, build: { ...build, drive }, taken: drive.id === build.drive.id }));
    case 'bridge':
      return [...BRIDGES.map((bridge) => ({ key: bridge.id, name: `${bridge.maker} ${bridge.model}`, build: { ...build, bridge }, taken: bridge.id === build.bridge?.id })), { key: 'none', name: 'None: straight into the host', build: { ...build, bridge: null }, taken: build.bridge === null }];
    case 'cable':
      return [...CABLES.map((cable) => ({ key: cable.id, name: `${cable.name}, ${cable.length} m`, build: { ...build, cable }, taken: cable.id === build.cable?.id })), { key: 'none', name: 'No cable', build: { ...build, cable: null }, taken: build.cable === null }];
    case 'port':
      return job.host.ports.map((port) => ({ key: port.id, name: `${port.position}, ${port.connector}`, build: { ...build, port: port.id }, taken: port.id === build.port }));
    case 'host':
      return [];
  }
}

/** Expected flow of a build, or null when it is blocked. */
export function flowOf(job: Job, build: Build, direction: Direction): number | null {
  const parts: PathParts = { ...build, host: job.host, port: job.host.ports.find((p) => p.id === build.port)! };
  return buildPath(parts).flow?.[direction].expected ?? null;
}

