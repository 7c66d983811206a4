import type { Activity } from '@kymar/core/job';
import { askedOf } from '@kymar/core/units';
import { filledIn } from '@kymar/core/evidence';
import { SchemaForm } from '../../ui/form';
import type { Blank, KindFieldsProps, KindForm } from './form';
import { KEEP_FORM } from './keep';
import { MOVE_FORM } from './move';
import { OPEN_FORM } from './open';
import { SCRATCH_FORM } from './scratch';
import { STREAM_FORM } from './stream';

export { UNKNOWN } from './form';

type Kind = Activity['kind'];

/** Every kind of the job file: one that is missing does not compile. */
const FORMS: { [K in Kind]: KindForm<Extract<Activity, { kind: K }>> } = {
  move: MOVE_FORM,
  stream: STREAM_FORM,
  open: OPEN_FORM,
  scratch: SCRATCH_FORM,
  keep: KEEP_FORM,
};
export const ACTIVITY_KINDS = Object.keys(FORMS) as Kind[];

/** How a kind of activity is asked for. */
export const formOf = (kind: Kind): KindForm<Activity> => FORMS[kind];

/** An activity of a kind, with nothing known of it yet but its name, how often it happens, and where. */
export function blank(kind: Kind, { id, name, perDay, machine, device }: Omit<Blank, 'target'>): Activity {
  const at = { ...(machine && { machine }), ...(device && { device }) };
  return formOf(kind).blank({ id, name, perDay, target: null, ...at });
}

/** The keys of one part of what is asked of a kind. */
function keysOf(kind: Kind, part: 'first' | 'more'): string[] {
  const { schema, more = [] } = formOf(kind);
  return askedOf(schema).flatMap(({ key }) => (more.includes(key) === (part === 'more') ? [key] : []));
}

/** What is asked of an activity of its kind. */
export function KindFields(props: KindFieldsProps<Activity>) {
  const { activity, onActivity, part } = props;
  const { Fields, schema, sx } = formOf(activity.kind);
  if (Fields) return <Fields {...props} />;
  const keys = keysOf(activity.kind, part) as (keyof Activity)[];
  return <SchemaForm of={schema} values={activity} onValues={onActivity} keys={keys} sx={sx} />;
}

/** Whether anything is asked of its kind that only some know. */
export const asksMore = ({ kind }: Activity): boolean => {
  const { Fields, more = [] } = formOf(kind);
  return Fields !== undefined || more.length > 0;
};

/** What was filled in of what only some know. */
export function moreOf(activity: Activity): string[] {
  const { schema, moreSaid } = formOf(activity.kind);
  return [...filledIn(schema, activity, keysOf(activity.kind, 'more')), ...(moreSaid?.(activity) ?? [])];
}
