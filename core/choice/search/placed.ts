import { middle } from '../../evidence';
import type { Build } from '../../assembly';
import type { Drive } from '../../catalog/parts';
import { situationOf, type Situation } from '../../forecast';
import type { Needs } from '../../job';
import { YEAR_DAYS } from '../../units';
import type { Candidate } from './candidate';
import type { UsedDrive } from './used';
import type { OpenPlace, Wanted } from './wanted';

/** The readings of a drive's counter of written bytes; by its rating where it says only what share of that is used. */
function countersOf(drive: Drive, used: UsedDrive | undefined): NonNullable<Needs['counters']> {
  const rated = drive.media === 'flash' ? middle(drive.tbw) : null;
  return (used?.told ?? []).flatMap(({ on, written, wear }) => {
    const by = written ?? (wear === null || rated === null ? null : wear * rated);
    return by === null ? [] : [{ on, written: by }];
  });
}

const usedAs = ({ used = [] }: Pick<Wanted, 'used'>, drive: Drive): UsedDrive | undefined =>
  used.find((one) => one.drive === drive.id);

/** Why a drive must not be taken; null where nothing says so. */
export const stopOf = (wanted: Pick<Wanted, 'used'>, drive: Drive): string | null =>
  usedAs(wanted, drive)?.stop ?? null;

/** A build at a place: what its drive has counted counts, what another did does not. */
export function placed(
  wanted: Pick<Wanted, 'used' | 'shopRanges'>,
  open: OpenPlace,
  build: Build,
): Situation {
  const used = usedAs(wanted, build.drive);
  const counters = countersOf(build.drive, used);
  const since = used?.inUseSince;
  const needs = {
    ...open.needs,
    ...(counters.length > 0 ? { counters } : {}),
    ...(since === undefined ? {} : { inUseSince: since }),
  };
  return situationOf({ ...open, needs, build }, wanted.shopRanges)!;
}

/** Years until what is left of a drive's rating is written; null where nothing wears, is rated or written. @param perDay B a day */
export function yearsOf(wanted: Pick<Wanted, 'used'>, drive: Drive, perDay: number | null): number | null {
  const rated = drive.media === 'flash' ? middle(drive.tbw) : null;
  if (rated === null || !perDay) return null;
  const written = countersOf(drive, usedAs(wanted, drive)).at(-1)?.written ?? 0;
  return Math.max(0, rated - written) / perDay / YEAR_DAYS;
}

/** A candidate at each place it works. */
export const situationsOf = (
  { wanted }: { wanted: Pick<Wanted, 'places' | 'used' | 'shopRanges'> },
  { build, elsewhere }: Pick<Candidate, 'build' | 'elsewhere'>,
): Situation[] =>
  wanted.places.map((open, at) =>
    placed(wanted, open, at === 0 ? build : { ...build, ...elsewhere[at - 1] }),
  );
