import { SourceField } from './fields';
import { sourceOf, type MeasuringWay } from './way';

/** A folder copied, read back and compared. */
export const COPY: MeasuringWay = {
  label: 'Copy a folder, read back and compared',
  start: 'Start the run',
  Fields: (props) => <SourceField {...props} label="Folder that is copied" />,
  says:
    'Every file as it is, hashed on the way, until all is written; then read back past the host’s memory and compared. ' +
    'The copy is removed, its manifest can be saved.',
  writes: () => null,
  request: (chosen, around) => {
    const source = sourceOf(chosen, around);
    return source && !source.problem ? { kind: 'copy', source: source.id, target: around.target.id } : null;
  },
  isWork: true,
};
