import { exactFact, recordersFor, renamed, type Estimate } from '../evidence';
import { outerMarket } from '../catalog/classes';
import { rateOf, type Path } from '../assembly';
import { formatFromSheet } from '../models';
import { capacityOf } from './array';
import { collectTransfer } from './collect';
import type { Situation } from './case';
import type { Transfer } from './inputs';
import { forecastTransfer } from './transfer';

/** Time of a full format of a disk, or of another pass over all of it, at what disk and path allow; null for flash. */
export function formatOn({ build, shopRanges }: Situation, path: Path): Estimate | null {
  const { drive } = path.parts;
  if (drive.media !== 'disk') return null;
  const record = recordersFor(shopRanges).explaining;
  const capacity = capacityOf(record, build);
  const outer = rateOf(
    record,
    `${drive.model}, outer tracks`,
    drive.write,
    outerMarket(drive, shopRanges).range,
    { sheet: 'of-stated.disk' },
  );
  // Where the path is no limit the zones alone decide, in closed form.
  if (path.carries!.write.low > outer.high) return formatFromSheet(capacity, outer);
  // Written from one end to the other a shingled disk keeps its rate.
  const plain = {
    ...drive,
    recording: 'CMR' as const,
    cache: { value: null, source: { kind: 'unknown' as const } },
  };
  const over = { ...path, parts: { ...path.parts, drive: plain } };
  const pass: Transfer = {
    direction: 'write',
    bytes: { value: capacity.expected, source: capacity.because.source ?? { kind: 'unknown' } },
    files: exactFact(1),
    otherEnd: 'memory',
  };
  const inputs = collectTransfer(record, over, pass, { needs: { fill: exactFact(0) } });
  return renamed('time of a full format', forecastTransfer(inputs, pass).time);
}
