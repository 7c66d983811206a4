import {
  buysWords,
  partsOf,
  pricesFor,
  searchedPlaces,
  type Candidate,
  type Wanted,
} from '@kymar/core/choice';
import { withBuild, type ChoiceRecord, type Job } from '@kymar/core/job';
import type { Shop } from '@kymar/core/catalog/parts';
import { newId } from '../state/id';
import { changeJob } from '../state/jobs';
import type { Overview } from '../workers';

/** What is told of one answer beside is no longer than this: a job may be on many machines. */
const MOST_WORDS = 1000;

/** What is put on record of a choice: what was taken, what stood beside, what fell out and why, at which prices. */
function recordOf(
  { candidate, words, device }: Taking,
  found: Beside,
  wanted: Wanted,
  shop: Shop,
): ChoiceRecord {
  const known = pricesFor(wanted, shop);
  const prices = partsOf(candidate.build, candidate.elsewhere).flatMap(({ key, count }) => {
    const price = known.get(key);
    if (!price) return [];
    const { on, seller } = price.by;
    return [{ of: key, on, each: price.each, count, ...(seller ? { seller } : {}) }];
  });
  return {
    id: newId('choice'),
    at: new Date().toISOString(),
    device,
    taken: { words, cost: candidate.cost },
    reason: found.answers.find((a) => a.id === candidate.id)?.reason ?? '',
    currency: wanted.currency,
    beside: found.answers
      .filter((a) => a.id !== candidate.id)
      .map((other) => ({
        kind: other.kind,
        words: other.words,
        cost: other.money,
        why: buysWords(other, candidate, wanted, 'what was taken').slice(0, MOST_WORDS),
      })),
    works: found.works,
    meets: found.meets,
    fallen: found.reasons.slice(0, 60).map(({ words: said, count }) => ({ words: said, count })),
    prices,
  };
}

/** What stood beside what was taken. */
type Beside = Pick<Overview, 'answers' | 'works' | 'meets' | 'reasons'>;

interface Taking {
  candidate: Candidate;
  words: string;
  /** The device it is for, by id. */
  device: string;
}

/** A job with a build at every place the device works. */
const placed = (job: Job, device: string, { build, elsewhere }: Candidate): Job =>
  searchedPlaces(job, device).reduce(
    (next, place, i) => withBuild(next, place, { ...build, ...(i === 0 ? {} : elsewhere[i - 1]) }),
    job,
  );

/** What is taken, and what it was chosen out of. */
interface Taken extends Taking {
  found: Beside;
  wanted: Wanted;
}

/** Puts builds into the job at every place their devices work, with what was rejected on record; one step to undo. */
export function take(job: Job, taken: readonly Taken[], shop: Shop): void {
  const records = taken.map(({ found, wanted, ...taking }) => recordOf(taking, found, wanted, shop));
  changeJob(job.id, (now) => {
    const built = taken.reduce((next, { device, candidate }) => placed(next, device, candidate), now);
    return { ...built, choices: [...(built.choices ?? []), ...records] };
  });
}
