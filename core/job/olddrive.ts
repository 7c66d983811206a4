import * as z from 'zod';
import { asks } from '../units';

/** How the drive is that the new one takes over from. */
export const OLD_STATES = { sound: 'sound', failing: 'failing (errors, noises)' } as const;

/** What becomes of it, as the document tells it. */
export const OLD_FATES = {
  kept: 'kept for some weeks, unplugged',
  wiped: 'wiped',
  returned: 'given back as it is',
  destroyed: 'destroyed',
} as const;

type Of<T> = [keyof T & string, ...(keyof T & string)[]];
const oneOf = <T extends Record<string, string>>(words: T) => ({
  of: z.enum(Object.keys(words) as Of<T>).optional(),
  choices: Object.entries(words),
});
const { of: State, choices: states } = oneOf(OLD_STATES);
const { of: Fate, choices: fates } = oneOf(OLD_FATES);

/** The drive whose contents move over, and what becomes of it. */
export const OldDrive = z.object({
  name: asks('Old drive', z.string().trim().min(1).max(120).optional()),
  serial: asks('Its serial number', z.string().trim().min(1).max(120).optional()),
  state: asks('The old drive is', State, { choices: states }),
  then: asks('Afterwards it is', Fate, { choices: fates }),
});
export type OldDrive = z.infer<typeof OldDrive>;
