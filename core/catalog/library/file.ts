import * as z from 'zod';
import { readJson, problemsOf, type Read } from '../../text';
import { PART_KINDS, type PartKind, type Shop } from '../parts';

/** Version of the library file that this Kymar writes. */
export const LIBRARY_VERSION = 1;

const List = Object.fromEntries(
  Object.entries(PART_KINDS).map(([kind, schema]) => [
    kind,
    z
      .array(schema as z.ZodType)
      .max(20_000)
      .optional(),
  ]),
) as { [K in PartKind]: z.ZodOptional<z.ZodArray<(typeof PART_KINDS)[K]>> };

/** All of a shop's parts in one file. */
const Library = z.object({ kymarLibrary: z.literal(LIBRARY_VERSION), ...List });

export const writeLibrary = (shop: Shop): string =>
  `${JSON.stringify({ kymarLibrary: LIBRARY_VERSION, ...shop }, null, 1)}\n`;

/** Reads a library file; lists it does not hold are empty. */
export function readLibrary(text: string): Read<Shop> {
  const json = readJson(text);
  if (!json.ok) return { ok: false, problems: [`The file is ${json.problem}.`] };
  const data = json.value;
  if (typeof data !== 'object' || data === null || !('kymarLibrary' in data))
    return { ok: false, problems: ['This is no Kymar library: it has no "kymarLibrary".'] };
  const read = Library.safeParse(data);
  if (!read.success) return { ok: false, problems: problemsOf(read.error) };
  return {
    ok: true,
    value: Object.fromEntries(
      Object.keys(PART_KINDS).map((kind) => [kind, read.data[kind as PartKind] ?? []]),
    ) as unknown as Shop,
  };
}
