import { historyOf, unitOf } from '@kymar/core/choice/prices';
import { partsOf, type Candidate, type Wanted } from '@kymar/core/choice/search';
import { placesOf, withBuild, type ChoiceRecord, type Job } from '@kymar/core/job';
import type { Price, Shop } from '@kymar/core/catalog/parts';
import { newId } from '../state/id';
import { changeJob } from '../state/jobs';
import type { Overview } from '../workers';

/** What is put on record of a choice: what was taken, what stood beside, what fell out and why, at which prices. */
function recordOf(
  { candidate, words, device }: Taking,
  found: Overview,
  wanted: Wanted,
  shop: Shop,
): ChoiceRecord {
  const history: ReadonlyMap<string, Price[]> =
    wanted.currency === null ? new Map<string, Price[]>() : historyOf(shop.prices, wanted.currency);
  const prices = partsOf(candidate.build, candidate.elsewhere).flatMap(({ key, count }) => {
    const price = history.get(key)?.[0];
    return price
      ? [
          {
            of: key,
            on: price.on,
            each: unitOf(price),
            count,
            ...(price.seller ? { seller: price.seller } : {}),
          },
        ]
      : [];
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
      .map(({ kind, words: said, money }) => ({ kind, words: said, cost: money })),
    works: found.works,
    meets: found.meets,
    fallen: found.reasons.slice(0, 60).map(({ words: said, count }) => ({ words: said, count })),
    prices,
  };
}

interface Taking {
  candidate: Candidate;
  words: string;
  /** The device it is for, by id. */
  device: string;
}

/** A job with a build at every place the device works. */
export function placed(job: Job, device: string, { build, elsewhere }: Candidate): Job {
  const working = placesOf(job).filter(
    (place) =>
      place.device === device &&
      job.activities.some(
        (a) =>
          (a.device ?? job.devices[0]?.id ?? device) === device &&
          (a.machine ?? job.machines[0]?.id) === place.machine,
      ),
  );
  return working.reduce(
    (next, place, i) => withBuild(next, place, { ...build, ...(i === 0 ? {} : elsewhere[i - 1]) }),
    job,
  );
}

/** Puts a build into the job at every place the device works, with what was rejected on record. */
export function take(job: Job, taking: Taking, found: Overview, wanted: Wanted, shop: Shop): void {
  const record = recordOf(taking, found, wanted, shop);
  changeJob(job.id, (now) => {
    const built = placed(now, taking.device, taking.candidate);
    return { ...built, choices: [...(built.choices ?? []), record] };
  });
}
