import Papa from 'papaparse';
import {
  activitiesOf,
  type BuildRow,
  buildWords,
  type Candidate,
  cautionsOf,
  chooseTogether,
  type ChosenDevice,
  type Closely,
  closelyOf,
  type CountedReason,
  fellWords,
  Finalists,
  type Found,
  holdsWords,
  laterOn,
  lifeCost,
  levelWords,
  lifeCostWords,
  missedNames,
  payBack,
  payBackWords,
  plugWords,
  portWords,
  unitPrices,
  usedAdviceWords,
  usedUnitOf,
  type Progress,
  rowsOf,
  search,
  type FinishedSearch,
  searched,
  settles,
  settlesWords,
  situationsOf,
  buysWords,
  slowedBy,
  slowedWords,
  type Summary,
  summaryOf,
  togetherProblem,
  type Wanted,
  type Weights,
  whyNot,
  type WhyNot,
} from '@kymar/core/choice';
import { offer, orderList, toHtml } from '@kymar/core/handover';
import type { Job } from '@kymar/core/job';
import type { Build } from '@kymar/core/assembly';
import { cancelShared, searchShared } from './pool';
import type { Host, Shop } from '@kymar/core/catalog/parts';
import { middle } from '@kymar/core/evidence';
import { moneyWords } from '@kymar/core/units';
import { sheetOf, type ActivitySheet, type JobSheet } from '@kymar/core/forecast';

export interface Overview extends Summary {
  /** Of what is built now, where it is not among the builds: why. */
  builtFell: string | null;
  /** Cost and s a day of each candidate with a price, three numbers each: its place in the list, cost, waits. */
  points: Float64Array;
  edge: number[];
}

export interface Asked {
  weights: Weights;
  sort: { field: string; sort: 'asc' | 'desc' } | null;
  only: 'all' | 'meets' | 'edge';
  text: string;
  from: number;
  count: number;
}

/** A build beside others. */
export interface Beside {
  id: string;
  words: string;
  port: string;
  sheet: JobSheet | null;
  /** How its drives are put together, and what one more of them costs; null of a build with one bay. */
  level: { words: string; spare: number | null; spareMoney: string } | null;
  /** What it does on each machine. */
  places: readonly { host: string; activities: readonly ActivitySheet[] }[];
  /** What it buys over the first; null of that itself. */
  buys: string | null;
  /** Money over the service life, how it comes about, and when the extra over the first is back. */
  life: { words: string; total: string; worth: number } | null;
  back: string | null;
  cost: number | null;
  money: string;
  usable: number | null;
  warranty: number | null;
  missed: readonly string[];
  cautions: readonly string[];
}

/** A build in the machine it moves to. */
export interface Later {
  words: string;
  port: string;
  figures: readonly (number | null)[];
}

/** One of several devices placed chooseTogether. */
export interface PlacedDevice {
  candidate: Candidate;
  words: string;
  where: readonly string[];
  money: string;
  cost: number | null;
  /** What it was chosen out of. */
  found: Summary;
}

/** Several devices placed chooseTogether, or why they cannot be. */
export interface AllPlaced {
  placed: readonly PlacedDevice[];
  /** What they do to each other on a shared uplink, in words. */
  slowed: readonly string[];
  problem: string | null;
}

/** Goes through work in pieces, other questions answered in between; null where it is not wanted any more. */
async function walk<T>(
  going: Generator<unknown, T>,
  isWanted: () => boolean = () => true,
): Promise<T | null> {
  for (let since = performance.now(); ;) {
    const step = going.next();
    if (step.done) return step.value;
    if (performance.now() - since > BETWEEN) {
      await pause();
      if (!isWanted()) return null;
      since = performance.now();
    }
  }
}

let held: FinishedSearch | null = null;
/** Counts searches: what belongs to an earlier one gives way. */
let searches = 0;
const pause = () => new Promise((resolve) => setTimeout(resolve, 0));
const BETWEEN = 120;

const valueOf = (row: BuildRow, field: string): number | string | null => {
  const at = /^figure-(\d+)$/.exec(field);
  return at ? (row.figures[Number(at[1])] ?? null) : (row[field as keyof BuildRow] as number | string | null);
};

/** Asked rows, sorted and filtered. What has no value comes last whichever way. */
function asked(of: FinishedSearch, { weights, sort, only, text }: Asked): BuildRow[] {
  const rows = rowsOf(of, weights).filter(
    (row) =>
      (only === 'all' || (only === 'meets' ? row.misses === 0 : row.edge)) &&
      holdsWords(`${row.words} ${row.port}`, text),
  );
  const { field, sort: way } = sort ?? { field: 'score', sort: 'desc' as const };
  const sign = way === 'asc' ? 1 : -1;
  return rows.sort((a, b) => {
    const [x, y] = [valueOf(a, field), valueOf(b, field)];
    if (x === y) return a.id < b.id ? -1 : 1;
    if (x === null) return 1;
    if (y === null) return -1;
    return x < y ? -sign : sign;
  });
}

function overview(of: FinishedSearch): Overview {
  const { found, wanted, finalists } = of;
  const { candidates } = found;
  const priced = candidates.flatMap((c, i) => (c.cost === null ? [] : [[i, c.cost, c.waits] as const]));
  const points = new Float64Array(priced.flat());
  return {
    ...summaryOf(found, finalists, wanted),
    builtFell: fellWords(of),
    points,
    edge: [...of.edge].map((id) => of.index.get(id)!),
  };
}

/** What there is to buy, searched here and asked about again and again. */
export const choosing = {
  /**
   * Searches anew; a search that is going on is given up.
   * @param built what is built now, to be told among the others
   * @param onProgress told how far it is, and what is the cheapest so far that misses no target
   */
  async search(
    wanted: Wanted,
    shop: Shop,
    built: Build | null,
    onProgress: (progress: Progress, first: string | null) => void,
  ): Promise<Overview | null> {
    searches++;
    const found = await searchShared(wanted, shop, onProgress);
    if (!found) return null;
    held = searched(found, wanted, shop, built);
    return overview(held);
  },

  cancel: cancelShared,

  /**
   * Builds for several devices of a job together: ports used once, one budget.
   * @param list what each device is searched for, its ports all free
   * @param names what each is called
   */
  async together(
    list: readonly Wanted[],
    names: readonly string[],
    shop: Shop,
    budget: number | null,
  ): Promise<AllPlaced> {
    const devices: ChosenDevice[] = [];
    const finds: Found[] = [];
    for (const wanted of list) {
      const into: Candidate[] = [];
      finds.push((await walk(search(wanted, shop, into)))!);
      devices.push({ wanted, candidates: into, finalists: new Finalists(wanted) });
    }
    const found = (await walk(chooseTogether(devices, budget)))!;
    if (found.problem !== null) return { placed: [], slowed: [], problem: togetherProblem(found, list) };
    const placed = found.builds.map((candidate, i): PlacedDevice => {
      const one = candidate!;
      const wanted = list[i]!;
      return {
        candidate: one,
        words: buildWords(one.build),
        where: plugWords(one, wanted),
        money: moneyWords(one.cost, wanted.currency),
        cost: one.cost,
        found: summaryOf(finds[i]!, devices[i]!.finalists, wanted),
      };
    });
    const slowed = slowedBy(placed.map(({ candidate }, i) => ({ candidate, wanted: list[i]! })));
    return { placed, slowed: slowed.map((one) => slowedWords(one, names)), problem: null };
  },

  rows(what: Asked): { rows: BuildRow[]; total: number } {
    if (!held) return { rows: [], total: 0 };
    const all = asked(held, what);
    return { rows: all.slice(what.from, what.from + what.count), total: all.length };
  },

  /** What would settle which build to buy, in a sentence each, the most for each minute first. */
  async settles(): Promise<string[]> {
    if (!held) return [];
    const { found, finalists, wanted } = held;
    const mine = searches;
    const settled = await walk(settles(found.candidates, finalists, wanted), () => mine === searches);
    return settled ? settlesWords(settled, wanted) : [];
  },

  /** @param hourly what an hour is worth; 0: not said */
  closely(id: string, hourly: number): Closely | null {
    const one = held?.ids.get(id);
    if (!held || !one) return null;
    return closelyOf(held, one, hourly, new Date().toISOString().slice(0, 10));
  },

  /** A build in the machine it moves to, as it answers each activity of the first place; null where it does not work there. */
  later(id: string, host: Host): Later | null {
    const one = held?.ids.get(id);
    if (!held || !one) return null;
    const { wanted, shop } = held;
    const moved = laterOn(one, wanted, shop, host);
    if (!moved) return null;
    const there = { ...wanted, places: [{ ...wanted.places[0]!, host }] };
    return { words: buildWords(moved.build), port: portWords(moved, there), figures: moved.figures };
  },

  /** Some builds side by side at the first place; the first is what the others are held against. @param hourly what an hour is worth */
  beside(ids: readonly string[], hourly: number): Beside[] {
    if (!held) return [];
    const { wanted, ids: known } = held;
    const prices = unitPrices(held);
    const years = middle(wanted.places[0]!.serviceYears);
    const list = ids.flatMap((id) => known.get(id) ?? []);
    const [first] = list;
    return list.map((one): Beside => {
      const situations = situationsOf(held!, one);
      const sheets = situations.map(sheetOf);
      const key = `drives/${one.build.drive.id}` as const;
      const price = prices.get(key)?.each ?? null;
      const each = wanted.owned.includes(key) ? 0 : (price ?? 0);
      const { bays = 1 } = one.build.bridge ?? {};
      const life = years === null ? null : lifeCost(one, each * (one.build.together ?? 1), years, hourly);
      const extra = one.cost === null || first!.cost === null ? null : one.cost - first!.cost;
      return {
        id: one.id,
        words: buildWords(one.build),
        port: portWords(one, wanted),
        sheet: sheets[0]!,
        level:
          bays < 2
            ? null
            : { words: levelWords(one), spare: price, spareMoney: moneyWords(price, wanted.currency) },
        places: situations.map(({ host }, i) => ({
          host: host.name,
          activities: sheets[i]?.activities ?? [],
        })),
        buys: one === first ? null : buysWords(one, first!, wanted, 'the first'),
        cost: one.cost,
        money: moneyWords(one.cost, wanted.currency),
        life: life && {
          words: lifeCostWords(life, wanted.currency, hourly),
          total: moneyWords(Math.round(life.total), wanted.currency),
          worth: life.total,
        },
        back:
          one === first || extra === null || hourly === 0
            ? null
            : payBackWords(payBack(extra, first!.waits - one.waits, hourly)),
        usable: one.usable,
        warranty: one.warranty,
        missed: missedNames(one, activitiesOf(wanted)),
        cautions: cautionsOf(situations).map(({ title }) => title),
      };
    });
  },

  /** Whether a used unit is worth its money, in a sentence; null where nothing is searched. */
  used(noted: NonNullable<Job['used']>[number]): string | null {
    if (!held) return null;
    const on = new Date().toISOString().slice(0, 10);
    return usedAdviceWords(usedUnitOf(held, noted, on), held.wanted.currency);
  },

  /** Builds as an offer, a page of its own; the first is the one that is advised. @param shopHour what an hour of the shop costs; 0: not said */
  offer(job: Job, ids: readonly string[], shopHour: number): string {
    const on = new Date().toISOString().slice(0, 10);
    const list = ids.flatMap((id) => this.closely(id, 0) ?? []);
    return held && list.length > 0 ? toHtml(offer(job, list, held.wanted, on, shopHour), 'customer') : '';
  },

  /** What has to be ordered for a build, a page of its own. */
  order(job: Job, id: string): string {
    const on = new Date().toISOString().slice(0, 10);
    const one = this.closely(id, 0);
    return held && one ? toHtml(orderList(job, one, held.wanted, on), 'shop') : '';
  },

  /** The candidate at a place of the points. */
  idAt: (index: number): string | null => held?.found.candidates[index]?.id ?? null,

  why(text: string, only: CountedReason['reason'] | null): WhyNot[] {
    if (!held) return [];
    return whyNot(held.found.fallen, held.found.candidates, activitiesOf(held.wanted), text, only);
  },

  csv(what: Asked): string {
    if (!held) return '';
    const work = activitiesOf(held.wanted);
    const head = ['Build', 'Port', `Cost (${held.wanted.currency ?? 'no prices'})`, 'Waits (s a day)'];
    const tail = ['Score', 'Misses', 'Years until the rating is written', 'Usable (B)'];
    const rows = asked(held, what).map((r) => [
      ...[r.words, r.port, r.cost, r.waits],
      ...r.figures,
      ...[r.score, r.missed.join('; '), r.years, r.usable],
    ]);
    return Papa.unparse([[...head, ...work.map((a) => a.name), ...tail], ...rows]);
  },
};
export type Choosing = typeof choosing;
