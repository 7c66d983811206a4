import { PART_KINDS, type PartKind, type Part } from '@kymar/core/catalog/parts';
import { own, refused, type Read } from '@kymar/core/text';

/*
 * What checks records against their schemas: fetched after the first view, for the schemas are as large as the page.
 */
export { checkJob } from '@kymar/core/job';

/** @param key `kind/id` */
export function checkPart(raw: unknown, key: string): Read<Part> {
  const schema = own(
    PART_KINDS as Record<string, (typeof PART_KINDS)[PartKind]>,
    key.slice(0, key.indexOf('/')),
  );
  const read = schema?.safeParse(raw);
  if (read?.success) return { ok: true, value: read.data };
  return read ? refused(read.error) : { ok: false, problems: [`${key} is no kind of part.`] };
}
