import {
  activitiesOf,
  closelyOf,
  fellWords,
  fixes,
  presetFor,
  SURE,
  rowsOf,
  searchAll,
  searched,
  summaryOf,
  wantedFrom,
  type BuildRow,
  type Closely,
  type CountedReason,
  type Fix,
  type SaidAnswer,
  type SearchTerms,
  type Summary,
  type Wanted,
} from '../choice';
import { DIRECTIONS, type Direction } from '../catalog/links';
import type { Shop } from '../catalog/parts';
import { middle } from '../evidence';
import {
  caseOf,
  nothingWorth,
  situationAt,
  worthFinding,
  worthWords,
  type Situation,
  type WorthFinding,
} from '../forecast';
import { isAsked, mustNotStall, placesOf, traitsOf, type Activity, type Job, type Place } from '../job';
import { counted, format, formatProbability, moneyWords, numeral } from '../units';
import { placeId } from './flow';
import { naming, say, type Said, type Statement } from './statement';
import { processingWords } from './target';

/*
 * What is said of builds that a library offers. They are of a search, not of a job alone: whoever prints them searches.
 */
const rated = (years: number): string => (years > 99 ? 'over 99' : numeral(years, years < 10 ? 1 : 0));

/** A figure that answers an activity, as a row tells it. */
const answerWords = (activity: Activity, figure: number): string =>
  mustNotStall(activity) ? format(figure, 'ratio', 2) : format(figure, 's');

/** A build as a table lists it, beside its score. */
export const rowSaid = ({
  id,
  cost,
  missed,
  years,
  usable,
  perTB,
  steady,
}: Omit<BuildRow, 'score'>): Said<'cost' | 'misses' | 'years' | 'usable' | 'perTB' | 'steady'> =>
  say('forecast', naming('build', id), {
    cost: cost === null ? null : moneyWords(cost, null),
    misses: missed.length === 0 ? 'none' : missed.join(', '),
    years: years === null ? null : rated(years),
    usable: usable === null ? null : format(usable, 'B'),
    perTB: perTB === null ? null : numeral(perTB, 0),
    steady: format(steady, '%', 2),
  });

/** What an activity comes to with a build. @param i its place among the activities of all places */
export const figureSaid = (
  { id, figures }: Pick<BuildRow, 'id' | 'figures'>,
  activity: Activity,
  i: number,
): Said<'figure'> =>
  say('forecast', naming('build', id, String(i)), {
    figure: figures[i] == null ? null : answerWords(activity, figures[i]),
  });

/** One answer: what it costs, and why it is one. */
export const answerSaid = ({ kind, id, money: price, reason }: SaidAnswer): Said<'money' | 'reason'> =>
  say('judged', naming(kind, id), { money: price, reason });

/** What a search looked at, and what its targets cost. @param sure how probable each target must be; null: none is asked */
export const searchSaid = (
  { looked, works, meets, needed, left, nothing, dear, refused, overBudget, ownBays }: Summary,
  sure: number | null,
): Said<'looked' | 'nothing' | 'dear' | 'refused' | 'overBudget' | 'ownBays'> =>
  say('judged', 'search', {
    looked:
      `${numeral(looked)} builds that plug together were looked at: ${numeral(works)} work, ${numeral(meets)} ` +
      `${meets === 1 ? 'meets' : 'meet'} every target at the expected figure.` +
      (needed > 0 ? ` The work needs ${format(needed, 'B')} by the end of the service life.` : '') +
      (left > 0
        ? ` ${counted(left, 'drive')} beyond the first ${numeral(looked)} builds ${left === 1 ? 'was' : 'were'} left out, the dearest.`
        : '') +
      (sure === null
        ? ''
        : ` A build counts when each target is met with at least ${format(sure, '%', 2)} probability.`),
    nothing,
    dear,
    refused,
    overBudget,
    ownBays,
  });

/** What a build buys over the first of those beside it. @param words null of the first itself */
export const buysSaid = (id: string, words: string | null): Said<'buys'> =>
  say('judged', naming('beside', id), { buys: words });

/** Whether a used unit is worth its money. @param words null while nothing is searched */
export const usedSaid = (drive: string, words: string | null): Said<'advice'> =>
  say('judged', naming('used', drive), { advice: words });

/** How many have a price, and how many of them no other beats. */
export const lineSaid = (priced: number, edge: number): Said<'line'> =>
  say('judged', 'search', {
    line: `${counted(priced, 'build')} with a price; on the line ${numeral(edge)} that no other beats in both cost and time.`,
  });

/** Why what is built now is not among them. @param fell null where it is */
export const builtSaid = (fell: string | null): Said<'built'> => say('judged', 'search', { built: fell });

/** Why so many fell out. */
export const reasonSaid = ({ reason, words, count }: CountedReason): Said<'fell'> =>
  say('judged', naming('search', reason), { fell: `${words}: ${numeral(count)}` });

/** A sentence of a list, by its place in it. */
const listed = (of: string, list: readonly string[]): Said<string>[] =>
  list.map((words, i) => say('judged', naming(of, String(i)), { says: words }));

/** What is worth finding out of an activity; that nothing is, where that is so. @param of the build it is asked of, where that is none of the job's */
export const worthSaid = (found: WorthFinding, of?: string): Said<'worth'>[] => {
  const one = (id: string, worth: string) =>
    say<'worth'>('judged', naming('worth', found.activity, id, of), { worth });
  return found.list.length === 0
    ? [one('nothing', nothingWorth(found))]
    : found.list.map((worth) => one(worth.id, worthWords(worth, found)));
};

/** What would settle which build to buy. */
export const settlesSaid = (list: readonly string[]) => listed('settles', list);

/** What an activity comes to with a build that is looked at closely, and beside today's time. */
export function closeFigureSaid(
  { id, candidate, probabilities, today }: Closely,
  activity: Activity,
  i: number,
): Said<'meets' | 'today' | 'processing'> {
  const figure = candidate.figures[i];
  if (figure == null) return {};
  const p = probabilities[i];
  const target =
    traitsOf(activity).asks === 'target' && activity.target !== null
      ? `, target ${format(activity.target, 's')}`
      : '';
  const told = mustNotStall(activity)
    ? `${format(figure, 'ratio', 2)} times what it needs`
    : `${format(figure, 's')}${target}`;
  return say('forecast', naming('closely', id, String(i)), {
    meets: `${told}${p == null ? '' : `: ${formatProbability(p)} probable`}`,
    today: today[i] ?? null,
    processing: processingWords(activity, figure),
  });
}

/** Of a build that is looked at closely: what it costs, holds, lasts. */
export function closelySaid(
  one: Closely,
  wanted: Wanted,
): Said<'paid' | 'written' | 'usable' | 'warranty' | 'sizes' | 'kept'> & {
  lists: Record<'missed' | 'open' | 'against' | 'wasted' | 'prices' | 'cautions' | 'levels', Said<string>[]>;
} {
  const { id, candidate, sizes } = one;
  const { years, usable, warranty } = candidate;
  const service = middle(wanted.places[0]!.serviceYears);
  const isShort = years !== null && service !== null && years < service;
  const unpriced = one.order.filter(({ each, owned }) => each === null && !owned);
  const without = unpriced.map(({ name }) => name).join(', ');
  const lists = {
    missed: listed(`missed ${id}`, one.demands.missed),
    open: listed(`open ${id}`, one.demands.open),
    against: listed(`against ${id}`, one.against),
    wasted: listed(`wasted ${id}`, one.wasted),
    prices: listed(`price ${id}`, one.prices),
    levels: listed(
      `level ${id}`,
      one.levels.map(({ words }) => words),
    ),
    cautions: listed(
      `caution ${id}`,
      one.cautions.map(({ title, reason }) => `${title}. ${reason}`),
    ),
  };
  const said = say<'paid' | 'written' | 'usable' | 'warranty' | 'sizes' | 'kept'>(
    'forecast',
    naming('closely', id),
    {
      paid: `${one.money}${without ? `: no price of ${without}` : ''}`,
      written:
        years === null
          ? null
          : `after ${format(years, 'years', 2)} of this work${isShort ? `, service life ${format(service, 'years')}` : ''}`,
      usable: usable === null ? null : format(usable, 'B'),
      warranty: warranty === null ? null : format(warranty, 'years'),
      kept: one.demands.kept,
      sizes: sizes.map(({ name, perTB }) => `${name}: ${numeral(perTB, 0)}`).join(' · '),
    },
  );
  return { ...said, lists };
}

/** What a change costs, in words. */
const COSTS: Record<Fix['cost'], string> = {
  nothing: 'costs nothing',
  'a cable': 'costs a cable',
  'a hub': 'costs a hub',
  'an enclosure or card': 'costs an enclosure or card',
  'a drive': 'costs a drive',
};

/** What a change costs, with its price where that is known. */
const costWords = ({ cost, price }: Pick<Fix, 'cost' | 'price'>): string =>
  `${COSTS[cost]}${price ? `, ${moneyWords(Math.round(price.amount), price.currency)}` : ''}`;

/** What one change of a path would bring. */
export const fixSaid = (
  place: Place,
  { cost, words, price, flow, gain }: Pick<Fix, 'cost' | 'words' | 'price' | 'flow' | 'gain'>,
  direction: Direction,
): Said<'flow' | 'gain' | 'price' | 'fix'> =>
  say('forecast', naming('fix', cost, placeId(place), direction), {
    flow: flow === null ? 'blocks less' : format(flow, 'B/s'),
    gain: gain === null ? null : `+${format(gain, 'B/s')}`,
    price: costWords({ cost, price }),
    fix:
      words +
      (flow === null ? '' : `: ${format(flow, 'B/s')}`) +
      (gain === null ? '' : `, ${format(gain, 'B/s')} more`) +
      ` (${costWords({ cost, price })}).`,
  });

/** What is worth finding out of each activity of a situation. */
const worthOf = (situation: Situation, sure: number): WorthFinding[] =>
  situation.activities.flatMap(({ id }) => worthFinding(caseOf(situation, id), sure) ?? []);

/**
 * Everything that is said of what a library offers for a job's first device, and for its paths: the search that the page makes.
 */
export function offeredSaid(job: Job, shop: Shop, how: SearchTerms): Statement[] {
  const [first] = placesOf(job);
  const wanted = first ? wantedFrom(job, first.device, shop, how) : null;
  const said: Said<string>[] = placesOf(job).flatMap((place) => {
    const situation = situationAt(job, place, how.shopRanges);
    return situation
      ? [
          ...DIRECTIONS.flatMap((direction) =>
            fixes(situation, shop, direction).map((fix) => fixSaid(place, fix, direction)),
          ),
          ...worthOf(situation, how.probability ?? SURE).flatMap((found) => worthSaid(found)),
        ]
      : [];
  });
  if (wanted) {
    const built = situationAt(job, first!, how.shopRanges)?.build ?? null;
    const of = searched(searchAll(wanted, shop), wanted, shop, built);
    const found = summaryOf(of.found, of.finalists, wanted);
    const work = activitiesOf(wanted);
    const [best] = found.answers;
    const close = best ? closelyOf(of, of.ids.get(best.id)!, 0, job.changed.slice(0, 10)) : null;
    said.push(
      ...rowsOf(of, presetFor('any', false)).flatMap((row) => [
        rowSaid(row),
        ...work.map((activity, i) => figureSaid(row, activity, i)),
      ]),
      ...found.answers.map(answerSaid),
      searchSaid(found, work.some(isAsked) ? wanted.probability : null),
      lineSaid(of.found.candidates.filter(({ cost }) => cost !== null).length, of.edge.size),
      builtSaid(fellWords(of)),
      ...found.reasons.map(reasonSaid),
    );
    if (close) {
      const { lists, ...own } = closelySaid(close, wanted);
      said.push(own, ...Object.values(lists).flat(), ...work.map((a, i) => closeFigureSaid(close, a, i)));
    }
  }
  return said.flatMap((one) => Object.values(one).filter((s): s is Statement => s !== undefined));
}
