import type * as z from 'zod';

/** Reading a file: what it holds, or every problem with its place: in words, and where a schema refused it the places themselves. */
export type Read<T> =
  { ok: true; value: T } | { ok: false; problems: string[]; at?: readonly (readonly PropertyKey[])[] };

/** What a schema refuses, each with its place. Of something that may be one of several, what the likeliest of them refuses. */
export function issuesOf(error: z.ZodError): { path: PropertyKey[]; message: string }[] {
  const each = (
    issue: z.core.$ZodIssue,
    before: PropertyKey[],
  ): { path: PropertyKey[]; message: string }[] => {
    const path = [...before, ...issue.path];
    const options = issue.code === 'invalid_union' ? issue.errors.filter((list) => list.length > 0) : [];
    if (options.length === 0) return [{ path, message: issue.message }];
    const [likeliest] = options.toSorted((a, b) => a.length - b.length) as [(typeof options)[number]];
    return likeliest.flatMap((inner) => each(inner, path));
  };
  return error.issues.flatMap((issue) => each(issue, []));
}

/** Issues of a schema as lines "where: what". */
export function problemsOf(error: z.ZodError): string[] {
  return issuesOf(error).map(
    ({ path, message }) => `${path.length > 0 ? path.join('.') : 'the file'}: ${message}`,
  );
}

/** What a schema refused, as a reading. */
export const refused = (error: z.ZodError): Extract<Read<never>, { ok: false }> => ({
  ok: false,
  problems: problemsOf(error),
  at: issuesOf(error).map(({ path }) => path),
});
