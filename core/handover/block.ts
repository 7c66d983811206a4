import { deviceName, type Job, type JobDevice, type Place } from '../job';
import type { Statement } from '../statements';
import type { Claim } from '../verdict';

/** What stands in a document: words, or a statement that other places make too. */
export type Wording = string | Statement;

/** A block of the handover: prose, a list, or a table whose numbers stand right. */
export type DocumentBlock =
  | { kind: 'text'; text: Wording[] }
  | { kind: 'list'; items: Wording[] }
  | { kind: 'table'; head: string[]; numbers: boolean[]; rows: Wording[][] };

/** Wording as they are read. */
export const plainWords = (words: Wording): string => (typeof words === 'string' ? words : words.words);

export interface Section {
  heading: string;
  /** Left out of the customer's copy. */
  shopOnly: boolean;
  blocks: DocumentBlock[];
}

/** Whose copy: the customer's is plain; the shop's holds the evidence too. */
export type DocumentCopy = 'customer' | 'shop';

/** The sections of a copy. */
export const forCopy = ({ sections }: HandoverDocument, copy: DocumentCopy): Section[] =>
  sections.filter((s) => copy === 'shop' || !s.shopOnly);

export interface HandoverDocument {
  title: string;
  line: string;
  sections: Section[];
}

export const textBlock = (...words: (Wording | null | undefined)[]): DocumentBlock => ({
  kind: 'text',
  text: words.filter((w): w is Wording => Boolean(w)),
});
/** What is there of these, an item each. */
export const listBlock = (items: readonly (Wording | null | undefined)[]): DocumentBlock => ({
  kind: 'list',
  items: items.filter((item): item is Wording => Boolean(item)),
});
export const tableBlock = (head: string[], numbers: boolean[], rows: Wording[][]): DocumentBlock => ({
  kind: 'table',
  head,
  numbers,
  rows,
});

/** A heading that names the device where there is more than one. */
export const headed = (job: Job, heading: string, device: JobDevice): string =>
  job.devices.length > 1 ? `${heading}: ${deviceName(job.devices, device.id)}` : heading;

/** Where something is, by machine and, where there are several, by device. */
export function whereOf(job: Job, { machine, device }: Place): string {
  const host = job.machines.find((m) => m.id === machine)?.host.name ?? machine;
  const what = deviceName(job.devices, device);
  return job.devices.length > 1 ? `${what}, on ${host}` : host;
}

export const section = (heading: string, blocks: DocumentBlock[], shopOnly = false): Section => ({
  heading,
  shopOnly,
  blocks,
});

/** Whether a claim is the customer's: their own work, really measured, as it is built. */
export const isTheirs = ({ simulated, activity, measured }: Claim): boolean =>
  !simulated && activity !== null && measured?.runs[0]?.conditions.look === undefined;

/** Who did it, behind what was done. */
export const byWords = ({ by }: { by?: string | undefined }): string => (by ? ` by ${by}` : '');
