import * as z from 'zod';

/** What may befall a unit. */
export const BEFALLEN = {
  dropped: 'it was dropped',
  wet: 'it got wet',
  'plugged often': 'it is plugged in and out many times a day',
  jolted: 'it was knocked or moved while it worked',
} as const;
export type BefallenId = keyof typeof BEFALLEN;

/** Something that befell a unit, on which day. */
export const Befallen = z.object({
  on: z.iso.date(),
  what: z.enum(Object.keys(BEFALLEN) as [BefallenId, ...BefallenId[]]),
  note: z.string().trim().max(200).optional(),
});
export type Befallen = z.infer<typeof Befallen>;

/** What befell it, in a line of a log. */
export const befallenWords = ({ on, what, note }: Befallen): string =>
  `${on}: ${BEFALLEN[what]}${note ? `, ${note}` : ''}`;

/** All that befell the units of a job, the oldest first. */
export const befallenIn = ({
  fittings = [],
}: {
  fittings?: readonly { befallen?: Befallen[] | undefined }[] | undefined;
}): Befallen[] => fittings.flatMap(({ befallen = [] }) => befallen).sort((a, b) => a.on.localeCompare(b.on));
