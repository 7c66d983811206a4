import { Stream } from '@kymar/core/job';
import { UNKNOWN, third, type KindForm } from './form';

export const STREAM_FORM: KindForm<Stream> = {
  words: 'Stream: must not stall',
  target: null,
  often: true,
  schema: Stream,
  sx: third,
  more: ['buffer'],
  blank: (common) => ({
    ...common,
    kind: 'stream',
    direction: 'write',
    rate: UNKNOWN,
    streams: 1,
    lasts: UNKNOWN,
    buffer: UNKNOWN,
  }),
};
