import type { JointId } from '@kymar/core/build/path';

const KIND: Record<string, string> = {
  drive: 'Drive',
  bridge: 'Bridge',
  cable: 'Cable',
  port: 'Port',
  system: 'System',
  host: 'Other end',
};

/** What a joint of the strip is called. */
export const kindOfJoint = (id: JointId): string => KIND[id] ?? 'Hub';
