import { SourceField } from './fields';
import { sourceOf, type MeasuringWay } from './way';

/** A project's folder read once, cold. */
export const READ: MeasuringWay = {
  label: 'Read a folder, cold',
  start: 'Start the run',
  Fields: (props) => <SourceField {...props} label="Folder that is read" />,
  says:
    'Every file once, one after another, past what the host’s memory still holds of it where the file system allows it. ' +
    'Nothing is written.',
  writes: () => 0,
  request: (chosen, around) => {
    const source = sourceOf(chosen, around);
    return source && !source.problem ? { kind: 'read', source: source.id } : null;
  },
  isWork: true,
};
