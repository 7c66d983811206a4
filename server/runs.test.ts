import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RunEvent, SequentialRequest } from '@kymar/core/measure';
import { Problem } from './problem';
import { Runs, type RunGround } from './runs';
import { NotKept, RecordFiles } from './state';
import type { TargetPlace } from './target';
import { Task } from './task';

/** A run that lasts until it is told otherwise. */
class Held extends Task {
  private settle!: () => void;
  readonly ended = new Promise<void>((resolve) => {
    this.settle = resolve;
  });
  over(): void {
    this.say({ type: 'failed', aborted: false, problem: 'over' });
    this.settle();
  }
  protected stop(): void {
    this.say({ type: 'failed', aborted: true, problem: 'stopped' });
    this.settle();
  }
}

const request = (queue: boolean): SequentialRequest => ({
  kind: 'sequential',
  target: 'here',
  mode: 'write',
  bytes: 1 << 20,
  block: 1048576,
  queue,
});
let state = '';
const begun: Held[] = [];
/** Nothing but what a run needs of a place. */
const ground = (device: string, room = 1e9): RunGround => ({
  place: {
    folder: `/mnt/${device}`,
    devices: [device],
    room,
    reserve: 0,
    problem: null,
  } as unknown as TargetPlace,
  bytes: 1 << 20,
  begin: () => {
    const task = new Held(request(false), device);
    begun.push(task);
    return task;
  },
});
const runs = () => new Runs('', new RecordFiles('runs', state));
const soon = () => new Promise((resolve) => setTimeout(resolve, 30));
const heard = (task: Task): RunEvent[] => {
  const all: RunEvent[] = [];
  task.follow((event) => all.push(event));
  return all;
};

/** A system that keeps nothing for a while. */
class Full extends RecordFiles<never> {
  isFull = true;
  override put(...given: Parameters<RecordFiles<never>['put']>): void {
    if (this.isFull) throw new NotKept('Kymar’s own folder is full');
    super.put(...given);
  }
}

describe('what is kept of a run', () => {
  test('a state folder that is full at its end takes nothing: the result is there, and is written once there is room', async () => {
    jest.useFakeTimers();
    const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    try {
      const records = new Full('runs', state);
      const all = new Runs('', records);
      const task = (await all.start(request(false), async () => ground('full'))) as Held;
      task.over();
      await task.ended;
      expect(all.list()).toMatchObject([{ id: task.id, last: { type: 'failed', problem: 'over' } }]);
      expect(said).toHaveBeenCalledWith(expect.stringMatching(/own folder is full.*lost if Kymar ends/));
      records.isFull = false;
      await jest.advanceTimersByTimeAsync(60_000);
      expect(records.all()).toMatchObject([{ id: task.id, record: { last: { problem: 'over' } } }]);
    } finally {
      said.mockRestore();
      jest.useRealTimers();
    }
  });

  test('a run is its browser’s: another one neither sees, stops nor takes it, before and after a restart', async () => {
    const all = runs();
    const task = (await all.start(request(false), async () => ground('mine'), 'one')) as Held;
    expect(() => all.find(task.id, 'two')).toThrow(Problem);
    task.over();
    await task.ended;
    all.take(task.id, 'two');
    expect([all.list('one').length, all.list('two').length]).toEqual([1, 0]);
    // Written by a server that is gone by now.
    const records = new RecordFiles<object>('runs', state);
    await soon();
    const [{ record }] = records.all() as unknown as [{ record: { owner: object } }];
    records.put(task.id, { ...record, owner: { ...record.owner, started: '1' } });
    const after = runs();
    after.take(task.id, 'two');
    expect([after.list('one').length, after.list('two').length]).toEqual([1, 0]);
    after.take(task.id, 'one');
    expect(after.list('one')).toEqual([]);
  });

  test('so many watches and no more; one that ended makes room', async () => {
    const all = runs();
    const watch = () => new Held({ kind: 'watch', device: 'x', still: 3 } as never, 'x');
    const first = all.watch(watch, '') as Held;
    for (let i = 1; i < 16; i++) all.watch(watch, '');
    expect(() => all.watch(watch, '')).toThrow(/16 devices and folders are watched already/);
    first.over();
    await first.ended;
    expect(() => all.watch(watch, '')).not.toThrow();
  });
});

beforeEach(async () => {
  state = await mkdtemp(join(tmpdir(), 'kymar-runs-'));
  begun.length = 0;
});
afterEach(() => rm(state, { recursive: true, force: true }));

describe('runs in a queue', () => {
  test('one at a time on a device, in the order they came; other devices do not wait', async () => {
    const all = runs();
    const device = `queue-${process.pid}-a`;
    await all.start(request(true), async () => ground(device));
    const second = await all.start(request(true), async () => ground(device));
    const third = await all.start(request(true), async () => ground(device));
    await all.start(request(true), async () => ground(`queue-${process.pid}-b`));
    expect(begun).toHaveLength(2);
    expect(second.kept.last).toEqual({ type: 'waiting', before: 1 });
    expect(third.kept.last).toEqual({ type: 'waiting', before: 2 });
    const told = heard(second);
    begun[0]!.over();
    for (let i = 0; i < 100 && begun.length < 3; i++) await soon();
    expect(begun).toHaveLength(3);
    expect(third.kept.last).toMatchObject({ type: 'waiting' });
    begun[2]!.over();
    await second.ended;
    expect(told.at(-1)).toMatchObject({ type: 'failed', problem: 'over' });
    for (let i = 0; i < 100 && begun.length < 4; i++) await soon();
    expect(begun).toHaveLength(4);
    await all.close();
    expect(all.list().every(({ last }) => last?.type === 'failed')).toBe(true);
  });

  test('without being asked to wait a second one is refused; one that is taken out never begins', async () => {
    const all = runs();
    const device = `queue-${process.pid}-c`;
    await all.start(request(false), async () => ground(device));
    await expect(all.start(request(false), async () => ground(device))).rejects.toThrow(Problem);
    const waiting = await all.start(request(true), async () => ground(device));
    waiting.abort();
    await waiting.ended;
    expect(waiting.kept.last).toMatchObject({ type: 'failed', aborted: true });
    begun[0]!.over();
    await soon();
    expect(begun).toHaveLength(1);
    await all.close();
  });

  test('what has changed meanwhile is seen when its turn comes', async () => {
    const all = runs();
    const device = `queue-${process.pid}-d`;
    await all.start(request(true), async () => ground(device));
    let room = 1e9;
    const waiting = await all.start(request(true), async () => ground(device, room));
    room = 100;
    begun[0]!.over();
    await waiting.ended;
    expect(waiting.kept.last).toMatchObject({
      type: 'failed',
      problem: expect.stringMatching(/^Not enough room/) as string,
    });
    await all.close();
  });
});
