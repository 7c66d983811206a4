/** Version of the job file that this Kymar writes. */
export const VERSION = 4;

/** How many of each a job file holds: what adds one more asks first. */
export const MOST_OF = {
  forecasts: 200,
  runs: 5000,
  choices: 200,
  looks: 200,
  found: 200,
  tests: 200,
  connections: 200,
} as const;

const NAMES: Record<keyof typeof MOST_OF, string> = {
  forecasts: 'frozen forecasts',
  runs: 'runs',
  choices: 'choices on record',
  looks: 'looks',
  found: 'causes put right',
  tests: 'tests taken up',
  connections: 'connections',
};

/** Of a job what holds more than its file may, in a sentence; null where all fits. */
export function overfull(job: { readonly [K in keyof typeof MOST_OF]?: readonly unknown[] | undefined }):
  string | null {
  for (const [list, most] of Object.entries(MOST_OF) as [keyof typeof MOST_OF, number][])
    if ((job[list]?.length ?? 0) > most)
      return `A job holds at most ${most} ${NAMES[list]}. Go on in a copy of it, or remove some first.`;
  return null;
}

/** A name of somebody has so many letters at most. */
export const MOST_NAME = 120;

/** Days within which something can go back. */
export const RETURN_DAYS = 3650;
