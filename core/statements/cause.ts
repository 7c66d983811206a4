import {
  HEALTHY,
  NO_CAUSE,
  NONE,
  type Diagnosis,
  type Group,
  type NextTest,
  type ToldCause,
} from '../diagnosis';
import { CHOICE_WORDS, wayWords } from '../forecast';
import { runsBefore, type Job } from '../job';
import { counted, format, formatProbability, formatRange, rangeBehind } from '../units';
import { seenWords } from './known';
import { naming, say, type Said, type Statement } from './statement';

/*
 * What is said of causes. They take a diagnosis, which takes a moment: whoever prints them makes one.
 */

/** As many groups of causes are told, and as many causes with what each would show at a look. */
const MOST = 4;
/** A group or a cause less probable than this is not told. */
const LEAST = 0.02;
/** A result tells of a cause that is at least so probable then. */
const TELLING = 0.1;
/** What is lost is worth a sentence from this share on. */
const WORTH = 0.05;
/** From here on a cause that stands alone is called the cause. */
const SURE = 0.9;

const small = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
const toldOf = ({ causes }: Diagnosis, ids: readonly string[]): ToldCause[] =>
  ids.flatMap((id) => causes.find((c) => c.id === id) ?? []);
/** What a cause is called; that nothing is wrong too, where it is of no account. */
export const causeTitle = ({ causes }: Diagnosis, id: string): string =>
  causes.find((c) => c.id === id)?.title ?? NO_CAUSE[id] ?? id;

/** Whether nothing wrong found is the likeliest. */
export const isCalm = ({ groups }: Diagnosis): boolean => groups[0]?.ids[0] === HEALTHY;

/** What to do where nothing known explains it. */
const ONE_BY_ONE =
  'Change one thing at a time and time it again: the cable, the port, the other end, the machine, the drive. What changes the time is where to look.';

/** Causes that cannot be told apart, each with how probable it is; what was not tested stands with what is healthy. */
export interface SaidGroup extends Said<'together' | 'untested' | 'then'> {
  id: string;
  causes: (ToldCause & Said<'share'>)[];
}

function groupSaid(found: Diagnosis, { ids, probability }: Group): SaidGroup {
  const causes = toldOf(found, ids);
  const calm = ids[0] === HEALTHY;
  const shown = calm
    ? causes.slice(0, 1)
    : causes.filter((c, i) => i === 0 || c.probability >= LEAST || c.probability >= probability / 4);
  const untested = calm ? causes.slice(1, 1 + MOST) : [];
  const id = ids[0]!;
  return {
    id,
    causes: shown.map((cause) => ({
      ...cause,
      ...say<'share'>('judged', naming('cause', cause.id), {
        share: formatProbability(shown.length === 1 ? probability : cause.probability),
      }),
    })),
    ...say<'together' | 'untested' | 'then'>('judged', naming('causes', id), {
      then: id === NONE && found.groups[0]!.ids[0] === NONE ? ONE_BY_ONE : null,
      together:
        shown.length > 1
          ? `One of these, ${formatProbability(probability)} together: what was measured cannot tell them apart.`
          : null,
      untested:
        untested.length > 0
          ? `Not tested by these runs: ${untested.map(({ title }) => small(title)).join('; ')}.`
          : null,
    }),
  };
}

/** The likeliest groups. */
export const groupsSaid = (found: Diagnosis): SaidGroup[] =>
  found.groups
    .filter(({ probability }, i) => i === 0 || (probability >= LEAST && i < MOST))
    .map((group) => groupSaid(found, group));

/** What leads, in a sentence's middle: one cause, or one of several. */
function leadingWords(found: Diagnosis): string {
  const [{ ids, probability }] = found.groups as [Group];
  const likely = toldOf(found, ids).filter(
    (c, i, [first]) => i === 0 || c.probability >= first!.probability / 5,
  );
  const [first, second] = likely as [ToldCause, ToldCause | undefined];
  if (!second)
    return `${probability >= SURE ? 'The cause' : 'The likeliest cause'}: ${small(first.title)}. ${first.fix}`;
  return `It is likely one of these: ${likely
    .slice(0, MOST)
    .map(({ title }) => small(title))
    .join('; ')}. First: ${small(first.fix ?? '')}`;
}

/** What putting it right brings, and all of it in a sentence that a customer understands; nothing where nothing is lost. */
export function gainSaid(found: Diagnosis): Said<'gain' | 'sentence'> {
  const { gain, groups } = found;
  const [first] = toldOf(found, groups[0]?.ids ?? []);
  if (!gain || !first?.fix || first.isFigure || gain.took < gain.healthy * (1 + WORTH)) return {};
  const [took, healthy] = [format(gain.took, 's', 2), format(gain.healthy, 's', 2)];
  return say('judged', 'causes', {
    gain: `Once fixed, ${gain.title} should take about ${healthy} instead of ${took}.`,
    sentence: `${gain.title} took ${took}; about ${healthy} is what it should take. ${leadingWords(found)}`,
  });
}

/** What nobody knew, and the runs tell: so far all is as it should be of a rig that is such. */
export const settledSaid = ({ settled }: Diagnosis): Said<'settled'> =>
  say('judged', 'causes', {
    settled:
      settled.length > 0
        ? `The runs tell: ${settled
            .map(
              ({ choice, way, probability }) =>
                `${CHOICE_WORDS[choice]}: ${wayWords(choice, way)} (${formatProbability(probability)})`,
            )
            .join('; ')}.`
        : null,
  });

/** What “It was this” does, where something can be fixed. */
export const fixedSaid = (job: Job, found: Diagnosis): Said<'aside'> =>
  say('planned', 'causes', {
    aside: !groupsSaid(found).some(({ causes }) => causes.some(({ fix }) => fix))
      ? null
      : `“It was this” sets aside ${counted(runsBefore(job).length, 'run')} made so far and asks for new ones. It can be taken back at any time.`,
  });

/** A second look is for who may have looked wrong. */
export const lookTitle = ({ title, again }: NextTest): string => (again ? `${title}, once more` : title);
const minutesWords = ({ minutes }: NextTest): string =>
  minutes < 1.5 ? 'a minute' : `about ${format(minutes * 60, 's', 2)}`;

/** One result of a look or a test, and what it would mean. */
type Outcome = Said<'result' | 'means'>;
const outcome = (look: string, id: string, result: string, means: string): Outcome =>
  say('planned', naming('look', look, id), { result, means });

/** What a timed test would take under each of the likeliest causes, and how probable each would be then. */
const timesSaid = (found: Diagnosis, { id: look, outcomes }: NextTest): Outcome[] =>
  outcomes.slice(0, MOST).flatMap(({ id, seconds, then }, i) => {
    // What would not even then be likely tells nothing.
    if (!seconds || (i > 0 && then < TELLING)) return [];
    const takes = `${format(seconds.expected, 's')}${rangeBehind(seconds, 's')}`;
    return outcome(look, id, takes, `${causeTitle(found, id)} ${formatProbability(then)}`);
  });

/** What may be seen at a look, and of which causes that would speak, the likeliest first, each with how probable it would be then. */
function sightsSaid(found: Diagnosis, { id: look, outcomes }: NextTest): Outcome[] {
  const seen = [...new Set(outcomes.flatMap((one) => one.seen ?? []))];
  return seen.slice(0, MOST).map((sight) => {
    const causes = outcomes.filter((one) => one.seen === sight);
    const told = causes.filter(({ then }, i) => i === 0 || then >= LEAST).slice(0, MOST);
    const titles = told.map(({ id, then }) => `${causeTitle(found, id)} ${formatProbability(then)}`);
    return outcome(look, sight, seenWords(sight), [titles[0], ...titles.slice(1).map(small)].join('; '));
  });
}

/** The look or test that tells most, what each result would mean, and what comes after it. */
export function lookSaid(found: Diagnosis): (Said<'minutes' | 'then'> & { outcomes: Outcome[] }) | null {
  const [next, ...others] = found.next;
  if (!next) return null;
  const then = others.slice(0, 2).map((o) => `${small(lookTitle(o))} (${minutesWords(o)})`);
  const shows = next.sights.length > 0 ? sightsSaid(found, next) : timesSaid(found, next);
  return {
    ...say<'minutes' | 'then'>('planned', naming('look', next.id), {
      minutes: minutesWords(next),
      then: then.length > 0 ? `Then: ${then.join('; ')}.` : null,
    }),
    outcomes: shows,
  };
}

/** What a look or a test told of what leads now. */
export function toldSaid(found: Diagnosis, look: string): Said<'told'> {
  const by = found.told.find((t) => t.look === look);
  const change = by && `${formatProbability(by.before)} without it, ${formatProbability(by.after)} with it`;
  return say('judged', naming('look', look), {
    told: by ? `${causeTitle(found, by.cause)}: ${change}.` : null,
  });
}

/** Each measurement, and what the likeliest causes say of it. */
export const againstSaid = ({ shown: { evidence, causes } }: Diagnosis) =>
  evidence.map(({ title, figure, unit, seen }, i) => ({
    title,
    ...say<'was'>('measured', naming('evidence', String(i)), {
      was: figure ? format(figure.expected, unit) : seenWords(seen ?? ''),
    }),
    by: causes.map(({ id, by }) => {
      const { figure: range, seen: sight, fits } = by[i]!;
      const says = range ? formatRange(range, unit, 2) : sight === null ? 'nothing flows' : seenWords(sight);
      return { fits, ...say<'says'>('judged', naming('evidence', String(i), id), { says }) };
    }),
  }));

/** All of it. */
export function causesSaid(job: Job, found: Diagnosis): Statement[] {
  const look = lookSaid(found);
  const said: Said<string>[] = [
    ...groupsSaid(found).flatMap(({ together, untested, then, causes }) => [
      { together, untested, then },
      ...causes.map(({ share }) => ({ share })),
    ]),
    settledSaid(found),
    gainSaid(found),
    fixedSaid(job, found),
    { minutes: look?.minutes, then: look?.then },
    ...(look?.outcomes ?? []),
    ...[...new Set(found.told.map((t) => t.look))].map((id) => toldSaid(found, id)),
    ...againstSaid(found).flatMap(({ was, by }) => [{ was }, ...by.map(({ says }) => ({ says }))]),
  ];
  return said.flatMap((one) => Object.values(one).filter((s): s is Statement => s !== undefined));
}
