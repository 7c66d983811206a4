import { SHOP } from '../../catalog/stock';
import type { Shop } from '../../catalog/parts';
import { demoJobs } from '../../demo';
import { placesOf, type Job, type Move } from '../../job';
import { quantile } from '../../stats';
import { answers, Finalists } from './answer';
import { searchAll } from './search';
import { settles, settlesAll, type Settled } from './settles';
import { settlesWords } from './words';
import { wantedOf, type Wanted } from './wanted';
import { sampled, whole } from '../../fixtures/draws';

const [offload] = demoJobs() as [Job, Job, Job, Job];
const SMALL: Shop = {
  ...SHOP,
  drives: SHOP.drives.filter((d) => d.media === 'flash').filter((_, i) => i % 3 === 0),
  bridges: SHOP.bridges.filter((_, i) => i % 4 === 0),
};

const wantedWith = (change: (move: Move) => Move, probability = 0.9): Wanted => {
  const activities = offload.activities
    .filter((a): a is Move => a.kind === 'move')
    .slice(0, 1)
    .map(change);
  const ids = new Set(activities.map((a) => a.id));
  const connections = offload.connections.map((c) => ({
    ...c,
    work: (c as { work?: string[] }).work?.filter((id) => ids.has(id)),
  }));
  // What a service life rules out is no matter of probabilities.
  const serviceYears = { value: null, source: { kind: 'unknown' as const } };
  const job = { ...offload, activities, connections, serviceYears } as Job;
  const wanted = wantedOf(job, placesOf(job)[0]!.device, { owned: [], currency: 'EUR', shopRanges: {} })!;
  return { ...wanted, probability };
};

function settled(wanted: Wanted): { found: Settled; meets: string | null } {
  const { candidates } = searchAll(wanted, SMALL);
  const finalists = new Finalists(wanted);
  const meets = answers(candidates, finalists, wanted).meets?.candidate.id ?? null;
  return { found: settlesAll(candidates, finalists, wanted), meets };
}

const exact = (value: number) => ({ value, source: { kind: 'entered' as const } });

const open = {
  value: [1e11, 3e11, 1.4e12] as [number, number, number],
  source: { kind: 'entered' as const },
};

describe('what would settle which build to buy', () => {
  test('the build to buy now is the answer of the search; a cheaper one, where it would be sure, costs less', () => {
    for (const target of sampled([900, 2400, 5200])) {
      const wanted = wantedWith((m) => ({ ...m, target, bytes: open }));
      const { found, meets } = settled(wanted);
      expect(found.now?.id ?? null).toBe(meets);
      for (const one of found.list) {
        expect(one.share).toBeLessThanOrEqual(one.changes);
        expect(one.instead?.id).not.toBe(meets);
        expect(one.changes).toBeGreaterThanOrEqual(0.02);
      }
      const rates = found.list.map((one) => one.changes / one.minutes);
      expect(rates).toEqual([...rates].sort((a, b) => b - a));
    }
  });

  whole(
    'how much is copied, told: by searching anew with each amount, another build is the answer as often',
    () => {
      const wanted = wantedWith((m) => ({ ...m, target: 1200, bytes: open }));
      const { found, meets } = settled(wanted);
      const asked = found.list.find(({ id }) => id === 'ask bytes')!;
      const [low, expected, high] = open.value;
      const amounts = Array.from({ length: 16 }, (_, i) => quantile({ low, expected, high }, (i + 0.5) / 16));
      const answersThen = amounts.map((bytes) => {
        const then = wantedWith((m) => ({ ...m, target: 1200, bytes: exact(bytes) }));
        return answers(searchAll(then, SMALL).candidates, new Finalists(then), then).meets?.candidate.build
          .drive;
      });
      const changed = answersThen.filter((drive) => drive?.id !== (found.now?.build.drive.id ?? undefined));
      expect(Math.abs(changed.length / 16 - asked.changes)).toBeLessThan(0.13);
      const counts = new Map<string, number>();
      for (const drive of changed) if (drive) counts.set(drive.id, (counts.get(drive.id) ?? 0) + 1);
      const [most] = [...counts].sort((a, b) => b[1] - a[1]);
      expect(asked.instead?.build.drive.id).toBe(most![0]);
      expect(settlesWords(found, wanted).join()).toMatch(
        /Ask how much is copied in one go \(a minute\): in \d+.% of cases/,
      );
      expect(meets === null).toBe(found.now === null);
    },
  );

  test('where all is known there is nothing to find out; where nothing is on offer neither', () => {
    const wanted = wantedWith((m) => ({ ...m, target: null, bytes: exact(2e11) }));
    expect(settled(wanted).found.list).toEqual([]);
    const none = settles([], new Finalists(wanted), wanted);
    expect(none.next()).toEqual({ done: true, value: { now: null, list: [] } });
  });
});
