import type { Run } from '../job';
import { edited, isTyped, saidBy } from './edit';

const run = (source: Run['source'], more: Partial<Run> = {}): Run => ({
  id: 'one',
  at: '2026-10-02T08:00:00.000Z',
  activity: 'copy',
  direction: 'write',
  otherEnd: 'storage',
  source,
  measure: {
    kind: 'timed',
    bytes: 182e9,
    files: 410,
    seconds: 371,
    error: 0.1,
    correction: 0,
    laps: [],
    block: null,
    depth: null,
  },
  path: null,
  conditions: {
    note: 'warm room',
    temperature: 44,
    cold: null,
    target: null,
    memoryBacked: false,
    lid: 'open',
  },
  ended: 'done',
  samples: [],
  ...more,
});
const conditions = { note: 'cool room', temperature: null, cold: true, mains: true };

describe('a run edited', () => {
  test('takes what is true, and keeps what it said with the reason, every time', () => {
    const measure = { bytes: 128e9, files: 410, seconds: 371 };
    const once = edited(
      run('stopwatch'),
      { measure, conditions },
      ' digits swapped ',
      '2026-10-03T09:00:00.000Z',
    );
    expect(once.measure).toMatchObject({ ...measure, error: 0.1 });
    // What is not stated any more is gone: the lid nobody noted.
    expect(once.conditions).toEqual({ ...conditions, target: null, memoryBacked: false });
    expect(once.edited).toEqual([
      {
        at: '2026-10-03T09:00:00.000Z',
        reason: 'digits swapped',
        was: '6 min 11 s, 182 GB, 410 files, 44 °C at the start, lid open, warm room',
      },
    ]);
    const twice = edited(once, { conditions }, 'again', '2026-10-04T09:00:00.000Z');
    expect(twice.edited).toHaveLength(2);
    expect(twice.edited![1]!.was).toBe(saidBy(once));
    expect(twice.measure).toEqual(once.measure);
  });

  test('of what a clock or a counter said only what stands beside', () => {
    for (const source of ['real', 'watched', 'simulated'] as const) {
      expect(isTyped(run(source))).toBe(false);
      expect(() =>
        edited(run(source), { measure: { bytes: 1, files: null, seconds: 1 }, conditions }, 'why', ''),
      ).toThrow(/set the run aside/);
      expect(edited(run(source), { conditions }, 'why', '').measure).toEqual(run(source).measure);
    }
  });
});
