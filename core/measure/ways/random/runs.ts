import type { Run } from '../../../job';
import { format } from '../../../units';
import { conditionsOf, inFolder } from '../entry';
import type { Came, WayToMeasure } from '../way';

/** What small requests were, in words. */
const mixWords = (share: number): string =>
  share === 1 ? 'random reads' : share === 0 ? 'random writes' : `random, ${Math.round(share * 100)} % reads`;

/** The run that small requests come to: a rate with its block and depth, in operations a second as practitioners say it. */
export function scatteredRun(
  { kept, end, purpose, path }: Came<'random', 'scattered'> | Came<'steady', 'settled'>,
  perSecond: number,
  note = '',
): Run {
  const { target, through, latency, warmth } = end;
  const { block, depth, bytes, reads: share, kind } = kept.request;
  const notes = [
    purpose.note,
    mixWords(share),
    note,
    target.way || target.fileSystem || null,
    ...target.labels,
  ];
  return {
    id: `run-${kept.id.slice(0, 36)}-${kind}`,
    at: kept.at,
    activity: null,
    direction: share >= 0.5 ? 'read' : 'write',
    otherEnd: 'memory',
    source: 'real',
    measure: {
      kind: 'rate',
      rate: Math.max(1, perSecond * block),
      shown: `${format(perSecond, 'count', 3)} IOPS`,
      grain: 0,
      block,
      depth,
      bytes,
    },
    path,
    conditions: conditionsOf(purpose, notes, inFolder(target, through, bytes), warmth),
    ended: 'done',
    samples: [],
    latency,
  };
}

/** Random requests over a time. */
export const RANDOM_WAY: WayToMeasure<'random', 'scattered'> = {
  ends: 'scattered',
  runs: (came) => [scatteredRun(came, (came.end.reads + came.end.writes) / came.end.seconds)],
};
