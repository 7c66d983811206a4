import { expose } from 'comlink';
import Papa from 'papaparse';
import { compareBackup, readBackup, type BackupRead, type Restoring } from '@kymar/core/backup';
import { doubtsOf, readJob, type Job } from '@kymar/core/job';
import {
  compare,
  differencesOf,
  fromRows,
  readLibrary,
  type LibraryChange,
  type Difference,
} from '@kymar/core/catalog/library';
import { PART_KINDS, nameOf, type PartKind, type Part, type PartOf } from '@kymar/core/catalog/parts';
import { storedJobs, storedParts } from '../state/stored';
import { textOf, type TextRead } from './text';

/** A file of Kymar’s own is never larger, B. */
const MOST_BYTES = 64e6;

/** One job file, read: what it holds, or why it cannot be taken. */
export interface FileRead {
  file: string;
  job: Job | null;
  problems: string[];
  /** What of its evidence is not as it was kept; and where it has no chain, that nothing can be told. */
  doubts: string[];
}

/** What a file with parts would bring. The parts themselves wait here: thousands of them would stop the page. */
export interface PartsRead {
  file: string;
  fresh: number;
  changed: number;
  same: number;
  /** The first that would be added or changed. */
  told: (Pick<LibraryChange<PartKind>, 'state' | 'known'> & {
    name: string;
    key: string;
    differs: Difference[];
  })[];
  problems: string[];
  notes: string[];
  doubtful: string | null;
}

const MOST_TOLD = 40;
const MOST_PROBLEMS = 200;
let waiting: { kind: PartKind; part: Part }[] = [];
let restoring: BackupRead | null = null;

const KINDS_OF = Object.keys(PART_KINDS) as PartKind[];

async function changesOf(
  text: string,
  kind: PartKind,
  decimal?: '.' | ',',
): Promise<
  Omit<PartsRead, 'file' | 'fresh' | 'changed' | 'same' | 'told'> & {
    lists: { kind: PartKind; list: LibraryChange<PartKind>[] }[];
  }
> {
  const shop = await storedParts();
  const held = (k: PartKind, incoming: readonly Part[], keys?: readonly string[]) => ({
    kind: k,
    list: compare<PartKind>(k, shop[k], incoming, keys),
  });
  if (/^\s*\{/.test(text.slice(0, 1000))) {
    const library = readLibrary(text);
    if (!library.ok) return { lists: [], problems: library.problems, notes: [], doubtful: null };
    return {
      lists: KINDS_OF.map((k) => held(k, library.value[k])).filter((l) => l.list.length > 0),
      problems: [],
      notes: [],
      doubtful: null,
    };
  }
  // Some spreadsheet programs name the delimiter in a line of its own.
  const named = /^\ufeff?sep=(.)\r?\n/i.exec(text);
  const { data, errors } = Papa.parse<string[]>(
    named ? text.slice(named[0].length) : text.replace(/^\ufeff/, ''),
    { skipEmptyLines: false, ...(named ? { delimiter: named[1]! } : {}) },
  );
  const before = named ? 1 : 0;
  const { parts, problems, notes, doubtful, keys, ignored } = fromRows(kind, data, decimal);
  return {
    lists: parts.length > 0 ? [held(kind, parts, keys)] : [],
    problems: [
      ...errors
        .filter((e) => e.type === 'Quotes')
        .map((e) => `Line ${(e.row ?? 0) + 1 + before}: ${e.message}.`),
      ...problems.map((p) => `Line ${p.line + before}, column ${p.column}: ${p.words}`),
      ...(ignored.length > 0
        ? [`Left out, as no property of a part is called so: ${ignored.slice(0, 40).join(', ')}.`]
        : []),
    ],
    notes: [...(named ? [`Cells are divided by “${named[1]}”, as the first line says.`] : []), ...notes],
    doubtful,
  };
}

/** What a back-up would bring; `at` is empty where it cannot be read. */
export interface BackupPreview {
  at: string;
  list: Restoring[];
  problems: string[];
  bin: number;
}

const reading = {
  /** Reads job files, one after the other. Nothing is changed. */
  async jobs(files: readonly File[]): Promise<FileRead[]> {
    const found: FileRead[] = [];
    for (const file of files) {
      const said = (problems: string[]) => found.push({ file: file.name, job: null, problems, doubts: [] });
      try {
        const { text } = await textOf(file, MOST_BYTES);
        const read = readJob(text);
        if (!read.ok) said(read.problems.slice(0, MOST_PROBLEMS));
        else found.push({ file: file.name, job: read.value, problems: [], doubts: doubtWords(read.value) });
      } catch (error) {
        said([(error as Error).message]);
      }
    }
    return found;
  },

  /** Reads a file of one kind of part or a whole library. Nothing is changed. */
  async parts(file: File, kind: PartKind, decimal?: '.' | ','): Promise<PartsRead> {
    const nothing = { file: file.name, fresh: 0, changed: 0, same: 0, told: [], notes: [], doubtful: null };
    waiting = [];
    let read: TextRead;
    try {
      read = await textOf(file, MOST_BYTES);
    } catch (error) {
      return { ...nothing, problems: [(error as Error).message] };
    }
    const { lists, problems, notes, doubtful } = await changesOf(read.text, kind, decimal);
    const all = lists.flatMap(({ kind: k, list }) => list.map((change) => ({ kind: k, change })));
    const count = (state: string) => all.filter(({ change }) => change.state === state).length;
    const taken = all.filter(({ change }) => change.state !== 'same');
    waiting = taken.map(({ kind: k, change }) => ({ kind: k, part: change.part }));
    const told = taken
      .slice(0, MOST_TOLD)
      .map(({ kind: k, change }) => ({
        name: nameOf(change.part),
        key: `${k}/${change.part.id}`,
        state: change.state,
        known: change.known,
        differs: differencesOf(k, change),
      }));
    return {
      ...nothing,
      fresh: count('new'),
      changed: count('changed'),
      same: count('same'),
      told,
      problems: problems.slice(0, MOST_PROBLEMS),
      notes: [...read.notes, ...notes.slice(0, 20)],
      doubtful,
    };
  },

  /** The parts read last, a piece at a time. */
  piece(from: number, count: number): { kind: PartKind; part: PartOf[PartKind] }[] {
    return waiting.slice(from, from + count);
  },

  /** Reads a back-up and holds it against what is here. Nothing is changed. */
  async backup(file: File): Promise<BackupPreview> {
    restoring = null;
    try {
      const found = readBackup((await textOf(file, MOST_BYTES)).text);
      if (!found.ok) return { at: '', list: [], bin: 0, problems: found.problems.slice(0, MOST_PROBLEMS) };
      restoring = found.value;
      const list = compareBackup(restoring, await storedJobs());
      return {
        at: restoring.at,
        list,
        problems: restoring.problems.slice(0, MOST_PROBLEMS),
        bin: restoring.bin.length,
      };
    } catch (error) {
      return { at: '', list: [], bin: 0, problems: [(error as Error).message] };
    }
  },

  /** Records of the back-up read last. */
  restored(keys: readonly string[]): { jobs: Job[]; parts: Record<string, Part | null> } {
    const wanted = new Set(keys);
    const jobs = restoring?.jobs.filter((job) => wanted.has(`jobs/${job.id}`)) ?? [];
    return {
      jobs,
      parts: Object.fromEntries(
        Object.entries(restoring?.parts ?? {}).filter(([key]) => wanted.has(`parts/${key}`)),
      ),
    };
  },
};

function doubtWords(job: Job): string[] {
  const doubts = doubtsOf(job).map((d) => d.words);
  const evidence = job.runs.length + job.forecasts.length;
  if (!job.chain && evidence > 0)
    doubts.push(
      `The file has no chain of evidence: whether its ${job.runs.length} runs and ${job.forecasts.length} frozen forecasts were changed cannot be told.`,
    );
  return doubts;
}

export type FileReading = typeof reading;
expose(reading);
