import { proxy, wrap, type Remote } from 'comlink';
import type { DaysForecast, JobSheet, Situation } from '@kymar/core/forecast';
import type { Build } from '@kymar/core/build/assembly';
import type { Estimate } from '@kymar/core/evidence';
import type { WorthFinding } from '@kymar/core/forecast/worth';
import type { Diagnosis } from '@kymar/core/diagnosis';
import type { FrozenForecast, Job } from '@kymar/core/job';
import type { OwnRate } from '@kymar/core/reference';
import type { Verdict } from '@kymar/core/verdict';
import type { OwnRanges } from '@kymar/core/catalog/assumptions';
import type { Direction } from '@kymar/core/catalog/links';
import type { Drive, Host, Shop } from '@kymar/core/catalog/parts';
import type { Fix } from '@kymar/core/choice/whatif';
import type { Progress, Wanted } from '@kymar/core/choice/search';
import type { Choosing, Overview } from './choice';
import type { Forecasting } from './forecast';
import type { Practising } from './practice';
import type { Reading } from './reading';
import type { Tracing } from './trace';
import type { Compared, Work } from './whatif';

export type { Compared };
export type { BackupPreview, FileRead, PartsRead } from './reading';

/** A worker that is started when first asked and kept; one whose code could not be loaded is started anew the next time. */
class Helper<T> {
  private running: { remote: Remote<T>; broken: Promise<never> } | null = null;

  constructor(private readonly make: () => Worker) {}

  start(): { remote: Remote<T>; broken: Promise<never> } {
    if (this.running) return this.running;
    const worker = this.make();
    const broken = new Promise<never>((_, reject) => {
      worker.addEventListener('error', () => {
        this.running = null;
        worker.terminate();
        reject(
          new Error(
            'What works this out cannot be loaded: Kymar’s server does not answer. It is tried again with the next change.',
          ),
        );
      });
    });
    // Nobody may be waiting when it breaks.
    broken.catch(() => undefined);
    return (this.running = { remote: wrap<T>(worker), broken });
  }

  /** Asks it; fails when its code cannot be loaded instead of waiting for ever. */
  async ask<R>(question: (remote: Remote<T>) => Promise<R>): Promise<R> {
    const { remote, broken } = this.start();
    return Promise.race([question(remote), broken]);
  }
}

const whatif = new Helper<Work>(
  () => new Worker(new URL('./whatif.ts', import.meta.url), { type: 'module' }),
);
const forecasting = new Helper<Forecasting>(
  () => new Worker(new URL('./forecast.ts', import.meta.url), { type: 'module' }),
);
const reading = new Helper<Reading>(
  () => new Worker(new URL('./reading.ts', import.meta.url), { type: 'module' }),
);

const choosing = new Helper<Choosing>(
  () => new Worker(new URL('./choice.ts', import.meta.url), { type: 'module' }),
);

const practising = new Helper<Practising>(
  () => new Worker(new URL('./practice.ts', import.meta.url), { type: 'module' }),
);

const tracing = new Helper<Tracing>(
  () => new Worker(new URL('./trace.ts', import.meta.url), { type: 'module' }),
);

/** Loads their code ahead: a stopped server would keep it back. */
export const warmUp = (): void =>
  [whatif, forecasting, reading, choosing, tracing, practising].forEach((helper) => void helper.start());

/** Changes that help a path, worked out in a worker. */
export const fixesOf = (situation: Situation, shop: Shop, direction: Direction): Promise<Fix[]> =>
  whatif.ask((w) => w.fixes(situation, shop, direction));

/** Both answers for every claim of a job, in a worker. */
export const judged = (job: Job, own?: OwnRanges): Promise<Verdict> => whatif.ask((w) => w.verdict(job, own));

/** Causes of what a job measured, and what to look at next, in a worker. */
export const diagnosisOf = (...asked: Parameters<Work['diagnose']>): Promise<Diagnosis | null> =>
  whatif.ask((w) => w.diagnose(...asked));

/** What each link reached in the shop's own hands, in a worker. */
export const ownRatesOf = (jobs: readonly Job[]): Promise<OwnRate[]> => whatif.ask((w) => w.ownRates(jobs));

/** What accepted jobs teach, and how good their forecasts were, in a worker. @param own without what was learned */
export const taughtBy = (...asked: Parameters<Work['taught']>) => whatif.ask((w) => w.taught(...asked));

/** A job's days lived through, in a worker. */
export const daysOf = (situation: Situation, years: number): Promise<DaysForecast | null> =>
  whatif.ask((w) => w.days(situation, years));

/** A job's build held against it with other drives, in a worker. @throws RangeError for what cannot be compared */
export const comparisonOf = (
  situation: Situation,
  shop: Shop,
  activity: string,
  drives: readonly Drive[],
): Promise<Compared> => whatif.ask((w) => w.compare(situation, shop, activity, drives));

/** A situation's forecast with its bands, in a worker of its own. */
export const sheetFor = (situation: Situation): Promise<JobSheet | null> =>
  forecasting.ask((w) => w.sheet(situation));

/** How long contents take to be moved onto a device, in the worker of forecasts. */
export const contentsFor = (situation: Situation, bytes: number, verify: boolean): Promise<Estimate | null> =>
  forecasting.ask((w) => w.contents(situation, bytes, verify));

/** What is worth finding out before a situation's targets are promised, each probable enough from `sure` on, in the worker of forecasts. */
export const worthOf = (situation: Situation, sure: number): Promise<WorthFinding[]> =>
  forecasting.ask((w) => w.worth(situation, sure));

/** A job's forecast frozen as it stands. @throws RangeError when there is nothing to freeze */
export const frozenOf = (job: Job, id: string, at: string, own?: OwnRanges): Promise<FrozenForecast> =>
  forecasting.ask((w) => w.freeze(job, id, at, own) as Promise<FrozenForecast>);

/** Files read beside the page. */
export const read = {
  jobs: (files: readonly File[]) => reading.ask((w) => w.jobs(files)),
  parts: (...asked: Parameters<Reading['parts']>) => reading.ask((w) => w.parts(...asked)),
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
  rig: (...asked: Parameters<Practising['rig']>) => practising.ask((w) => w.rig(...asked)),
  debrief: (...asked: Parameters<Practising['debrief']>) => practising.ask((w) => w.debrief(...asked)),
};

/** What there is to buy, searched in a worker that keeps what it found. */
export const choose = {
  search: (
    wanted: Wanted,
    shop: Shop,
    built: Build | null,
    told: (progress: Progress, first: string | null) => void,
  ) => choosing.ask((w) => w.search(wanted, shop, built, proxy(told)) as Promise<Overview | null>),
  together: (...asked: Parameters<Choosing['together']>) => choosing.ask((w) => w.together(...asked)),
  cancel: () => choosing.ask((w) => w.cancel()),
  settles: () => choosing.ask((w) => w.settles()),
  rows: (...asked: Parameters<Choosing['rows']>) => choosing.ask((w) => w.rows(...asked)),
  closely: (id: string, hourly: number) => choosing.ask((w) => w.closely(id, hourly)),
  later: (id: string, host: Host) => choosing.ask((w) => w.later(id, host)),
  beside: (ids: readonly string[], hourly: number) => choosing.ask((w) => w.beside(ids, hourly)),
  idAt: (index: number) => choosing.ask((w) => w.idAt(index)),
  why: (...asked: Parameters<Choosing['why']>) => choosing.ask((w) => w.why(...asked)),
  csv: (...asked: Parameters<Choosing['csv']>) => choosing.ask((w) => w.csv(...asked)),
};
export type { Asked, Beside, Closely, Later, Overview, Placed, Row } from './choice';
