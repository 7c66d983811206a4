import { SHOP } from '../catalog/stock';
import { demoJobs } from '../demo';
import { caseOf, contentsOn, forecast, situationOf, type Situation } from '../forecast';
import { briefAt, placesOf, type Job, type Move } from '../job';
import { recipes, briefOf } from '../fixtures/recipes';
import { onJob } from '../fixtures/forecast';
import {
  benchOf,
  checklist,
  nextStep,
  PHASES,
  returnUntil,
  searchMissing,
  shopWork,
  STEPS,
  truthfulAnswers,
} from '.';
import { format } from '../units';

const jobs = demoJobs();
const situations = jobs.flatMap((job: Job) =>
  placesOf(job).flatMap((place): { name: string; situation: Situation }[] => {
    const situation = situationOf(briefAt(job, place)!);
    return situation ? [{ name: `${job.id} ${place.device}`, situation }] : [];
  }),
);
const [offload, scans] = situations;
const ids = (situation: Situation) => checklist(situation).map(({ id }) => id);
const withNeeds = (situation: Situation, needs: Situation['needs']): Situation => ({
  ...situation,
  needs: { ...situation.needs, ...needs },
});

describe('the contents on their way over', () => {
  const time = (bytes: number, verify = false) => contentsOn(offload!.situation, bytes, verify)!;
  test('more takes longer, comparing too; the same as a copy of so much in the forecast', () => {
    expect(time(4e11).expected).toBeGreaterThan(time(2e11).expected);
    expect(time(2e11, true).expected).toBeGreaterThan(time(2e11).expected * 1.2);
    const { low, expected, high } = time(2e11);
    expect(low).toBeLessThan(expected);
    expect(expected).toBeLessThan(high);
    const work = offload!.situation.activities.find(
      (a): a is Move => a.kind === 'move' && a.direction === 'write',
    )!;
    const same: Move = {
      ...work,
      verify: false,
      besides: [],
      bytes: { value: 2e11, source: { kind: 'entered' } },
    };
    // Of the same files for their size as the brief's largest copy.
    const count = (same.files.value as number) * (2e11 / (work.bytes.value as number));
    same.files = { ...same.files, value: Math.round(count) };
    delete same.sizes;
    const alone = { ...offload!.situation, activities: [same] };
    expect(forecast(caseOf(alone, same.id)).figure.expected).toBeCloseTo(expected, 6);
  });
});

describe('the checklist', () => {
  test('is in the order of the work, each step once, with words for every build of the demo and of the fixtures', () => {
    const all = [
      ...situations.map((s) => s.situation),
      ...recipes.jobs.filter((r) => !r.slow).map((r) => onJob(briefOf(r))),
    ];
    expect(new Set(STEPS.map(({ id }) => id)).size).toBe(STEPS.length);
    for (const situation of all) {
      const steps = checklist(situation);
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
      const phases = steps.map(({ phase }) => PHASES.indexOf(phase));
      expect(phases).toEqual([...phases].sort((a, b) => a - b));
      for (const { title, how, caution } of steps)
        for (const words of [title, how, caution ?? ''])
          expect(words).not.toMatch(/undefined|null|NaN|\[object|  /);
    }
  });

  test('what is outside gets a port and a cable, and no mains; what is inside the other way about', () => {
    const outside = ids(offload!.situation);
    expect(outside).toContain('plug');
    expect(outside).toContain('eject');
    expect(outside).not.toContain('mains');
    const inside = situations.find(({ situation }) => benchOf(situation).inside)!;
    const steps = checklist(inside.situation);
    expect(steps.map(({ id }) => id)).toEqual(expect.arrayContaining(['mains', 'static', 'bare', 'closed']));
    expect(steps.map(({ id }) => id)).not.toContain('plug');
    expect(steps.find(({ id }) => id === 'mains')!.caution).toMatch(
      /^Local electrical codes, the maker’s instructions and licensed or certified practice come first\./,
    );
  });

  test('an array has its members written down, is tried with one missing, and has an alarm and a spare; a stripe has nothing to try', () => {
    const inside = situations.find((s) => benchOf(s.situation).inside)!.situation;
    const as = (mode: 'mirror' | 'stripe') =>
      ids({ ...inside, build: { ...inside.build, together: 2, array: { mode, by: 'firmware' as const } } });
    const tried = ['build-array', 'pull-one', 'alarm', 'spare'];
    expect(as('mirror')).toEqual(expect.arrayContaining(['members', ...tried]));
    expect(as('stripe')).toContain('members');
    expect(as('stripe').filter((id) => tried.includes(id))).toEqual([]);
    // Compared with what the system is about to erase is the array's own size.
    const built = (mode: 'mirror' | 'stripe') => ({
      ...inside,
      build: { ...inside.build, together: 2, array: { mode, by: 'firmware' as const } },
    });
    const [whole, doubled] = [benchOf(built('mirror')).size!, benchOf(built('stripe')).size!];
    expect(doubled).toBe(2 * whole);
    // What an enclosure stops at is a member's.
    expect(benchOf(built('stripe')).capacity).toBe(whole);
    const told = checklist(built('stripe')).find(({ id }) => id === 'right-one')!.how;
    expect(told).toContain(format(doubled, 'B', 4));
    // Two drives are more hands than one.
    expect(shopWork(built('stripe')).fitting).toBeGreaterThan(shopWork(inside).fitting);
    expect(shopWork({ ...inside, activities: [] }).bench).toBe(0);
  });

  test('what a machine formats itself gets no partition and no file system, and is said to be erased', () => {
    const { situation } = offload!;
    const recorder = { ...situation, needs: { ...situation.needs, systems: ['own' as const] } };
    const steps = ids(recorder);
    expect(steps).toContain('formats-itself');
    expect(steps.filter((id) => ['partition', 'file-system', 'format', 'encrypt'].includes(id))).toEqual([]);
    expect(ids(situation)).not.toContain('formats-itself');
    expect(ids(situation)).toContain('encrypt');
    expect(ids(withNeeds(situation, { portable: false }))).not.toContain('encrypt');
  });

  /** A build on a port that takes the lanes of another. */
  const host = SHOP.hosts.find(({ ports }) => ports.some(({ switchesOff }) => switchesOff?.length))!;
  const port = host.ports.find(({ switchesOff }) => switchesOff?.length)!;
  const onTaken: Situation = {
    ...offload!.situation,
    host,
    build: { ...offload!.situation.build, bridge: null, cable: null, port: port.id },
  };

  test('ports that go dead with it are looked at before', () => {
    const [dead] = port.switchesOff!.map((id) => host.ports.find((p) => p.id === id)!.position);
    expect(checklist(onTaken).find(({ id }) => id === 'ports-off')!.title).toContain(dead);
    expect(ids(offload!.situation)).not.toContain('ports-off');
  });

  test('every step is needed by some build', () => {
    const drives = SHOP.drives.flatMap((drive) => {
      const { situation } = offload!;
      return [{ ...situation, build: { ...situation.build, drive, bridge: null } }];
    });
    const roles = (
      ['system', 'projects', 'scratch', 'library', 'archive', 'backup', 'expansion'] as const
    ).flatMap((role) => situations.map(({ situation }) => withNeeds(situation, { role })));
    const fixtures = recipes.jobs.filter((r) => !r.slow).map((r) => onJob(briefOf(r)));
    const seen = new Set(
      [...drives, ...roles, ...fixtures, ...situations.map((s) => s.situation)].flatMap(ids),
    );
    // What no part in stock needs is tried by hand.
    const { situation } = offload!;
    const padless = {
      ...situation,
      build: {
        ...situation.build,
        bridge: { ...situation.build.bridge!, trim: false, cooling: 'metal with pad' as const },
      },
    };
    const inside = situations.find((s) => benchOf(s.situation).inside)!.situation;
    const array = { mode: 'mirror' as const, by: 'firmware' as const };
    const paired = { ...inside, build: { ...inside.build, together: 2, array } };
    const replacing = (['kept', 'wiped', 'returned', 'destroyed'] as const).map((then) => ({
      ...inside,
      needs: { ...inside.needs, old: { state: 'failing' as const, then } },
    }));
    for (const one of [padless, paired, onTaken, ...replacing]) ids(one).forEach((id) => seen.add(id));
    expect(STEPS.map(({ id }) => id).filter((id) => !seen.has(id))).toEqual([]);
  });

  const step = (situation: Situation, id: string) => checklist(situation).find((s) => s.id === id)!;

  test('partition table, file system, allocation unit and kind of format, each with its reason', () => {
    const { situation } = offload!;
    expect(step(situation, 'partition').title).toBe('Partition table: GPT');
    const asked = withNeeds(situation, { table: 'MBR', fileSystem: 'NTFS' });
    expect(step(asked, 'partition')).toMatchObject({
      title: 'Partition table: MBR',
      how: expect.stringContaining('the brief asks for it') as string,
    });
    expect(step(asked, 'file-system').title).toBe('File system: NTFS');
    const both = withNeeds(situation, { systems: ['Windows', 'macOS'] });
    expect(step({ ...both, host: { ...both.host, systems: [] } }, 'file-system').title).toBe(
      'File system: exFAT',
    );
    const own = withNeeds(
      { ...situation, host: { ...situation.host, systems: [{ family: 'macOS' }] } },
      { systems: [], fileSystem: undefined, policies: { fileSystem: 'the system’s own' } },
    );
    expect(step(own, 'file-system').title).toBe('File system: APFS');
    const none = { ...situation, host: { ...situation.host, systems: [] }, needs: {} };
    expect(step(none, 'file-system').title).toBe('File system: to be settled');
    expect(step(situation, 'format').title).toBe('Quick format');
    expect(step(withNeeds(situation, { formatFirst: true }), 'format').title).toBe('Full format');
    const disk = situations.find((s) => s.situation.build.drive.media === 'disk')!;
    expect(step(withNeeds(disk.situation, { role: 'archive' }), 'format').title).toBe('Full format');
    expect(
      step(withNeeds(disk.situation, { role: 'everyday', onlyCopy: false, formatFirst: false }), 'format')
        .title,
    ).toBe('Quick format');
  });

  test('what comes next is the first that is neither done nor left out', () => {
    const steps = checklist(scans!.situation);
    const fitting = (count: number) => ({
      device: 'device-1',
      steps: steps
        .slice(0, count)
        .map(({ id }, i) => ({
          id,
          at: '2031-01-02T10:00:00.000Z',
          ...(i === 1 ? { skipped: 'no need' } : {}),
        })),
    });
    expect(nextStep(steps, undefined)!.id).toBe(steps[0]!.id);
    expect(nextStep(steps, fitting(2))!.id).toBe(steps[2]!.id);
    expect(nextStep(steps, fitting(steps.length))).toBeNull();
  });

  test('the last day to send it back, over months and leap years', () => {
    expect(returnUntil({ bought: '2032-02-20', returnDays: 14 })).toBe('2032-03-05');
    expect(returnUntil({ bought: '2031-12-30', returnDays: 30 })).toBe('2032-01-29');
    expect(returnUntil({ bought: '2031-12-30' })).toBeNull();
  });
});

describe('it does not appear', () => {
  test('whatever the cause, honest answers leave it among few, each look narrows, and it ends', () => {
    for (const { situation } of situations) {
      const bench = benchOf(situation);
      for (const { id: cause } of searchMissing(bench, {}).causes) {
        const paths: Record<string, string>[] = [{}];
        let ended = 0;
        while (paths.length > 0) {
          const answers = paths.pop()!;
          const { causes, next } = searchMissing(bench, answers);
          expect(causes.map(({ id }) => id)).toContain(cause);
          if (!next) {
            ended++;
            expect(causes.length).toBeLessThanOrEqual(4);
            continue;
          }
          expect(Object.keys(answers).length).toBeLessThan(9);
          for (const answer of truthfulAnswers(next.id, cause)) paths.push({ ...answers, [next.id]: answer });
        }
        expect(ended).toBeGreaterThan(0);
      }
    }
  });

  test('a look that tells nothing more is not asked for', () => {
    const bench = benchOf(offload!.situation);
    const { causes, next } = searchMissing(bench, { light: 'yes', listed: 'blank', owner: 'no' });
    expect(causes.map(({ id }) => id)).toEqual(['blank']);
    expect(next).toBeNull();
  });
});
