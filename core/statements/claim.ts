import type { Job } from '../job';
import { measuredRange, measuredWords } from '../measure';
import type { Spread } from '../stats';
import { atLeast, counted, format } from '../units';
import type { Claim, Verdict } from '../verdict';
import { naming, say, type Said, type Statement } from './statement';
import { processingWords } from './target';

/** What runs of one kind came to, in time where they have one. */
function middleOf({ measured }: Claim): { value: Spread; unit: 's' | 'B/s' } | null {
  if (!measured) return null;
  return measured.time ? { value: measured.time, unit: 's' } : { value: measured.rate!, unit: 'B/s' };
}

/** How many runs it still wants. */
function moreWords({ measured }: Claim): string {
  const { more = null } = measured ?? {};
  if (more === null) return '';
  return more === 0 ? ' Known to ± 3 % or better.' : ` ${counted(more, 'more run')} until ± 3 %.`;
}

/** What runs measured and how, what that is held against, and what it says of the customer's machine. */
function againstWords(claim: Claim): string {
  const { value, unit } = middleOf(claim)!;
  const held = heldSaid(claim).expected?.words;
  const frozen = claim.forecast?.frozen
    ? `, frozen ${claim.forecast.frozen.at.slice(0, 10)}`
    : ', made after the runs: nothing was frozen for this path before';
  const against = held ? `, forecast ${held}${frozen}` : '';
  return `Measured ${measuredWords(value, unit)} (${claim.measured!.words})${against}. ${claim.carries ?? ''}`.trim();
}

/** What runs of one kind measured. */
export function measuredSaid(claim: Claim): Said<'middle' | 'range' | 'rate' | 'runs' | 'how' | 'against'> {
  const found = middleOf(claim);
  if (!found) return {};
  const { value, unit } = found;
  return say('measured', claim.key, {
    middle: measuredWords(value, unit),
    range: measuredRange(value, unit),
    rate: claim.measured!.rate && measuredWords(claim.measured!.rate, 'B/s'),
    runs: counted(claim.measured!.runs.length, 'run'),
    how: `${claim.measured!.words}.${moreWords(claim)}`,
    against: againstWords(claim),
  });
}

/** What it is held against: the forecast of the same runs, in the unit in which both are known. */
export function heldSaid({ key, forecast, measured }: Claim): Said<'expected' | 'low' | 'high'> {
  const figure = measured?.time && forecast?.time ? forecast.time : (forecast?.rate ?? forecast?.time);
  if (!figure) return {};
  return say('forecast', naming('held', key), {
    expected: format(figure.expected, figure.unit),
    low: format(figure.low, figure.unit),
    high: format(figure.high, figure.unit),
  });
}

/** What follows from it: against the forecast, the target, and what it takes today. */
export const judgedSaid = ({
  key,
  right,
  target,
  today,
  simulated,
  activity,
  measured,
}: Claim): Said<'right' | 'why' | 'target' | 'because' | 'today' | 'processing'> =>
  say('judged', key, {
    right: `${simulated ? 'rehearsal: ' : ''}${right.answer === 'no forecast' ? 'nothing to hold it against' : right.answer}`,
    why: right.words,
    target: target?.answer ?? null,
    because: target?.words ?? null,
    today,
    processing: measured?.time ? processingWords(activity, measured.time.expected) : null,
  });

/** By how much its closest target is met, or the one that is furthest off is missed; null where none is judged. */
function marginWords(claims: readonly Claim[]): string | null {
  const judged = claims.flatMap(({ title, target, activity }) =>
    target?.spare === undefined || !activity?.target
      ? []
      : [{ title, spare: target.spare, share: target.spare / activity.target }],
  );
  if (judged.length === 0) return null;
  const { title, spare } = judged.reduce((a, b) => (b.share < a.share ? b : a));
  const by = format(Math.abs(spare), 's', 3);
  return spare < 0
    ? `${title}: ${by} over its target.`
    : `${judged.length > 1 ? 'Closest: ' : ''}${title}, ${by} under its target.`;
}

/** What the whole job comes to, and by how much. */
export const verdictSaid = ({
  answer,
  words,
  advice,
  claims,
}: Verdict): Said<'answer' | 'words' | 'advice' | 'margin'> =>
  say('judged', 'job', { answer, words, advice, margin: marginWords(claims) });

const STATE = {
  meets: 'Meets the targets',
  'falls short': 'Falls short',
  'not proven': 'Not proven yet',
} as const;

/** How a job stands, in a line: by what was measured, else by what was frozen. */
export function standingSaid(job: Job, found: Verdict | null, isBuilt: boolean): Statement {
  const frozen = job.forecasts.at(-1);
  const chances = frozen?.results.map((r) => r.probability).filter((p): p is number => p !== null) ?? [];
  const words = () => {
    if (found && found.claims.length > 0) return STATE[found.answer];
    if (chances.length > 0) return `Frozen forecast: targets met with ${atLeast(Math.min(...chances))}`;
    if (frozen) return 'Forecast frozen';
    return isBuilt ? 'Forecast not frozen yet' : 'Not forecast yet';
  };
  return say<'standing'>('judged', 'job', { standing: words() }).standing!;
}
