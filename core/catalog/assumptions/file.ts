import * as z from 'zod';
import { problemsOf, readJson, type Read } from '../../text';
import { isAssumptionId, type OwnRanges } from './table';

const Point = z.number().min(0).max(1e18);
const Range = z
  .tuple([Point, Point, Point])
  .refine(([low, expected, high]) => low <= expected && expected <= high, {
    error: 'the three points must rise: low, expected, high',
  });

/** A shop's own ranges as a file. */
const File = z.object({
  kymarRanges: z.literal(1),
  ranges: z.record(z.string().refine(isAssumptionId, { error: 'is nothing that Kymar assumes' }), Range),
});

/** A shop's own ranges as the text of a file. */
export function writeRanges(shopRanges: OwnRanges): string {
  const ranges = Object.fromEntries(
    Object.entries(shopRanges).map(([id, { low, expected, high }]) => [id, [low, expected, high]]),
  );
  return `${JSON.stringify({ kymarRanges: 1, ranges }, null, 2)}\n`;
}

/** A shop's own ranges out of a file, or every problem with its place. */
export function readRanges(text: string): Read<OwnRanges> {
  const json = readJson(text);
  if (!json.ok) return { ok: false, problems: [`The file is ${json.problem}.`] };
  const read = File.safeParse(json.value);
  if (!read.success) return { ok: false, problems: problemsOf(read.error) };
  const value = Object.fromEntries(
    Object.entries(read.data.ranges).map(([id, [low, expected, high]]) => [id, { low, expected, high }]),
  );
  return { ok: true, value };
}
