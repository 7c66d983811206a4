import type { SegmentId } from '@kymar/core/assembly';

const KIND: Record<string, string> = {
  drive: 'Drive',
  bridge: 'Bridge',
  cable: 'Cable',
  port: 'Port',
  system: 'System',
  host: 'Other end',
};

/** What a segment of the strip is called. */
export const kindOfSegment = (id: SegmentId): string => KIND[id] ?? 'Hub';
