import { outerMode } from '../modes';
import type { Look } from '../look';

/** What the system says it negotiated. */
export const NEGOTIATED: Look = {
  id: 'look at the link',
  title: 'Read what the system negotiated with it (Path, “What is plugged in here”)',
  replaces: [],
  extra: 1,
  applies: (of) => outerMode(of) !== null,
  sees: (of) => outerMode(of) ?? 'nothing',
};
