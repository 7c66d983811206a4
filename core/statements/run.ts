import type { Run } from '../job';
import { conditionWords, rateOfRun, SOURCE_WORDS } from '../measure';
import { binary, format, numeral } from '../units';
import { naming, say, type Said } from './statement';

/** What a probe found of a drive. */
function probedWords({ probed }: Run): string {
  if (!probed) return '';
  const { cache, fast, slow, recovers } = probed;
  const size = `cache ${cache.atLeast ? 'at least ' : ''}${format(cache.bytes, 'B')}`;
  const behind = slow ? `, ${format(slow.expected, 'B/s')} sustained` : '';
  const back = recovers === null ? '' : `, ${format(recovers * 60, 'B', 2)} back in a minute of rest`;
  return `${size}, ${format(fast, 'B/s')} in it${behind}${back}`;
}

/** How long small requests took. */
function latencyWords({ latency, measure }: Run): string {
  if (!latency || measure.kind !== 'rate') return '';
  const { median, p95, p99, most } = latency;
  return (
    `${binary(measure.block!)} at queue depth ${measure.depth}: half within ${format(median, 's', 2)}, 95 % within ${format(p95, 's', 2)}, ` +
    `99 % within ${format(p99, 's', 2)}, all within ${format(most, 's', 2)}`
  );
}

function timeWords({ measure }: Run): string {
  if (measure.kind === 'timed') return format(measure.seconds, 's');
  if (measure.kind === 'rate') return measure.shown;
  return measure.atMost === null ? '' : `under ${format(measure.atMost, 's')}`;
}

/** A run as it is listed: what it took, how fast that is, and what is remarked of it. */
export function runSaid(run: Run): Said<'time' | 'rate' | 'remarks'> {
  const { id, source, measure, conditions } = run;
  const rate = rateOfRun(run);
  return say('measured', naming('run', id), {
    time: timeWords(run),
    rate: rate === null ? null : numeral(rate / 1e6, 0),
    remarks: [
      SOURCE_WORDS[source],
      measure.kind === 'timed' && measure.until === 'bar' ? 'to the full bar' : '',
      ...conditionWords(conditions),
      probedWords(run),
      latencyWords(run),
    ]
      .filter(Boolean)
      .join(', '),
  });
}

/** Why a run is not used. */
export const refusedSaid = ({ id }: Run, words: string): Said<'refused'> =>
  say('judged', naming('run', id), { refused: `Not used. ${words}` });
