import fc from 'fast-check';
import { jStat } from 'jstat';
import { demoJobs } from '../demo';
import { caseOf, situationOf, type Case } from '../forecast';
import { briefAt, placesOf, type Job } from '../job';
import { MODEL_SIGMA } from '../verdict';
import { seenUnder } from './look';
import { CAUSES, logsUnder, LOOKS, NONE, pairOf, score, type Evidence } from '.';
import { bells } from './fit';
import { runs } from '../fixtures/draws';

const normal = (x: number, sigma: number): number =>
  -((x / sigma) ** 2) / 2 - Math.log(sigma * Math.sqrt(2 * Math.PI));
const meanOf = (logs: Float64Array): number => logs.reduce((sum, l) => sum + Math.exp(l), 0) / logs.length;

describe('how probable times are among draws', () => {
  test('of one draw alone: the product of the normal densities of what was timed', () => {
    const number = fc.double({ min: -3, max: 3, noNaN: true });
    const sigma = fc.double({ min: 0.02, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(number, number, sigma), { minLength: 1, maxLength: 6 }), (list) => {
        const rows = list.map(([draw]) => Float64Array.of(draw));
        const times = list.map(([, log, s]) => ({ log, sigma: s }));
        const wanted = list.reduce((sum, [draw, log, s]) => sum + normal(log - draw, s), 0);
        expect(bells(rows, times).at()[0]).toBeCloseTo(wanted, 6);
      }),
      runs(100),
    );
  });

  test('of many draws of a normal: its density, widened by the scatter of what was timed', () => {
    const draws = Float64Array.from({ length: 4000 }, (_, i) => jStat.normal.inv((i + 0.5) / 4000, 2, 0.4));
    for (const log of [1.2, 1.7, 2, 2.6]) {
      const found = meanOf(bells([draws], [{ log, sigma: 0.1 }]).at());
      expect(found / Math.exp(normal(log - 2, Math.hypot(0.4, 0.1)))).toBeCloseTo(1, 1);
    }
  });

  test('a shift of the draws is the same shift of what was timed, the other way', () => {
    const rows = [Float64Array.of(1, 2, 4), Float64Array.of(0, 3, 1)];
    const at = (one: number, two: number) => [
      { log: one, sigma: 0.2 },
      { log: two, sigma: 0.3 },
    ];
    const shifted = [...bells(rows, at(2, 2)).at([0.5, -1])];
    [...bells(rows, at(1.5, 3)).at()].forEach((log, i) => expect(shifted[i]).toBeCloseTo(log, 9));
  });

  test('one unit twice: both times off alike is far more probable than one off this way, one that way', () => {
    const draws = Float64Array.from({ length: 200 }, (_, i) => jStat.normal.inv((i + 0.5) / 200, 0, 0.5));
    const both = (one: number, two: number) =>
      meanOf(
        bells(
          [draws, draws],
          [one, two].map((log) => ({ log, sigma: 0.06 })),
        ).at(),
      );
    expect(both(0.4, 0.4)).toBeGreaterThan(1e6 * both(0.4, -0.4));
  });
});

describe('what was timed under several looks', () => {
  const [job] = demoJobs() as [Job];
  const situation = situationOf(briefAt(job, placesOf(job)[0]!)!)!;
  const cases = situation.activities
    .filter(({ kind }) => kind === 'move')
    .map(({ id }) => caseOf(situation, id));
  const reading = cases.find(({ activity }) => 'direction' in activity && activity.direction === 'read')!;
  const look = (id: string) => LOOKS.find((one) => one.id === id)!;
  const cause = (id: string) => CAUSES.find((one) => one.id === id)!;
  const base = { title: '', toBar: false, off: 1, samples: [] };
  const timed = (of: Case, id: string | null, log: number): Evidence => ({
    ...base,
    of,
    look: id === null ? undefined : look(id),
    time: { log, sigma: MODEL_SIGMA },
    seen: null,
  });
  const healthy = (id: string | null) =>
    logsUnder(null, reading, { look: id === null ? undefined : look(id), toBar: false })![70]!;

  test('reading that stays nine times as long whatever is replaced is something nobody thought of', () => {
    const looks = [null, 'swap cable', 'other machine', 'other device', 'synthetic', 'one file'];
    const evidence = looks.map((id) => timed(reading, id, healthy(id) + Math.log(9)));
    expect(score(evidence)[0]!.id).toBe(NONE);
    // As it is built alone, it may be any of many.
    expect(score(evidence.slice(0, 1))[0]!.id).not.toBe(NONE);
  });

  test('a cause that hides by itself is found beside a second one that lets it show', () => {
    const pair = pairOf(cause('another device on the uplink'), cause('usb-2 cable'), 130);
    const looks = [null, 'swap cable', 'synthetic'];
    const evidence = cases.flatMap((of) =>
      looks.map((id) =>
        timed(of, id, logsUnder(pair, of, { look: id === null ? undefined : look(id), toBar: false })![120]!),
      ),
    );
    const link = look('look at the link');
    const seen = seenUnder(link, pair, reading)!;
    expect(seen).toBe('usb-2');
    const scored = score([...evidence, { ...base, of: reading, look: link, time: null, seen }]);
    expect(scored.slice(0, 3).map(({ id }) => id)).toContain(pair.id);
    expect(scored[0]!.cause?.both?.map(({ id }) => id)).toContain('usb-2 cable');
  });

  test('what changes a part comes before what scales a figure, whichever is named first', () => {
    const pair = pairOf(cause('usb-2 cable'), cause('another device on the uplink'), 130);
    const slower = (id: string | null) =>
      logsUnder(id === null ? pair : cause(id), reading, { look: look('synthetic'), toBar: false })![70]!;
    // Half of what USB 2.0 carries, not USB 2.0 beside half of the quick link.
    expect(slower(null) - slower('usb-2 cable')).toBeGreaterThan(Math.log(1.5));
  });
});
