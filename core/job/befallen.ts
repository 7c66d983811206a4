/** What may befall a unit. Apart from its schema: what is said of it must not load that. */
export const BEFALLEN = {
  dropped: 'it was dropped',
  wet: 'it got wet',
  'plugged often': 'it is plugged in and out many times a day',
  jolted: 'it was knocked or moved while it worked',
} as const;
export type BefallenId = keyof typeof BEFALLEN;

/** Something that befell a unit, on which day (ISO). */
export interface Befallen {
  on: string;
  what: BefallenId;
  note?: string | undefined;
}

/** What befell it, in a line of a log. */
export const befallenWords = ({ on, what, note }: Befallen): string =>
  `${on}: ${BEFALLEN[what]}${note ? `, ${note}` : ''}`;

/** All that befell the units of a job, the oldest first. */
export const befallenIn = ({
  fittings = [],
}: {
  fittings?: readonly { befallen?: Befallen[] | undefined }[] | undefined;
}): Befallen[] => fittings.flatMap(({ befallen = [] }) => befallen).sort((a, b) => a.on.localeCompare(b.on));
