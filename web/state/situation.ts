import type { OwnRanges } from '@kymar/core/catalog/assumptions';
import { situationOf, type Situation } from '@kymar/core/forecast';
import type { Brief } from '@kymar/core/job';
import { rememberedBy } from './remembered';
import { useSettings } from './settings';

const NONE: OwnRanges = {};
/** All that a brief may say: a new part of it is not left out here unseen. */
type WholeBrief = { [K in keyof Required<Brief>]: Brief[K] };
const made = rememberedBy(
  (
    host: Brief['host'],
    build: Brief['build'],
    activities: Brief['activities'],
    elsewhere: Brief['elsewhere'],
    needs: Brief['needs'],
    serviceYears: Brief['serviceYears'],
    pass: Brief['pass'],
    goesAround: Brief['goesAround'],
    shopRanges: OwnRanges,
  ): Situation | null => {
    const whole: WholeBrief = { host, build, activities, elsewhere, needs, serviceYears, pass, goesAround };
    return situationOf(whole, shopRanges);
  },
  2000,
);

const of = (brief: Brief | null, shopRanges: OwnRanges = NONE) =>
  brief &&
  made(
    brief.host,
    brief.build,
    brief.activities,
    brief.elsewhere,
    brief.needs,
    brief.serviceYears,
    brief.pass,
    brief.goesAround,
    shopRanges,
  );

/** A place of a job as it stands, the shop's own ranges with it: the same one as long as nothing of it changes. Null while nothing is built. */
export const situationNow = (brief: Brief | null): Situation | null =>
  of(brief, useSettings.getState().ownRanges);

/** {@link situationNow} for a page, which follows when the shop's ranges change. */
export const useSituation = (brief: Brief | null): Situation | null =>
  of(
    brief,
    useSettings((s) => s.ownRanges),
  );
