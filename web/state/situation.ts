import type { OwnRanges } from '@kymar/core/catalog/assumptions';
import { situationOf, type Brief, type Situation } from '@kymar/core/forecast';
import { remembered } from './remembered';
import { useSettings } from './settings';

const NONE: OwnRanges = {};
const made = remembered(
  (
    host: Brief['host'],
    build: Brief['build'],
    activities: Brief['activities'],
    needs: Brief['needs'],
    serviceYears: Brief['serviceYears'],
    own: OwnRanges,
  ): Situation | null =>
    situationOf(
      { host, build, activities, ...(needs ? { needs } : {}), ...(serviceYears ? { serviceYears } : {}) },
      own,
    ),
  2000,
);

const of = ({ host, build, activities, needs, serviceYears }: Brief, own: OwnRanges = NONE) =>
  made(host, build, activities, needs, serviceYears, own);

/** A job as it stands, the shop's own ranges with it: the same one as long as nothing of it changes. Null while nothing is built. */
export const situationNow = (brief: Brief): Situation | null => of(brief, useSettings.getState().ownRanges);

/** {@link situationNow} for a page, which follows when the shop's ranges change. */
export const useSituation = (brief: Brief): Situation | null =>
  of(
    brief,
    useSettings((s) => s.ownRanges),
  );
