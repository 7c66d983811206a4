import { demoJobs } from '@kymar/core/demo';
import type { Job } from '@kymar/core/job';
import { jobsOf, sentTo, type Sent } from './sent';

describe('jobs that are named to a worker', () => {
  const [one, other] = demoJobs() as [Job, Job];
  /** A page and its worker: what is sent is cloned on the way. */
  function ends() {
    const [holds, held] = [new Map<string, number>(), new Map<string, Job>()];
    return (jobs: readonly Job[]) => {
      const sent = structuredClone(sentTo(holds, jobs)) as Sent[];
      return { sent, found: jobsOf(held, sent) };
    };
  }

  test('are sent once, and found as the same object for as long as they do not change', () => {
    const ask = ends();
    const first = ask([one, other]);
    expect(first.found).toEqual([one, other]);
    const again = ask([one, { ...other, title: 'Changed' }]);
    expect(again.sent.map(({ job }) => job?.title)).toEqual([undefined, 'Changed']);
    expect(again.found[0]).toBe(first.found[0]);
    expect(again.found[1]!.title).toBe('Changed');
  });

  test('removed and brought back are sent again: the worker has let them go', () => {
    const ask = ends();
    ask([one, other]);
    ask([one]);
    expect(ask([one, other]).found).toEqual([one, other]);
  });
});
