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
  const prices = partsOf(candidate.build, candidate.elsewhere).flatMap(({ key }) => {
    const price = history.get(key)?.[0];
    return price
      ? [{ of: key, on: price.on, each: unitOf(price), ...(price.seller ? { seller: price.seller } : {}) }]
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

/** Puts a build into the job at every place the device works, with what was rejected on record. */
export function take(job: Job, taking: Taking, found: Overview, wanted: Wanted, shop: Shop): void {
  const { candidate, device } = taking;
  const record = recordOf(taking, found, wanted, shop);
  changeJob(job.id, (now) => {
    const places = placesOf(now).filter((place) => place.device === device);
    const working = places.filter((place) =>
      now.activities.some(
        (a) =>
          (a.device ?? now.devices[0]?.id ?? place.device) === device &&
          (a.machine ?? now.machines[0]?.id) === place.machine,
      ),
    );
    const built = working.reduce((next, place, i) => {
      const how = i === 0 ? {} : candidate.elsewhere[i - 1];
      return withBuild(next, place, { ...candidate.build, ...how });
    }, now);
    return { ...built, choices: [...(built.choices ?? []), record] };
  });
}
