import type * as z from 'zod';

/** Reading a file: what it holds, or every problem with its place. */
export type Read<T> = { ok: true; value: T } | { ok: false; problems: string[] };

/** Issues of a schema as lines "where: what". */
export function problemsOf(error: z.ZodError): string[] {
  return error.issues.map(
    (issue) => `${issue.path.length > 0 ? issue.path.join('.') : 'the file'}: ${issue.message}`,
  );
}
