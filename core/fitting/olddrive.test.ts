import { demoJobs } from '../demo';
import { situationAt } from '../forecast';
import { handover, oldDriveReceipt, toMarkdown } from '../handover';
import { OLD_FATES, placesOf, type Job, type OldDrive } from '../job';
import { verdict } from '../verdict';
import { checklist } from '.';

const [offload] = demoJobs() as [Job];
const withOld = (old?: OldDrive): Job => ({
  ...offload,
  chain: undefined,
  devices: offload.devices.map((d, i) => (i === 0 && old ? { ...d, needs: { ...d.needs, old } } : d)),
});
const steps = (old?: OldDrive) => checklist(situationAt(withOld(old), placesOf(offload)[0]!)!);
const ids = (old?: OldDrive) => steps(old).map(({ id }) => id);

test('a failing source: it rests until the new drive stands ready, then what matters most first, with when to stop', () => {
  const failing = steps({ state: 'failing' });
  const at = (id: string) => failing.findIndex((step) => step.id === id);
  expect(at('failing-rest')).toBe(0);
  expect(at('failing-copy')).toBeGreaterThan(at('failing-rest'));
  // No second copy is asked for, nor a comparison with what can hardly be read.
  expect(at('contents')).toBe(-1);
  expect(failing[at('failing-copy')]!.caution).toMatch(
    /^Stop when its rate falls below a tenth .* recovery lab/,
  );
  expect(ids({ state: 'sound' }).filter((id) => id.startsWith('failing'))).toEqual([]);
  expect(ids().filter((id) => /^(failing|old)-/.test(id))).toEqual([]);
  // Whoever names an old drive has contents to move.
  expect(ids({ name: 'Old one' })).toContain('contents');
});

test.each(Object.keys(OLD_FATES) as (keyof typeof OLD_FATES)[])(
  'an old drive that is %s: one step of its own at the end, its line in the handover, a receipt',
  (then) => {
    expect(ids({ then }).filter((id) => id.startsWith('old-'))).toEqual([`old-${then}`]);
    const job = withOld({ then, name: 'Lindor 500', serial: 'LX-4', state: 'failing' });
    expect(toMarkdown(handover(job, verdict(job)), 'customer')).toContain(
      `The old drive, Lindor 500: to be ${OLD_FATES[then]}.`,
    );
    const receipt = (of: Job) => toMarkdown(oldDriveReceipt(of, of.devices[0]!, '2026-12-02')!, 'customer');
    for (const said of ['Lindor 500', 'LX-4', 'It was failing', 'not yet done'])
      expect(receipt(job)).toContain(said);
    const fittings = [
      { device: job.devices[0]!.id, steps: [{ id: `old-${then}`, at: '2026-12-01T10:00:00.000Z' }] },
    ];
    expect(receipt({ ...job, fittings })).toContain('on 1 December 2026');
    // What can still be read is said to be there: until it is done that is all of it.
    expect(receipt(job)).toContain('still on it');
    const changed = withOld({ then: then === 'kept' ? 'wiped' : 'kept', name: 'Lindor 500' });
    expect(receipt({ ...changed, fittings })).toContain('not yet done');
    const isDone = { ...job, fittings };
    expect(receipt(isDone).includes('still on it')).toBe(then === 'kept' || then === 'returned');
    expect(receipt(isDone).includes('cannot be read back')).toBe(then === 'wiped' || then === 'destroyed');
    expect(toMarkdown(handover(isDone, verdict(isDone)), 'customer')).toContain(
      `Lindor 500: ${OLD_FATES[then]}.`,
    );
  },
);

test('nobody said what becomes of it: no receipt', () => {
  const job = withOld({ name: 'Lindor 500' });
  expect(oldDriveReceipt(job, job.devices[0]!, '2026-12-02')).toBeNull();
});
