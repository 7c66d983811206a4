import { expose } from 'comlink';
import { compareBuilds, type Comparison, fixes, withDrives } from '@kymar/core/choice';
import {
  worthFinding,
  type WorthFinding,
  caseOf,
  contentsOn,
  freeze,
  sheetOf,
  type Situation,
} from '@kymar/core/forecast';
import type { Drive, Shop } from '@kymar/core/catalog/parts';
import type { Estimate } from '@kymar/core/evidence';
import { verdict } from '@kymar/core/verdict';

/** A comparison without what cannot cross to the page: functions and draws stay here. */
export type Compared = Omit<Comparison, 'builds'> & {
  builds: (Omit<Comparison['builds'][number], 'forecast'> & {
    figure: Estimate | null;
    probability: number | null;
  })[];
};

/** What a person waits for while typing: a forecast, a verdict, what would help, what is worth finding out. */
const fast = {
  sheet: sheetOf,
  contents: contentsOn,
  freeze,
  fixes,
  verdict,
  worth: (situation: Situation, sure: number): WorthFinding[] =>
    situation.activities.flatMap((activity) => worthFinding(caseOf(situation, activity.id), sure) ?? []),
  compare: (
    situation: Situation,
    shop: Shop,
    activity: string,
    drives: readonly Drive[],
    taken: readonly string[],
  ): Compared => {
    const { builds: list, ...rest } = compareBuilds(
      situation,
      activity,
      withDrives(situation, shop, drives, activity, taken),
    );
    return {
      ...rest,
      builds: list.map(({ forecast, ...b }) => ({
        ...b,
        figure: forecast?.figure ?? null,
        probability: forecast?.probability ?? null,
      })),
    };
  },
};
export type Fast = typeof fast;
expose(fast);
