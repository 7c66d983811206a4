import type { SequentialRequest } from '@kymar/core/measure';
import { NumberChoice, SizeField } from './fields';
import { isIn, type MeasuringWay } from './way';

const REQUESTS = [
  [131072, '128 KiB'],
  [1048576, '1 MiB'],
  [4194304, '4 MiB'],
] as const;

const sequential = (mode: SequentialRequest['mode'], label: string): MeasuringWay => ({
  label,
  start: 'Start the run',
  Fields: (props) => (
    <>
      <SizeField {...props} />
      <NumberChoice
        label="Request size"
        value={props.chosen.block}
        options={REQUESTS}
        onChoose={(block) => props.choose({ block })}
      />
    </>
  ),
  says:
    'One file, front to back, past the host’s memory where the file system allows it, with data that does not compress; ' +
    'removed afterwards.',
  writes: ({ bytes }) => bytes,
  request: ({ bytes, block }, { target }) =>
    isIn(bytes, 1 << 20, target.room)
      ? { kind: 'sequential', target: target.id, bytes: Math.round(bytes), mode, block }
      : null,
});

/** A file written front to back. */
export const WRITE = sequential('write', 'Write it');
/** A file written front to back, and read back. */
export const WRITE_READ = sequential('write-read', 'Write it, then read it back');
