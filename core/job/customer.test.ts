import { demoJobs } from '../demo';
import { checkJob, customersOf, sameCustomer, type Job } from '.';

const [demo] = demoJobs() as [Job];
const of = (id: string, customer: string, more: Partial<Job> = {}): Job => ({
  ...demo,
  id,
  customer,
  ...more,
});

test('a customer is found again however the name is typed, and reached as the newest job says', () => {
  const jobs = [
    of('a', 'Harbour Film', { changed: '2031-01-01T10:00:00.000Z', contact: '0421 77' }),
    of('b', ' harbour  film', { changed: '2031-03-01T10:00:00.000Z' }),
    of('c', 'Harbour Film', { changed: '2031-02-01T10:00:00.000Z', contact: 'desk@harbour.example' }),
    of('d', 'Zander Maps'),
    of('e', '  '),
  ];
  expect(customersOf(jobs)).toEqual([
    { name: 'harbour  film', contact: 'desk@harbour.example', jobs: [jobs[1], jobs[2], jobs[0]] },
    { name: 'Zander Maps', contact: '', jobs: [jobs[3]] },
  ]);
  expect(customersOf([])).toEqual([]);
  expect(sameCustomer('Harbour Film', 'HARBOUR film ')).toBe(true);
  expect(sameCustomer('Harbour Film', 'Harbour Films')).toBe(false);
});

test('how to reach a customer is part of a job, and may be left out', () => {
  expect(checkJob({ ...demo, contact: '0421 77' }).ok).toBe(true);
  expect(checkJob({ ...demo, contact: 'x'.repeat(201) }).ok).toBe(false);
});
