import { forecast, pathFor, type Answer, type Case, type Change } from '../forecast';

/** Something that may be the cause: nothing but a change of the case. */
export interface Hypothesis {
  id: string;
  /** Whether it can be the cause here at all. */
  applies(of: Case): boolean;
  change: Change;
}

/** What would be measured if a hypothesis held. */
export interface Supposed {
  id: string;
  answer: Answer;
}

/** Forecasts a case again under each hypothesis that applies and leaves a path. */
export function suppose(of: Case, hypotheses: readonly Hypothesis[]): Supposed[] {
  return hypotheses.flatMap((hypothesis) => {
    if (!hypothesis.applies(of)) return [];
    const changed = hypothesis.change(of);
    const path = pathFor(changed);
    return path.blocked.length > 0 ? [] : [{ id: hypothesis.id, answer: forecast(changed, path) }];
  });
}
