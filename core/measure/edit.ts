import type { Run, Stated } from '../job';
import { warmthWords } from './measured';
import { format } from '../units';

/** What of a run can be edited: of one that somebody typed or pressed the figures too, of the others only what was noted beside. */
export interface Edit {
  /** Absent: as it was. */
  measure?: { bytes: number | null; files: number | null; seconds: number } | undefined;
  conditions: Pick<Run['conditions'], 'note' | 'temperature' | 'cold'> & Stated;
}

/** Whether its figures came from a person: what a clock or a counter said is not edited. */
export const isTyped = ({ source, measure }: Run): boolean =>
  measure.kind === 'timed' && (source === 'stopwatch' || source === 'program');

/** Whether it is a person who counted its files: counters of a device know nothing of files. */
export const hasFilesTyped = (run: Run): boolean =>
  isTyped(run) || (run.source === 'watched' && run.measure.kind === 'timed');

/** Whether nothing but a person's count is another one. */
const onlyFiles = (run: Run, { bytes, seconds }: NonNullable<Edit['measure']>): boolean =>
  run.measure.kind === 'timed' &&
  hasFilesTyped(run) &&
  run.measure.bytes === bytes &&
  run.measure.seconds === seconds;

/** What was stated of the conditions of a run; parts that nobody stated are empty. */
export function conditionWords(conditions: Run['conditions']): string[] {
  const { note, cold, lid, mains, fill, ambient } = conditions;
  return [
    ...warmthWords({ conditions }),
    cold === null ? '' : cold ? 'cold' : 'warm',
    lid ? `lid ${lid}` : '',
    mains === undefined ? '' : mains ? 'on mains' : 'on battery',
    fill === undefined ? '' : `${format(fill, '%', 2)} full`,
    ambient === undefined ? '' : `room at ${ambient} °C`,
    note,
  ];
}

/** What a run says, for the record of what it said before. */
export function saidBy({ measure, conditions }: Run): string {
  const figure =
    measure.kind === 'timed'
      ? [
          format(measure.seconds, 's'),
          measure.bytes === null ? '' : format(measure.bytes, 'B'),
          measure.files === null ? '' : `${measure.files} files`,
        ]
      : measure.kind === 'rate'
        ? [measure.shown]
        : [];
  return [...figure, ...conditionWords(conditions)].filter(Boolean).join(', ').slice(0, 600);
}

/**
 * A run edited: what it said before is kept with the reason.
 * @throws RangeError where figures are given for a run that a clock or a counter took
 */
export function edited(run: Run, { measure, conditions }: Edit, reason: string, at: string): Run {
  if (measure && !isTyped(run) && !onlyFiles(run, measure))
    throw new RangeError('What a clock or a counter said is not edited: set the run aside.');
  const { target, memoryBacked, look } = run.conditions;
  const was = { at, reason: reason.trim(), was: saidBy(run) };
  return {
    ...run,
    ...(measure && run.measure.kind === 'timed' ? { measure: { ...run.measure, ...measure } } : {}),
    // What a person stated is stated anew.
    conditions: { target, memoryBacked, ...(look === undefined ? {} : { look }), ...conditions },
    edited: [...(run.edited ?? []), was],
  };
}
