import type { OwnRanges } from '../catalog/assumptions';
import { DIRECTIONS } from '../catalog/links';
import { middle } from '../evidence';
import { findings } from '../fit';
import { checklist, tickOf } from '../fitting';
import { fromPasted } from '../models';
import {
  forecastAll,
  forecastDays,
  pathOf,
  settingOf,
  situationAt,
  type ActivityForecast,
  type Situation,
} from '../forecast';
import { briefAt, fittingOf, placesOf, type Job, type JobDevice, type Place } from '../job';
import { learnedFrom, protocolOf } from '../measure';
import { verdict } from '../verdict';
import { briefSaid } from './activity';
import { heldSaid, judgedSaid, measuredSaid, standingSaid, verdictSaid } from './claim';
import { arraySaid, courseSaid, driverSaid, shareSaid, taskSaid } from './course';
import { daysSaid, yearsAhead } from './days';
import { findingSaid, stepSaid, stepsSaid, workOn, workSaid } from './finding';
import { knownSaid, observationsOf } from './known';
import { befallenSaid, counterSaid, healthSaid, learnedSaid, rightSaid, unitSaid } from './unit';
import { compareLoadTimes, feltSaid } from './felt';
import { forecastSaid, moreSaid } from './forecast';
import { frozenSaid } from './frozen';
import { flowSaid, nextSaid, partSaid, passSaid, placeId } from './flow';
import { costSaid, formatSaid, lifeSaid } from './life';
import { mindSaid, protocolSaid, testSaid } from './planned';
import { refusedSaid, runSaid } from './run';
import type { Said, Statement } from './statement';

/** The steps of setting up, and how many are behind. */
function setUp(job: Job, place: Place, situation: Situation): Said<string>[] {
  const steps = checklist(situation);
  const fitting = fittingOf(job, place.device);
  const done = steps.filter((step) => tickOf(step, fitting).mark).length;
  return [
    ...steps.map((step) => stepSaid(place, step)),
    stepsSaid(place, done, steps.length),
    workSaid(placeId(place), workOn(situation)),
  ];
}

/** What the years bring. */
function yearsOf(place: Place, situation: Situation): Said<string>[] {
  const years = yearsAhead(situation);
  const days = forecastDays(situation, { years });
  return days ? daysSaid(place, situation.build, days, years).map(({ said }) => ({ said })) : [];
}

/** One unit, and the health pages that were pasted. */
function unitOf(job: Job, { id, parts }: JobDevice): Said<string>[] {
  const { used = [] } = job;
  const fitting = fittingOf(job, id);
  const { log, risk } = befallenSaid(id, fitting ?? {});
  const pages = [
    ...(fitting?.baseline ? [{ of: id, text: fitting.baseline.text }] : []),
    ...used.map(({ drive, text }) => ({ of: drive, text })),
  ];
  const read = pages.flatMap(({ of, text }) => {
    const told = fromPasted(text);
    return told.ok ? [healthSaid(told.counters, of)] : [];
  });
  return [
    unitSaid(id, parts?.drive, fitting),
    { risk },
    ...log,
    ...(briefAt(job, { device: id, machine: job.machines[0]?.id ?? '' })?.needs?.counters ?? []).map((one) =>
      counterSaid(id, one),
    ),
    ...read.flatMap(({ lines, advice }) => [
      ...lines.map(({ counts }) => ({ counts })),
      ...advice.map(({ advice: words }) => ({ words })),
    ]),
  ];
}

/** How a copy runs, and what moves it. */
const ofCourse = ({ activity, figure, course }: ActivityForecast): Said<string>[] =>
  course
    ? [
        courseSaid(activity, course, figure.expected),
        ...course.causes.map((one) => shareSaid(activity, one)),
        ...course.drivers().map((one) => driverSaid(activity, one)),
      ]
    : [];

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
        nextSaid(place, path, direction),
        ...findings(settingOf(situation, direction)).map((one) => findingSaid(place, one, direction)),
      ]),
      ...setUp(job, place, situation),
      ...yearsOf(place, situation),
      ...(sheet
        ? [
            ...sheet.activities.map(forecastSaid),
            ...sheet.activities.flatMap(({ activity, figure, more }) =>
              [figure, ...more].map((one) => moreSaid(activity, one)),
            ),
            ...sheet.activities.flatMap(ofCourse),
            ...sheet.tasks.map((task) => taskSaid(place, task)),
            sheet.array ? arraySaid(place, sheet.array) : {},
            lifeSaid(place, sheet),
            costSaid(
              place.device,
              fittingOf(job, place.device)?.paid,
              sheet.lasting,
              middle(situation.serviceYears),
            ),
            formatSaid(place, sheet, situation.pass?.ended !== undefined),
          ]
        : []),
    ];
  });
  const isBuilt = placesOf(job).some((place) => situationAt(job, place) !== null);
  const said: Said<string>[] = [
    ...job.activities.map(briefSaid),
    ...places,
    ...job.forecasts.flatMap((frozen) => frozen.results.map((result) => frozenSaid(frozen, result))),
    ...found.claims.flatMap((claim) => [
      measuredSaid(claim),
      heldSaid(claim),
      judgedSaid(claim),
      ...claim.impossible.map(({ run, words }) => refusedSaid(run, words)),
    ]),
    ...job.runs.map(runSaid),
    ...(job.found ?? []).map((one) => rightSaid(job, one)),
    ...learnedFrom(job).map((one, i) => ({ teaches: learnedSaid(job, one, i).teaches })),
    ...observationsOf(job, found).map(knownSaid),
    ...job.devices.flatMap((device) => unitOf(job, device)),
    ...compareLoadTimes(job, found.claims).map(feltSaid),
    verdictSaid(found),
    ...protocol.tests.flatMap((test) => [testSaid(test), ...test.minds.map((mind) => mindSaid(test, mind))]),
    ...(protocol.tests.length > 0 ? [protocolSaid(protocol)] : []),
    { standing: standingSaid(job, found, isBuilt) },
  ];
  return said.flatMap((one) => Object.values(one).filter((s): s is Statement => s !== undefined));
}
