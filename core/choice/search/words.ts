import { nameOf } from '../../catalog/parts';
import { ARRAY_NAMES, type Build } from '../../assembly';
import { toDo } from '../../forecast';
import type { UnitPrice } from '../prices/pricing';
import { isAsked, isLoad, traitsOf, type Activity } from '../../job';
import { middle } from '../../evidence';
import { counted, format, formatProbability, moneyWords, numeral, pricePer } from '../../units';
import type { ChoiceAnswers, ChosenBuild } from './answer';
import type { Candidate } from './candidate';
import { WHOLLY, type JudgedBuild } from './demand';
import { demandOf, demandsOn, DEMANDS, mayBeAdvised } from './demands';
import type { BaselineDifference, Baseline, BaselineId } from './baseline';
import { buysWords } from './gain';
import type { LifeCost, Wasted } from './money';
import type { Settled } from './settles';
import type { Together } from './together';
import type { Slowed } from './uplinks';
import { activitiesOf, type Wanted } from './wanted';

/** Of a year, rounded. */
const WEEKS_A_YEAR = 52;

/** A build in one line: what is bought. */
export function buildWords({ drive, bridge, cable, hops = [], together = 1, array }: Build): string {
  const drives = together > 1 ? `${together} × ${nameOf(drive)}` : nameOf(drive);
  const raid = array
    ? ` as ${ARRAY_NAMES[array.mode].name}${array.by === 'system' ? ' made by the system' : ''}`
    : '';
  const box = bridge ? ` in ${nameOf(bridge)}` : '';
  return `${drives}${box}${raid}${cable ? `, ${cable.name}` : ''}${hops.map(({ hub }) => `, over ${nameOf(hub)}`).join('')}`;
}

/** What a build misses, by its names: targets by their activities, then demands. */
export const missedNames = ({ misses }: Pick<Candidate, 'misses'>, work: readonly Activity[]): string[] =>
  misses.map(
    ({ activity: id }) => demandOf(id)?.name ?? `target of “${work.find((a) => a.id === id)?.name ?? id}”`,
  );

/** What is asked of a build beside its targets: what the brief asks and it keeps, all that it misses, and what nobody knows. */
export function demandWords(at: readonly JudgedBuild[]): {
  kept: string | null;
  missed: string[];
  open: string[];
} {
  const on = demandsOn(at);
  const own = (isOwn: true | undefined) => (isOwn ? ' Kymar asks this by itself.' : '');
  const kept = on.filter(({ by, demand }) => by <= 1 && !demand.isOwn).map(({ demand }) => demand.name);
  return {
    kept: kept.length > 0 ? kept.join(', ') : null,
    open: DEMANDS.flatMap(
      ({ open }) => at.map((of) => open?.(of) ?? null).find((words) => words !== null) ?? [],
    ),
    missed: on
      .filter(({ by }) => by > 1)
      .map(({ demand: { missed, isOwn }, by }) => {
        const much = by === WHOLLY ? '' : `, by ${format(by - 1, '%', 2)}`;
        return `${missed}${much}.${own(isOwn)}`;
      }),
  };
}

/** That all that works breaks something that is never given up, and how often what; null where something may be advised, or nothing works. */
export function refusedWords(candidates: readonly Candidate[]): string | null {
  if (candidates.length === 0 || candidates.some(mayBeAdvised)) return null;
  const counts = DEMANDS.filter(({ isNever }) => isNever).flatMap(({ id, name }) => {
    const many = candidates.filter(({ misses }) => misses.some(({ activity }) => activity === id)).length;
    return many > 0 ? [{ id, words: `${name} (${many})`, many }] : [];
  });
  const life = counts.some(({ id }) => id === 'service life')
    ? ' The brief may let it wear out sooner, with a reason.'
    : '';
  return `${counted(candidates.length, 'build')} would work, and none is recommended: each misses what is never given up, ${counts
    .sort((a, b) => b.many - a.many)
    .map(({ words }) => words)
    .join(', ')}.${life}`;
}

/** That the machine's own bays could hold an array, which is not among the builds: told where one may be wanted. */
export function ownBaysWords({ places }: Pick<Wanted, 'places'>): string | null {
  const { host, needs = {}, taken = [] } = places[0]!;
  const keeps = needs.role === 'archive' || needs.role === 'library';
  const bays = host.ports.filter(
    ({ id, connector, forms }) => connector === 'SATA' && forms !== undefined && !taken.includes(id),
  ).length;
  if (bays < 2 || needs.portable || !(keeps || needs.survives)) return null;
  const level =
    bays > 2 ? `RAID 5 of ${bays} keeps ${bays - 1} drives’ worth` : 'RAID 1 of 2 keeps one drive’s worth';
  return (
    `${host.name} has ${bays} free bays of its own: an array in them, made by its system, is not among these builds. ` +
    `Before an enclosure is bought, price as many drives alone (${level}).`
  );
}

/** Where it is plugged in. */
export const portWords = (one: Candidate, wanted: Wanted): string =>
  wanted.places[0]!.host.ports.find((p) => p.id === one.build.port)?.position ?? one.build.port;

/** Where it is plugged in at each place: the first place's port alone where there is no other. */
export function plugWords(one: Candidate, wanted: Wanted): string[] {
  const [first, ...others] = wanted.places;
  if (others.length === 0) return [portWords(one, wanted)];
  const at = ({ host }: Wanted['places'][number], port: string, cable: string | undefined) =>
    `${host.name}: ${host.ports.find((p) => p.id === port)?.position ?? port}${cable ? `, ${cable}` : ''}`;
  return [
    at(first!, one.build.port, one.build.cable?.name),
    ...others.map((open, i) => at(open, one.elsewhere[i]!.port, one.elsewhere[i]!.cable?.name)),
  ];
}

const figureWords = (activity: Activity, figure: number | null): string | null => {
  if (figure === null) return null;
  const { answer } = traitsOf(activity);
  if (answer === 'margin') return `${activity.name}: ${format(figure, 'ratio', 2)} times what it needs`;
  return answer === 'room' ? null : `${activity.name} in ${format(figure, 's')}`;
};

/** The activity that decides: of those with a target the one nearest to it, else the longest. */
function deciding(one: Candidate, work: readonly Activity[]): number {
  const tension = (i: number) => {
    const { target } = work[i]!;
    const { answer } = traitsOf(work[i]!);
    const figure = one.figures[i];
    if (figure === null || figure === undefined || answer === 'room') return -1;
    if (answer === 'margin') return 1 / figure;
    return target === null ? figure * 1e-9 : figure / target;
  };
  return work.reduce((best, _, i) => (tension(i) > tension(best) ? i : best), 0);
}

/** Above this share of a load, what the processor takes is what is waited for. */
const MOSTLY = 0.6;

/** What no drive shortens of a load, in a sentence; empty where the drive has most of it. */
function processingWords(activity: Activity | undefined, figure: number | null | undefined): string {
  const busy = isLoad(activity) ? middle(activity.processing) : null;
  if (busy === null || !figure || busy / figure < MOSTLY) return '';
  return ` ${format(busy, 's')} of it is processing, which no drive shortens.`;
}

/** Less waiting than this is not what it is bought for. */
const NOTICED = 0.2;

/** What a little more money than the cheapest buys. */
function kneeWords({ knee, meets }: ChoiceAnswers, wanted: Wanted): string {
  const [one, cheapest] = [knee?.candidate, meets?.candidate];
  if (one?.cost == null || cheapest?.cost == null) return '';
  const share = 1 - one.waits / cheapest.waits;
  const more = moneyWords(Math.round((one.cost - cheapest.cost) * 100) / 100, wanted.currency);
  const isTimed = activitiesOf(wanted).some(isAsked);
  const least = ({ probabilities }: ChosenBuild) => Math.min(1, ...probabilities.filter((p) => p !== null));
  const better =
    share > NOTICED
      ? `${format(share, '%', 2)} less waiting`
      : `the least sure target is met with ${formatProbability(least(knee!))} probability ` +
        `instead of ${formatProbability(least(meets!))}`;
  const money = one.cost > cheapest.cost ? `${more} more than` : 'As cheap as';
  return isTimed
    ? `${money} the cheapest build that meets every target, and ${better}.`
    : `No target is set. ${money} the cheapest build that misses nothing, and ${better}.`;
}

/** Why an answer is the answer, in two plain sentences. */
export function reasonFor(
  kind: keyof Omit<ChoiceAnswers, 'dear'>,
  got: ChoiceAnswers,
  wanted: Wanted,
): string {
  const { candidate, probabilities } = got[kind]!;
  const work = activitiesOf(wanted);
  const i = deciding(candidate, work);
  const figure = work[i] ? figureWords(work[i], candidate.figures[i]!) : null;
  const probability = probabilities[i];
  const asked = probabilities.some((p) => p !== null);
  const target = work[i]?.target;
  const against =
    figure === null
      ? ''
      : [
          figure,
          ...(target == null ? [] : [`target ${format(target, 's')}`]),
          ...(probability == null ? [] : [`met with ${formatProbability(probability)} probability`]),
        ].join(', ') + '.';
  const share = format(wanted.probability, '%', 2);
  const money = candidate.cost === null ? '' : ' cheapest';
  // What is not the cheapest says what it buys over that.
  const cheapest = got.meets?.candidate;
  const buys =
    cheapest && cheapest.id !== candidate.id && kind !== 'knee'
      ? buysWords(candidate, cheapest, wanted, 'the cheapest that meets every target')
      : '';
  const first = {
    knee: kneeWords(got, wanted),
    meets: asked
      ? `The${money || ' first'} build that meets every target with at least ${share} probability.`
      : `No target is set: the${money || ' first'} build that misses nothing.`,
    frugal: `The least money within 5 % of the shortest waits. ${buys}`.trim(),
    within: `The shortest waits for at most ${budgetOf(wanted)}. ${buys}`.trim(),
    nearest: `Nothing meets every target with ${share} probability; this comes nearest.`,
  }[kind];
  const missed = missedNames(candidate, work);
  const misses = missed.length > 0 ? ` It misses: ${missed.join(', ')}.` : '';
  return `${first}${misses} ${against}${processingWords(work[i], candidate.figures[i])}`.trim();
}

/** What would settle which build to buy, in a sentence each. */
export function settlesWords({ now, list }: Settled, wanted: Wanted): string[] {
  const work = activitiesOf(wanted);
  return list.map((one) => {
    const of = one.of
      ? ` of ${nameOf(one.of.build.drive)}`
      : one.activity && work.length > 1
        ? ` for “${work.find((a) => a.id === one.activity)!.name}”`
        : '';
    const { instead } = one;
    const other = instead && `${buildWords(instead.build)}, ${moneyWords(instead.cost, wanted.currency)}`;
    const share = format(one.changes, '%', 2);
    const mostly = one.share < one.changes ? 'mostly ' : '';
    const then =
      now === null
        ? `in ${share} of cases one is sure then, ${mostly}${other}`
        : other
          ? `in ${share} of cases another build is the one to buy, ${mostly}${other}`
          : `in ${share} of cases none of the builds looked at is sure any more`;
    return `${toDo(one, of)}: ${then}.`;
  });
}

/** What giving up the dear target would save, in words; null where nothing would be saved. */
export function dearWords({ dear }: Pick<ChoiceAnswers, 'dear'>, wanted: Wanted): string | null {
  if (!dear) return null;
  const work = activitiesOf(wanted);
  const i = work.findIndex((a) => a.id === dear.activity);
  const demand = demandOf(dear.activity);
  const [name, figure] = demand
    ? [`“${demand.name}”`, null]
    : [`the target of “${work[i]!.name}”`, figureWords(work[i]!, dear.instead.figures[i]!)];
  const money = moneyWords(dear.saves, wanted.currency);
  const instead = `${buildWords(dear.instead.build)}${figure ? `: ${figure}` : ''}.`;
  return dear.saves > dear.instead.cost!
    ? `Most of the cost comes from ${name}: without it ${money} less, ${instead}`
    : `Without ${name} ${money} less: ${instead}`;
}

const PART = {
  drive: 'this drive’s price',
  bridge: 'the enclosure’s or card’s price',
  cable: 'the cable’s price',
} as const;

/** What may be spent on one. */
const budgetOf = ({ budget, currency, pieces }: Wanted): string =>
  `${moneyWords(budget, currency)}${pieces ? ` each, for ${pieces}` : ''}`;

/**
 * That the budget buys nothing that works, or nothing that meets every target, with what would; null where it does, or none is set.
 * @param meets cost of the cheapest that meets every target; null where nothing does, or its price is not known
 */
export function budgetWords(
  candidates: readonly Candidate[],
  wanted: Wanted,
  meets: number | null,
): string | null {
  const { budget, currency } = wanted;
  const costs = candidates.flatMap(({ cost }) => cost ?? []);
  const least = costs.reduce((had, cost) => Math.min(had, cost), Infinity);
  if (budget === null || costs.length === 0) return null;
  if (least > budget)
    return `Nothing that works costs at most ${budgetOf(wanted)}: the cheapest that works costs ${moneyWords(least, currency)}.`;
  if (meets === null || meets <= budget) return null;
  return `Nothing for at most ${budgetOf(wanted)} meets every target: the cheapest that does costs ${moneyWords(meets, currency)}.`;
}

/** What a part costs by its observation: how many, where, of whom, when, and until when it can go back. */
export function priceWords({ each, currency, by, rate }: UnitPrice, count: number): string {
  const { name, seller, sells, on, per = 1, returnDays } = by;
  const details = [
    seller,
    sells,
    on,
    per > 1 ? `sold in packs of ${per}` : null,
    rate
      ? `seen as ${moneyWords(by.amount, by.currency)}, 1 ${rate.from} = ${numeral(rate.rate)} ${rate.to} on ${rate.on}`
      : null,
    returnDays === undefined ? null : `can go back within ${returnDays} days`,
  ];
  const money = (amount: number) => moneyWords(Math.round(amount * 100) / 100, currency);
  const what =
    count > 1 ? `${count} × ${name} ${money(count * each)} (${money(each)} each)` : `${name} ${money(each)}`;
  return `${what}: ${details.filter(Boolean).join(', ')}`;
}

/** Money without effect, in words. */
export function wastedWords({ part, saves, instead }: Wasted, wanted: Wanted, movesLater = false): string {
  const other =
    part === 'drive'
      ? nameOf(instead.build.drive)
      : part === 'bridge'
        ? instead.build.bridge
          ? nameOf(instead.build.bridge)
          : 'straight in'
        : (instead.build.cable?.name ?? 'no cable');
  const later = part === 'drive' && movesLater ? ' It may in the machine the drive moves to.' : '';
  return `${moneyWords(saves, wanted.currency)} of ${PART[part]} changes nothing here: ${other} forecasts the same.${later}`;
}

/** How the cost over the service life comes about. */
export function lifeCostWords(of: LifeCost, currency: string | null, hourly: number): string {
  const { purchase, replacements, replaced, hours, waited } = of;
  const parts = [`purchase ${moneyWords(purchase, currency)}`];
  if (replacements > 0)
    parts.push(
      `drives bought anew ${replacements === 1 ? 'once' : `${replacements} times`} ${moneyWords(round(replaced), currency)}`,
    );
  if (waited > 0)
    parts.push(
      `${format(hours, 'count')} h of waiting at ${moneyWords(hourly, currency)} ${moneyWords(round(waited), currency)}`,
    );
  return parts.join(' + ');
}
const round = (amount: number): number => Math.round(amount);

/** When the extra money of one build against another is back, in words. */
export function payBackWords(years: number | null): string {
  if (years === null) return 'saves no time';
  if (years === 0) return 'costs no more';
  const weeks = Math.ceil(years * WEEKS_A_YEAR);
  if (weeks <= 1) return 'within a week';
  if (years >= 2) return `in ${format(years, 'years', 2)}`;
  return weeks < 27 ? `in ${weeks} weeks` : `in ${Math.ceil(years * 12)} months`;
}

/** Why several devices do not go together, and what to do. */
export function togetherProblem({ builds, problem }: Together, list: readonly Wanted[]): string {
  const sure = (i: number) => format(list[i]!.probability, '%', 2);
  if (problem === 'nothing sure') {
    const names = builds.flatMap((b, i) => (b === null ? [i + 1] : []));
    return (
      `For device ${names.join(' and ')} nothing in the library meets every target with ${sure(names[0]! - 1)} probability, ` +
      'so they cannot be placed together. Look at that device alone: what comes nearest, and which target most of the cost comes from.'
    );
  }
  return 'Each device alone has a build, but together their ports or the budget do not suffice. Raise the budget, or add a machine or a card with ports.';
}

/** What devices on one uplink do to each other. @param names of the devices, in the list's order */
export function slowedWords(
  { device, others, uplink, direction, alone, together }: Slowed,
  names: readonly string[],
): string {
  const beside = others.map((i) => names[i]!).join(' and ');
  return (
    `While ${beside} work${others.length > 1 ? '' : 's'} too, ${names[device]!} ${direction === 'write' ? 'takes' : 'gives'} ` +
    `${format(together, 'B/s')} instead of ${format(alone, 'B/s')}: both are on ${uplink}.`
  );
}

const BASELINE: Record<BaselineId, string> = {
  built: 'what is built now',
  there: 'what is already there',
  maker: 'the maker’s own upgrade',
  cheapest: 'the cheapest that works',
};

/** A build against a baseline, in a sentence: what it costs more, what time it saves, when that is back. */
export function againstWords(
  { id, candidate }: Baseline,
  { extra, hours, gains, years, apart }: BaselineDifference,
  currency: string | null,
  hourly: number,
): string {
  const money =
    extra === null
      ? 'price not known'
      : extra === 0
        ? 'costs the same'
        : `costs ${moneyWords(Math.abs(extra), currency)} ${extra > 0 ? 'more' : 'less'}`;
  const time =
    Math.abs(hours) < 0.05
      ? 'no time saved'
      : `${numeral(Math.abs(hours), Math.abs(hours) < 10 ? 1 : 0)} h a year ${hours > 0 ? 'less' : 'more'} waited`;
  const price =
    gains && extra !== null && extra > 0
      ? `; ${gains.activity}: ${pricePer(extra, gains.seconds, currency)}`
      : '';
  const pays = years === null || years === 0 ? payBackWords(years) : `pays for itself ${payBackWords(years)}`;
  const back = hourly > 0 && extra !== null && extra > 0 ? `; ${pays}` : '';
  const places = apart === null ? '' : `; ${apart}`;
  return `Against ${BASELINE[id]} (${buildWords(candidate.build)}): ${money}, ${time}${price}${places}${back}.`;
}
