import type { Activity, Move } from './activities';

export const isMove = (activity: Activity): activity is Move => activity.kind === 'move';

/** Which way most of an activity's data goes. */
export function directionOf(activity: Activity): 'read' | 'write' {
  switch (activity.kind) {
    case 'move':
    case 'stream':
      return activity.direction;
    case 'open':
      return 'read';
    case 'scratch':
      return activity.reads >= 0.5 ? 'read' : 'write';
    case 'keep':
      return 'write';
  }
}
