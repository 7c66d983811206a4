import { expose, transfer } from 'comlink';
import Papa from 'papaparse';
import type { Sample } from '@kymar/core/job';
import {
  guessColumns,
  tracePhasesOf,
  ratesOf,
  TraceReader,
  type LeftOut,
  type Phases,
  type TraceColumns,
  type TraceHints,
} from '@kymar/core/measure';
import { textOf } from './text';

/** B of a file of readings. */
const MOST_BYTES = 256e6;
/** Rows that are looked at first, and that are shown. */
const LOOKED = 200;
const SHOWN = 6;
/** Letters of a piece that is read in one go. */
const PIECE = 4e6;
/** Samples that a run keeps. */
const MOST_SAMPLES = 1500;
/** Points of the picture. */
const POINTS = 500;

/** A table of readings as it is first seen. */
export interface TraceLook {
  file: string;
  heading: string[] | null;
  rows: string[][];
  columns: TraceColumns | null;
  notes: string[];
}

/** A table of readings, read whole and cut into phases. */
export interface TraceRead {
  rows: number;
  left: LeftOut;
  /** B and s in all. */
  bytes: number;
  seconds: number;
  phases: Phases;
  /** For the picture: B moved, B/s up to there. */
  curve: Float64Array;
  samples: Sample[];
  /** ms that reading and cutting took. */
  took: number;
}

let held: { heading: string[] | null; text: string } | null = null;

const isWords = (row: readonly string[]): boolean =>
  row.some((cell) => /[a-z]{1,}/i.test(cell) && !/^\d/.test(cell.trim()));

const work = {
  /** Takes a file and says what its columns most likely are. */
  async look(file: File): Promise<TraceLook> {
    const { text, notes } = await textOf(file, MOST_BYTES);
    const { data } = Papa.parse<string[]>(text, { preview: LOOKED, skipEmptyLines: true });
    const [first, ...rest] = data;
    if (!first) throw new Error(`${file.name} is empty.`);
    const heading = isWords(first) ? first : null;
    const rows = heading ? rest : data;
    held = { heading, text };
    return {
      file: file.name,
      heading,
      rows: rows.slice(0, SHOWN),
      columns: guessColumns(heading, rows),
      notes,
    };
  },

  /** Reads the file that was looked at. @throws RangeError where there is too little in it */
  read(columns: TraceColumns, hints: TraceHints): TraceRead {
    const began = performance.now();
    const reader = new TraceReader(columns);
    let rows = 0;
    Papa.parse<string[]>(held!.text, {
      skipEmptyLines: true,
      // Quotes cost time, and readings have none.
      fastMode: !held!.text.includes('"'),
      // In pieces: a call for each of a million rows costs more than reading it.
      chunkSize: PIECE,
      complete: () => undefined,
      chunk: ({ data }: Papa.ParseResult<string[]>) => {
        for (const row of data) if (rows++ > 0 || !held!.heading) reader.add(row);
      },
    });
    const trace = reader.trace();
    const phases = tracePhasesOf(trace, hints);
    const { t, bytes } = trace;
    const every = Math.max(1, Math.ceil(t.length / MOST_SAMPLES));
    const samples: Sample[] = [];
    for (let i = 0; i < t.length; i += i + every < t.length || i === t.length - 1 ? every : t.length - 1 - i)
      samples.push({ t: t[i]! - t[0]!, bytes: bytes[i]! - bytes[0]! });
    const curve = new Float64Array(ratesOf(samples, POINTS).flatMap(({ bytes: at, rate }) => [at, rate]));
    const read: TraceRead = {
      rows: held!.heading ? rows - 1 : rows,
      left: reader.left,
      bytes: bytes.at(-1)! - bytes[0]!,
      seconds: t.at(-1)! - t[0]!,
      phases,
      curve,
      samples,
      took: performance.now() - began,
    };
    return transfer(read, [curve.buffer]);
  },
};
export type Tracing = typeof work;
expose(work);
