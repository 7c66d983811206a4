import { proxy, wrap, type Remote } from 'comlink';
import type { Build } from '@kymar/core/assembly';
import type { WorthFinding, DaysForecast, JobSheet, Situation } from '@kymar/core/forecast';
import { tried, type Closely, type Fix, type Progress, type Wanted } from '@kymar/core/choice';
import type { Estimate } from '@kymar/core/evidence';
import type { Diagnosis } from '@kymar/core/diagnosis';
import type { FrozenForecast, Job } from '@kymar/core/job';
import type { OwnRate } from '@kymar/core/reference';
import type { Verdict } from '@kymar/core/verdict';
import type { OwnRanges } from '@kymar/core/catalog/assumptions';
import type { Direction } from '@kymar/core/catalog/links';
import type { Drive, Host, Shop } from '@kymar/core/catalog/parts';
import type { Debrief, Rig } from '@kymar/core/practice';
import type { Question } from '../state/gate';
import { Gone } from '../state/gone';
import type { Choosing, Overview } from './choice';
import type { Compared, Fast } from './fast';
import type { Practising } from './practice';
import type { FileReading } from './reading';
import type { Tracing } from './trace';
import { sentTo } from './sent';
import type { Slow, Taught } from './slow';

export type { Compared, Taught };
export type { BackupPreview, FileRead, PartsRead } from './reading';

/** What a worker is while it runs. */
interface Running<T> {
  remote: Remote<T>;
  broken: Promise<never>;
  /** Which jobs it holds, by id, in which revision. */
  holds: Map<string, number>;
}

/** A worker that is started when first asked and kept; one whose code could not be loaded is started anew the next time. */
class Helper<T> {
  private running: Running<T> | null = null;
  private line: Promise<unknown> = Promise.resolve();

  constructor(private readonly make: () => Worker) {}

  start(): Running<T> {
    if (this.running) return this.running;
    const worker = this.make();
    const broken = new Promise<never>((_, reject) => {
      const fail = () => {
        this.running = null;
        worker.terminate();
        reject(
          new Gone(
            'What works this out cannot be loaded: Kymar’s server does not answer. It is tried again by itself.',
          ),
        );
      };
      worker.addEventListener('error', fail);
      worker.addEventListener('messageerror', fail);
    });
    // Nobody may be waiting when it breaks.
    broken.catch(() => undefined);
    return (this.running = { remote: wrap<T>(worker), broken, holds: new Map() });
  }

  /** Asks it at once, whatever else it does; fails when its code cannot be loaded instead of waiting for ever. */
  async now<R>(question: (remote: Remote<T>, holds: Running<T>['holds']) => Promise<R>): Promise<R> {
    const { remote, broken, holds } = this.start();
    return Promise.race([question(remote, holds), broken]);
  }

  /** Asks it when it is done with what was asked before; what nobody waits for any more by then is not asked at all. */
  ask<R>(
    question: (remote: Remote<T>, holds: Running<T>['holds']) => Promise<R>,
    signal?: AbortSignal,
  ): Promise<R> {
    const turn = this.line.then(() => {
      signal?.throwIfAborted();
      return this.now(question);
    });
    this.line = turn.catch(() => undefined);
    return turn;
  }
}

const fast = new Helper<Fast>(() => new Worker(new URL('./fast.ts', import.meta.url), { type: 'module' }));
const slow = new Helper<Slow>(() => new Worker(new URL('./slow.ts', import.meta.url), { type: 'module' }));
const reading = new Helper<FileReading>(
  () => new Worker(new URL('./reading.ts', import.meta.url), { type: 'module' }),
);
const practising = new Helper<Practising>(
  () => new Worker(new URL('./practice.ts', import.meta.url), { type: 'module' }),
);
const tracing = new Helper<Tracing>(
  () => new Worker(new URL('./trace.ts', import.meta.url), { type: 'module' }),
);

/** Loads their code ahead: a stopped server would keep it back. */
export const warmUp = (): void =>
  [fast, slow, reading, tracing, practising].forEach((helper) => void helper.start());

/*
 * Questions, each with what it is about. A view asks by `useAnswer`, what is pressed by `answerTo`.
 */

/** Changes that help a path. */
export const fixesOf = (situation: Situation, shop: Shop, direction: Direction): Question<Fix[]> => ({
  name: 'fixes',
  about: [situation, shop, direction],
  still: 150,
  ask: (signal) => fast.ask((w) => w.fixes(situation, tried(shop, direction), direction), signal),
});

/** Both answers for every claim of a job. */
export const judged = (job: Job, shopRanges: OwnRanges | undefined): Question<Verdict> => ({
  name: 'verdict',
  subject: job.id,
  about: [job, shopRanges],
  ask: (signal) => fast.ask((w) => w.verdict(job, shopRanges), signal),
});

/** A job's build held against it with other drives. @param taken ports that other devices hang on, by id */
export const comparisonOf = (
  situation: Situation,
  shop: Shop,
  activity: string,
  drives: readonly Drive[],
  taken: readonly string[],
): Question<Compared> => ({
  name: 'compare',
  subject: activity,
  about: [situation, shop, activity, drives, taken],
  ask: (signal) => fast.ask((w) => w.compare(situation, shop, activity, drives, taken), signal),
});

/** A situation's forecast with its bands. */
export const sheetFor = (situation: Situation): Question<JobSheet | null> => ({
  name: 'sheet',
  about: [situation],
  ask: (signal) => fast.ask((w) => w.sheet(situation), signal),
});

/** How long contents take to be moved onto a device. */
export const contentsFor = (
  situation: Situation,
  bytes: number,
  verify: boolean,
): Question<Estimate | null> => ({
  name: 'contents',
  about: [situation, bytes, verify],
  ask: (signal) => fast.ask((w) => w.contents(situation, bytes, verify), signal),
});

/** A job's forecast frozen as it stands. @throws RangeError when there is nothing to freeze */
export const frozenOf = (job: Job, id: string, at: string, shopRanges?: OwnRanges): Promise<FrozenForecast> =>
  fast.ask((w) => w.freeze(job, id, at, shopRanges) as Promise<FrozenForecast>);

/** Causes of what a job measured, and what to look at next. @param about what of the job counts: words and notes change nothing of its causes */
export const diagnosisOf = (
  job: Job,
  about: readonly unknown[],
  shopRanges: OwnRanges | undefined,
  priors: Parameters<Slow['diagnose']>[2],
): Question<Diagnosis | null> => ({
  name: 'causes',
  subject: job.id,
  about: [...about, shopRanges, priors],
  ask: (signal) => slow.ask((w) => w.diagnose(job, shopRanges, priors), signal),
});

/** What each link reached in the shop's own hands. */
export const ownRatesOf = (jobs: Readonly<Record<string, Job>>): Question<OwnRate[]> => ({
  name: 'own rates',
  about: [jobs],
  ask: (signal) => slow.ask((w, holds) => w.ownRates(sentTo(holds, Object.values(jobs))), signal),
});

/** What accepted jobs teach, and how good their forecasts were. @param own without what was learned */
export const taughtBy = (jobs: Readonly<Record<string, Job>>, shopRanges: OwnRanges): Question<Taught> => ({
  name: 'taught',
  about: [jobs, shopRanges],
  ask: (signal) => slow.ask((w, holds) => w.taught(sentTo(holds, Object.values(jobs)), shopRanges), signal),
});

/** A job's days lived through. */
export const daysOf = (situation: Situation, years: number): Question<DaysForecast | null> => ({
  name: 'days',
  about: [situation, years],
  still: 150,
  ask: (signal) => slow.ask((w) => w.days(situation, years), signal),
});

/** What is worth finding out before a situation's targets are promised, each probable enough from `sure` on. */
export const worthOf = (situation: Situation, sure: number): Question<WorthFinding[]> => ({
  name: 'worth',
  about: [situation, sure],
  still: 500,
  ask: (signal) => fast.ask((w) => w.worth(situation, sure), signal),
});

/** Files read beside the page. */
export const read = {
  jobs: (files: readonly File[]) => reading.ask((w) => w.jobs(files)),
  parts: (...asked: Parameters<FileReading['parts']>) => reading.ask((w) => w.parts(...asked)),
  piece: (from: number, count: number) => reading.ask((w) => w.piece(from, count)),
  backup: (file: File) => reading.ask((w) => w.backup(file)),
  restored: (keys: readonly string[]) => reading.ask((w) => w.restored(keys)),
};

/** Tables of readings, read and cut into phases beside the page. */
export const traces = {
  look: (file: File) => tracing.ask((w) => w.look(file)),
  read: (...asked: Parameters<Tracing['read']>) => tracing.ask((w) => w.read(...asked)),
};
export type { TraceLook, TraceRead } from './trace';

/** Rounds of practice, played beside the page. */
export const practice = {
  rig: (...asked: Parameters<Practising['rig']>): Question<Rig> => ({
    name: 'rig',
    subject: `${asked[0]} ${asked[1]}`,
    about: asked,
    ask: (signal) => practising.ask((w) => w.rig(...asked), signal),
  }),
  debrief: (...asked: Parameters<Practising['debrief']>): Question<Debrief> => ({
    name: 'debrief',
    about: asked,
    ask: (signal) => practising.ask((w) => w.debrief(...asked), signal),
  }),
};

/** What a search found, and the how manieth it is: what is asked of it is asked of that one. */
export interface Searched {
  found: Overview | null;
  turn: number;
}
let turns = 0;
/** The last search that was not stopped. */
let last: { subject: string | undefined; searched: Searched } | null = null;

/** A question to the last search. */
const ofSearch = <R>(
  name: string,
  about: readonly unknown[],
  ask: (remote: Remote<Slow>) => Promise<R>,
  more: Partial<Question<R>> = {},
): Question<R> => ({ name, about, ...more, ask: () => slow.now(ask) });

/** What there is to buy, searched in a worker that keeps what it found. It stops by itself for what is asked meanwhile. */
export const choose = {
  search: (
    wanted: Wanted,
    shop: Shop,
    built: Build | null,
    told: (progress: Progress, first: string | null) => void,
    more: Pick<Question<Searched>, 'subject' | 'about' | 'still'>,
  ): Question<Searched> => ({
    name: 'search',
    ...more,
    isKept: false,
    async ask(signal) {
      signal.addEventListener('abort', () => void choose.cancel().catch(() => undefined));
      const found = await slow.now(
        (w) => w.search(wanted, shop, built, proxy(told)) as Promise<Overview | null>,
      );
      // Stopped by somebody: what was found before stands.
      if (!found) return last?.subject === more.subject && last ? last.searched : { found, turn: turns };
      last = { subject: more.subject, searched: { found, turn: ++turns } };
      return last.searched;
    },
  }),
  cancel: () => slow.now((w) => w.cancel()),
  together: (...asked: Parameters<Choosing['together']>) => slow.now((w) => w.together(...asked)),
  // What somebody asks for goes before what might be worth asking.
  settles: (turn: number) => ofSearch('settles', [turn], (w) => w.settles(), { still: 600 }),
  rows: (turn: number, asked: Parameters<Choosing['rows']>[0]) =>
    ofSearch('rows', [turn, asked], (w) => w.rows(asked), { still: 150, subject: 'rows' }),
  /** The first of these builds that is among what was found. */
  closely: (turn: number, ids: readonly string[], hourly: number) =>
    ofSearch<Closely | null>(
      'closely',
      [turn, hourly, ...ids],
      async (w) => {
        for (const id of ids) {
          const one = await w.closely(id, hourly);
          if (one) return one;
        }
        return null;
      },
      { subject: 'closely' },
    ),
  later: (one: Closely, host: Host) => ofSearch('later', [one, host], (w) => w.later(one.id, host)),
  beside: (turn: number, ids: readonly string[], hourly: number) =>
    ofSearch('beside', [turn, hourly, ...ids], (w) => w.beside(ids, hourly), { subject: 'beside' }),
  why: (turn: number, ...asked: Parameters<Choosing['why']>) =>
    ofSearch('why', [turn, ...asked], (w) => w.why(...asked), { subject: 'why' }),
  used: (turn: number, noted: Parameters<Choosing['used']>[0]) =>
    ofSearch('used', [turn, noted], (w) => w.used(noted), { subject: noted.drive }),
  idAt: (index: number) => slow.now((w) => w.idAt(index)),
  csv: (...asked: Parameters<Choosing['csv']>) => slow.now((w) => w.csv(...asked)),
  offer: (...asked: Parameters<Choosing['offer']>) => slow.now((w) => w.offer(...asked)),
  order: (...asked: Parameters<Choosing['order']>) => slow.now((w) => w.order(...asked)),
};
export type { Asked, Beside, Later, Overview, PlacedDevice } from './choice';
