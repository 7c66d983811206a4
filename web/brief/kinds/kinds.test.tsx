/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { Activity } from '@kymar/core/job';
import { blank, formOf, KindFields, ACTIVITY_KINDS, UNKNOWN } from '.';

const common = { id: 'a', name: 'Nightly', perDay: UNKNOWN, machine: 'm', device: 'd' };

test.each(ACTIVITY_KINDS)(
  '%s: begins as something the file takes, with name, frequency and place kept',
  (kind) => {
    const activity = blank(kind, common);
    expect(Activity.parse(activity)).toEqual(activity);
    expect(activity).toMatchObject({ ...common, kind, target: null });
    expect(formOf(kind).words).toMatch(new RegExp(`^${kind}: `, 'i'));
  },
);

test.each(ACTIVITY_KINDS)('%s: what is typed into its first field lands in the activity', (kind) => {
  let changed: Activity | null = null;
  const onActivity = (activity: Activity) => (changed = activity);
  render(<KindFields activity={blank(kind, common)} onActivity={onActivity} part="first" />);
  const [field] = screen.getAllByRole('textbox');
  fireEvent.change(field!, { target: { value: '12,5' } });
  fireEvent.blur(field!);
  const known = Object.values(Activity.parse(changed)).filter(
    (v) => v !== null && typeof v === 'object' && 'value' in v && v.value !== null,
  );
  expect(known).toHaveLength(1);
});
