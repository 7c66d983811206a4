import { canonical } from '../text';
import type { ChainEntry } from './entry';
import { appended, linked, sha, type ToldEntry } from './hash';
import type { FrozenForecast } from './frozen';
import type { Job } from './job';

/*
 * The evidence of a job (runs with their corrections and exclusions, frozen forecasts, decisions) as a chain: each entry holds the
 * content's hash and the hash of the entry before. What is changed, taken out or slipped in afterwards no longer fits. It is no
 * signature: whoever remakes the whole chain is not found out.
 */

/** Something of a job's evidence that is not as it was kept. */
export interface Doubt {
  what: ChainEntry['what'] | 'chain';
  id: string;
  words: string;
}

const hashes = new WeakMap<object, string>();
/** Hash of a thing's content, worked out once: things are never changed in place. */
function contentOf(thing: object): string {
  const had = hashes.get(thing);
  if (had) return had;
  const made = sha(canonical(thing));
  hashes.set(thing, made);
  return made;
}

type Evidence = Map<string, { what: ChainEntry['what']; id: string; thing: object }>;
const keyOf = (entry: Pick<ChainEntry, 'what' | 'id'>): string => `${entry.what} ${entry.id}`;

function evidenceOf(job: Pick<Job, 'runs' | 'forecasts' | 'decision'> | null): Evidence {
  const list = [
    ...(job?.forecasts ?? []).map((f) => ({ what: 'forecast' as const, id: f.id, thing: f })),
    ...(job?.runs ?? []).map((run) => ({ what: 'run' as const, id: run.id, thing: run })),
    ...(job?.decision ? [{ what: 'decision' as const, id: 'decision', thing: job.decision }] : []),
  ];
  return new Map(list.map((item) => [keyOf(item), item]));
}

/**
 * The job with what happened to its evidence since `before` entered into its chain; the same job where nothing did.
 * @param before null for a job that comes from elsewhere: what it holds is entered as found, unless it brings a chain
 */
export function witness(before: Job | null, after: Job, at: string): Job {
  const started = after.chain ?? before?.chain;
  if (
    before &&
    started &&
    before.runs === after.runs &&
    before.forecasts === after.forecasts &&
    before.decision === after.decision
  )
    return after;
  const [was, is] = [evidenceOf(before ?? after), evidenceOf(after)];
  const told: ToldEntry[] = [];
  const tell = (
    did: ChainEntry['did'],
    { what, id, thing }: { what: ChainEntry['what']; id: string; thing: object },
  ) => told.push({ what, id, did, at, content: did === 'removed' ? null : contentOf(thing) });
  if (!started) for (const item of was.values()) tell('found', item);
  for (const [key, item] of is) {
    const had = was.get(key);
    if (!had) tell('added', item);
    else if (had.thing !== item.thing && contentOf(had.thing) !== contentOf(item.thing))
      tell('changed', item);
  }
  for (const [key, item] of was) if (!is.has(key)) tell('removed', item);
  const chain = before?.chain ?? after.chain;
  return told.length > 0
    ? { ...after, chain: appended(chain ?? [], told) }
    : chain
      ? { ...after, chain }
      : after;
}

const orders = new WeakMap<readonly ChainEntry[], Map<string, number>>();
/** Where in a chain each thing was added. */
function orderOf(chain: readonly ChainEntry[]): Map<string, number> {
  const had = orders.get(chain);
  if (had) return had;
  const made = new Map<string, number>();
  chain.forEach((entry, i) => {
    if (entry.did === 'added' && !made.has(keyOf(entry))) made.set(keyOf(entry), i);
  });
  orders.set(chain, made);
  return made;
}

/**
 * Whether a forecast was frozen before a run was made. The chain knows in which order they were kept, whatever the clock said; without it, or for
 * what came from elsewhere, their times tell.
 */
export function wasFrozenBefore(
  { chain = [] }: Pick<Job, 'chain'>,
  forecast: Pick<FrozenForecast, 'id' | 'at'>,
  run: Pick<Job['runs'][number], 'id' | 'at'>,
): boolean {
  const order = orderOf(chain);
  const [frozen, made] = [order.get(`forecast ${forecast.id}`), order.get(`run ${run.id}`)];
  if (frozen === undefined || made === undefined) return forecast.at <= run.at;
  if (frozen > made) return false;
  // A clock that was set back between the two: what was kept later bears the earlier time.
  const isSetBack = chain.slice(frozen, made + 1).some(({ at }, i, some) => i > 0 && at < some[i - 1]!.at);
  return isSetBack || forecast.at <= run.at;
}

/** How many real runs were made before a forecast was frozen: of those it was none. */
export const lateFor = (job: Job, forecast: Pick<FrozenForecast, 'id' | 'at'>): number =>
  job.runs.filter(
    (r) =>
      r.source !== 'simulated' &&
      !r.excluded &&
      ![forecast, ...job.forecasts].some((frozen) => wasFrozenBefore(job, frozen, r)),
  ).length;

/** Two chains that grew out of one: theirs, with what only mine tells behind it. */
export function joinChains(mine: readonly ChainEntry[], theirs: readonly ChainEntry[]): ChainEntry[] {
  let common = 0;
  while (common < mine.length && mine[common]!.hash === theirs[common]?.hash) common++;
  const known = new Set(theirs.map(({ hash: _, ...told }) => canonical(told)));
  const told = mine.slice(common).map(({ hash: _, ...rest }): ToldEntry => rest);
  return appended(
    theirs,
    told.filter((one) => !known.has(canonical(one))),
  );
}

/** Whether a frozen forecast still is what was hashed when it was frozen. */
export const isUntouched = ({ id: _id, hash, ...body }: FrozenForecast): boolean =>
  sha(canonical(body)) === hash;

/** Enters what is there now for each of these, where the chain tells otherwise: two changes were brought together. */
export function settleChain(job: Job, of: readonly Pick<Doubt, 'what' | 'id'>[], at: string): Job {
  const is = evidenceOf(job);
  const told = of.flatMap(({ what, id }): ToldEntry[] => {
    if (what === 'chain') return [];
    const item = is.get(keyOf({ what, id }));
    return [
      { what, id, did: item ? 'changed' : 'removed', at, content: item ? contentOf(item.thing) : null },
    ];
  });
  return told.length > 0 ? { ...job, chain: appended(job.chain ?? [], told) } : job;
}

const NAMES = { run: 'run', forecast: 'frozen forecast', decision: 'decision' } as const;
/** A thing by its kind and its own time, e.g. `run of 2026-11-04 10:05 UTC`. */
const nameOf = (what: ChainEntry['what'], thing: object): string =>
  `${NAMES[what]}${'at' in thing ? ` of ${String(thing.at).slice(0, 16).replace('T', ' ')} UTC` : ''}`;

/** What of a job's evidence was changed, taken out or slipped in outside of Kymar, each named. */
export function doubtsOf(job: Job): Doubt[] {
  const found: Doubt[] = [];
  const doubt = (what: Doubt['what'], id: string, words: string) => found.push({ what, id, words });
  for (const forecast of job.forecasts)
    if (!untouched(forecast))
      doubt(
        'forecast',
        forecast.id,
        `The forecast frozen on ${forecast.at.slice(0, 10)} was changed afterwards: it no longer fits its own hash.`,
      );
  const { chain } = job;
  if (!chain) return found;
  const broken = brokenAt(chain);
  if (broken !== null)
    doubt(
      'chain',
      `entry-${broken + 1}`,
      `The chain of evidence is broken at entry ${broken + 1} of ${chain.length}: entries were changed, removed or put in another order.`,
    );
  const last = new Map(chain.map((entry) => [keyOf(entry), entry]));
  const is = evidenceOf(job);
  for (const [key, { what, id, thing }] of is) {
    const entry = last.get(key);
    if (found.some((d) => d.what === what && d.id === id)) continue;
    if (!entry || entry.did === 'removed')
      doubt(
        what,
        id,
        `The ${nameOf(what, thing)} was put into the file outside of Kymar: the chain of evidence does not know it.`,
      );
    else if (entry.content !== contentOf(thing))
      doubt(
        what,
        id,
        `The ${nameOf(what, thing)} was changed after it was kept on ${entry.at.slice(0, 10)}: it no longer fits the chain of evidence.`,
      );
  }
  for (const [key, { what, id, at, did }] of last)
    if (did !== 'removed' && !is.has(key))
      doubt(
        what,
        id,
        `A ${NAMES[what]} kept on ${at.slice(0, 10)} was taken out of the file outside of Kymar.`,
      );
  return found;
}

const intact = new WeakMap<FrozenForecast, boolean>();
function untouched(forecast: FrozenForecast): boolean {
  const had = intact.get(forecast);
  if (had !== undefined) return had;
  const is = isUntouched(forecast);
  intact.set(forecast, is);
  return is;
}

const breaks = new WeakMap<readonly ChainEntry[], number | null>();
/** Index of the first entry that does not follow from the one before; null when all do. */
function brokenAt(chain: readonly ChainEntry[]): number | null {
  const had = breaks.get(chain);
  if (had !== undefined) return had;
  const at = chain.findIndex(({ hash, ...told }, i) => linked(told, chain[i - 1]).hash !== hash);
  const found = at < 0 ? null : at;
  breaks.set(chain, found);
  return found;
}
