import type { Evidence } from './evidence';
import type { Hypothesis } from './hypothesis';
import { timingOf } from './scatter';

/*
 * A cause may be there in several ways: a port of any slower class, a slip of one figure alone or of all. Each way is a hypothesis of its own under
 * the cause's name; together they are as probable as the cause.
 */

/** One way in which a cause may be there. */
export interface Form {
  /** The cause as it is there; null: nothing is wrong. */
  cause: Hypothesis | null;
  /** Share of the cause's probability, before anything was measured. */
  share: number;
  /** What it is held against; absent: all that was measured, as it stands. */
  evidence?: readonly Evidence[];
}

/** How often a slip is one of one figure alone, where there are several [memory]. */
const ALONE = 0.5;

/** A cause in each of its ways. */
function waysOf(cause: Hypothesis): Hypothesis[] {
  const { ways, ...rest } = cause;
  return ways ? ways.map(({ key, ...way }) => ({ ...rest, ...way, key: `${cause.id}: ${key}` })) : [cause];
}

/** One run of several set beside the others: each is then held against a cause by itself. */
function apart(evidence: readonly Evidence[], at: number, run: number): readonly Evidence[] {
  const one = evidence[at]!;
  const { logs = [], scatter } = one;
  const part = (which: string, of: readonly number[]): Evidence => ({
    ...one,
    ...timingOf(of, scatter!.sigma),
    title: `${one.title}, ${which}`,
    logs: of,
  });
  const others = logs.filter((_, i) => i !== run);
  return [
    ...evidence.slice(0, at),
    part(`run ${run + 1} of ${logs.length}`, [logs[run]!]),
    part(others.length === 1 ? 'the other run' : `the other ${others.length} runs`, others),
    ...evidence.slice(at + 1),
  ];
}

/** Each measurement and each run of it that may be the one that is odd, set apart from the others. */
function singled(evidence: readonly Evidence[]): { evidence: readonly Evidence[]; odd: Evidence }[] {
  return evidence.flatMap((one, at) => {
    if (!one.time || one.isPart || one.of.asksHottest) return [];
    const runs = one.logs?.length ?? 1;
    const whole = { evidence, odd: one };
    if (runs < 2) return [whole];
    return [
      whole,
      ...Array.from({ length: runs }, (_, run) => {
        const parted = apart(evidence, at, run);
        return { evidence: parted, odd: parted[at]! };
      }),
    ];
  });
}

const known = new WeakMap<readonly Evidence[], ReturnType<typeof singled>>();
function singledOf(evidence: readonly Evidence[]): ReturnType<typeof singled> {
  const had = known.get(evidence) ?? singled(evidence);
  known.set(evidence, had);
  return had;
}

/** Every form of a cause that what was measured can tell of. */
export function formsOf(evidence: readonly Evidence[], cause: Hypothesis): Form[] {
  const ways = waysOf(cause).filter((way) => evidence.some((one) => touches(way, one)));
  const runs = cause.isSlip ? singledOf(evidence) : [];
  // Of one figure alone all is one.
  const several = runs.length > 1;
  const all = ways.reduce((sum, { share = 1 }) => sum + share, 0);
  return ways.flatMap((way): Form[] => {
    const share = (way.share ?? 1) / all;
    const alone = runs.filter(({ odd }) => touches(way, odd));
    if (!several || alone.length === 0) return [{ cause: way, share }];
    return [
      { cause: way, share: share * (1 - ALONE) },
      ...alone.map(({ evidence: parted, odd }): Form => ({
        cause: { ...way, odd },
        share: (share * ALONE) / alone.length,
        evidence: parted,
      })),
    ];
  });
}

/** Whether a cause has a say in a measurement. */
const touches = (cause: Hypothesis, one: Evidence): boolean =>
  cause.odd
    ? one.time === null || one === cause.odd
    : cause.applies(one.of) && (one.time === null || (cause.concerns?.(one) ?? true));

/** A cause as far as a measurement is concerned; null where it has no say in it. */
export const causeOn = (cause: Hypothesis | null, one: Evidence): Hypothesis | null =>
  cause && !cause.both && (cause.odd || cause.concerns) && !touches(cause, one) ? null : cause;

/** A cause as far as something new is concerned: a slip of one run is over. */
export const causeAnew = (cause: Hypothesis | null): Hypothesis | null => (cause?.odd ? null : cause);
