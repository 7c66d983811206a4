import { outerMode } from '../modes';
import type { Look } from '../look';

/** What the system says it negotiated. */
export const NEGOTIATED: Look = {
  id: 'look at the link',
  title: 'Read which link the system negotiated',
  thing: 'Link',
  replaces: [],
  extra: 1,
  applies: (of) => outerMode(of) !== null,
  sees: (of) => outerMode(of) ?? 'nothing',
};
