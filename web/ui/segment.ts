import type { Segment, SegmentId } from '@kymar/core/assembly';

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

/** What one is called as it stands in a path: nothing is copied to where the path ends at the machine. */
export const nameOfSegment = ({ id, endsAtHost }: Pick<Segment, 'id' | 'endsAtHost'>): string =>
  endsAtHost ? 'Machine' : kindOfSegment(id);
