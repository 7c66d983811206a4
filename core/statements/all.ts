import type { OwnRanges } from '../catalog/assumptions';
import { DIRECTIONS } from '../catalog/links';
import { forecastAll, pathOf, situationAt } from '../forecast';
import { placesOf, type Job } from '../job';
import { protocolOf } from '../measure';
import { verdict } from '../verdict';
import { briefSaid } from './activity';
import { heldSaid, judgedSaid, measuredSaid, standingSaid, verdictSaid } from './claim';
import { compareLoadTimes, feltSaid } from './felt';
import { forecastSaid } from './forecast';
import { frozenSaid } from './frozen';
import { flowSaid, partSaid, passSaid } from './flow';
import { formatSaid, lifeSaid } from './life';
import { protocolSaid, testSaid } from './planned';
import type { Said, Statement } from './statement';

/**
 * Everything that is said of a job, each once: what a page, a document and the command line ask for by its id.
 * @param shopRanges the shop's own ranges in place of what is assumed
 */
export function statementsOf(job: Job, shopRanges: OwnRanges = {}): Statement[] {
  const found = verdict(job, shopRanges);
  const protocol = protocolOf(job);
  const places = placesOf(job).flatMap((place): Said<string>[] => {
    const situation = situationAt(job, place, shopRanges);
    if (!situation) return [];
    const path = pathOf(situation);
    const sheet = forecastAll(situation);
    return [
      ...DIRECTIONS.flatMap((direction) => [
        flowSaid(place, path, direction),
        ...path.constraints.map((part) => partSaid(place, part, direction)),
        ...path.segments.map((segment) => passSaid(place, segment, direction)),
      ]),
      ...(sheet
        ? [...sheet.activities.map(forecastSaid), lifeSaid(place, sheet), formatSaid(place, sheet)]
        : []),
    ];
  });
  const isBuilt = placesOf(job).some((place) => situationAt(job, place) !== null);
  const said: Said<string>[] = [
    ...job.activities.map(briefSaid),
    ...places,
    ...job.forecasts.flatMap((frozen) => frozen.results.map((result) => frozenSaid(frozen, result))),
    ...found.claims.flatMap((claim) => [measuredSaid(claim), heldSaid(claim), judgedSaid(claim)]),
    ...compareLoadTimes(job, found.claims).map(feltSaid),
    verdictSaid(found),
    ...protocol.tests.map(testSaid),
    ...(protocol.tests.length > 0 ? [protocolSaid(protocol)] : []),
    { standing: standingSaid(job, found, isBuilt) },
  ];
  return said.flatMap((one) => Object.values(one).filter((s): s is Statement => s !== undefined));
}
