import type { Activity } from '../../core/job/kinds/activity';

/* Every way to ask that the rule must see: a line that it does not see is reported as needlessly let off. */
const [moved] = ['move'] as const;

// eslint-disable-next-line house/kinds
export const byField = (one: Activity) => one.kind === 'move';
// eslint-disable-next-line house/kinds
export const byList = (kind: Activity['kind']) => (['move', 'keep'] as string[]).includes(kind);
// eslint-disable-next-line house/kinds
export const byConstant = <K extends Activity['kind']>(kind: K) => kind !== moved;
export function byCase({ kind }: Activity): number {
  // eslint-disable-next-line house/kinds
  switch (kind) {
    case 'open':
      return 1;
    default:
      return 2;
  }
}
/** Another word of the same letters is no kind of activity. */
export const other = (way: 'move' | 'lift') => way === 'move';
