import fc from 'fast-check';
import { noise } from '../../stats';
import { parsePending, parseStat } from './counters';
import { Watcher, type CounterReading, type Watched } from './watcher';
import { runs } from '../../fixtures/draws';

describe('what the kernel counts', () => {
  test('fields in their order, sectors of 512 B, ticks of a millisecond', () => {
    const text =
      '    1201       33    90402     812   2204     9   711230    5512        0     4100     6324\n';
    expect(parseStat(text)).toEqual({
      reads: 1201,
      writes: 2204,
      read: 90402 * 512,
      written: 711230 * 512,
      busy: 4.1,
    });
    for (const wrong of ['', '1 2 3', 'a b c d e f g h i j k'])
      expect(() => parseStat(wrong)).toThrow(RangeError);
  });

  test('what memory still holds is Dirty and Writeback together', () => {
    expect(
      parsePending('MemFree:  100 kB\nDirty:    1200 kB\nWriteback:    34 kB\nWritebackTmp: 9 kB\n'),
    ).toBe(1234 * 1024);
    expect(parsePending('MemFree: 12 kB')).toBeNull();
  });
});

/** A made-up device: so many B handed over at a rate from a moment on, through memory that takes them faster or straight. */
interface Planted {
  start: number;
  bytes: number;
  rate: number;
  /** B/s at which memory takes them, before the device has them; null: straight. */
  memory: number | null;
}

/** Readings every tenth of a second, with what a system writes by itself meanwhile. */
function* readings({ start, bytes, rate, memory }: Planted, seed: number): Generator<CounterReading> {
  const random = noise(seed);
  let [hum, requests] = [0, 0];
  for (let i = 0; ; i++) {
    const t = i * 0.1 + 0.004 * random();
    if (random() < 0.05) hum += 4096 * (1 + Math.floor(4 * random()));
    const since = Math.max(0, t - start);
    const written = Math.floor(Math.min(bytes, since * rate) / 512) * 512;
    const given = memory === null ? written : Math.min(bytes, since * memory);
    requests = Math.floor(written / 65536);
    yield {
      t,
      read: 0,
      written: written + hum,
      reads: 0,
      writes: requests,
      busy: Math.min(since, bytes / rate),
      pending: 3e5 + Math.max(0, given - written),
    };
  }
}

function watched(planted: Planted, seed: number): Watched {
  const watcher = new Watcher();
  for (const reading of readings(planted, seed)) {
    if (watcher.feed(reading) === 'over') return watcher.result()!;
    if (reading.t > 400) break;
  }
  throw new Error('never over');
}

describe('watching a device', () => {
  const planted = fc.record({
    start: fc.double({ min: 1, max: 8, noNaN: true }),
    bytes: fc.double({ min: 3e7, max: 2e10, noNaN: true }),
    rate: fc.double({ min: 2e7, max: 6e9, noNaN: true }),
    memory: fc.constantFrom(null, 8e9),
  });

  test('bytes within 1 %, times within 0.2 s, start and end untouched; idle hum is no work', () => {
    fc.assert(
      fc.property(planted, fc.nat(1e6), (one, seed) => {
        const truth = one.bytes / one.rate;
        fc.pre(truth > 0.3 && truth < 300);
        const { written, seconds, began, bar, busy, samples } = watched(one, seed);
        expect(Math.abs(written / one.bytes - 1)).toBeLessThan(0.01);
        expect(Math.abs(began - one.start)).toBeLessThan(0.2);
        expect(Math.abs(seconds - truth)).toBeLessThan(0.2);
        if (one.memory && one.memory > 2 * one.rate)
          expect(Math.abs(bar! - Math.min(truth, one.bytes / one.memory))).toBeLessThan(0.25);
        expect(busy!).toBeLessThanOrEqual(truth + 0.01);
        expect(samples.write.at(-1)!.bytes).toBe(written);
      }),
      // Long enough for its samples to be thinned just before its end.
      runs<[Planted, number]>(120, {
        examples: [[{ start: 1, bytes: 4440025088, rate: 2e7, memory: null }, 189924]],
      }),
    );
  });

  test('hum alone never begins anything', () => {
    const watcher = new Watcher();
    for (const reading of readings({ start: 1e9, bytes: 1, rate: 1, memory: null }, 7)) {
      expect(watcher.feed(reading)).toBe('waiting');
      if (reading.t > 300) break;
    }
    expect(watcher.result()).toBeNull();
  });

  const reading = (t: number, written: number, pending: number): CounterReading => ({
    t,
    read: 0,
    written,
    reads: 0,
    writes: 0,
    busy: 0,
    pending,
  });
  /** A reading each tenth of a second. */
  const still = (
    watcher: Watcher,
    from: number,
    to: number,
    written: number,
    pending: (t: number) => number,
  ) => {
    for (let t = from; t < to; t += 0.1) watcher.feed(reading(t, written, pending(t)));
    return watcher.state;
  };

  test('while memory holds what was copied it is not over, and says so; it began when memory took it', () => {
    const watcher = new Watcher();
    watcher.feed(reading(0, 0, 0));
    // Nobody knows yet which drive that is for.
    expect(still(watcher, 0.1, 8, 0, () => 4e8)).toBe('waiting');
    watcher.feed(reading(8.1, 2e8, 2e8));
    expect(watcher.state).toBe('moving');
    expect(still(watcher, 8.2, 12, 2e8, () => 2e8)).toBe('flushing');
    watcher.feed(reading(12.1, 4e8, 0));
    expect(still(watcher, 12.2, 15.4, 4e8, () => 0)).toBe('over');
    const { seconds, bar, written } = watcher.result()!;
    expect([seconds, bar, written].map((n) => Math.round(n! * 10) / 10)).toEqual([12.1, 0.1, 4e8]);
  });

  test('memory that took it slower than the device then writes is part of it', () => {
    // 3,000 files in 2.7 s, then all at once: a disk on a fast machine.
    for (const rate of [9e8, 2e9, 4e9]) {
      const watcher = new Watcher();
      const total = 980e6;
      for (let i = 0; i < 90 && watcher.state !== 'over'; i++) {
        const t = i * 0.1;
        const written = Math.min(total, Math.max(0, t - 3.7) * rate);
        watcher.feed(
          reading(t, written, Math.min(total, Math.max(0, t - 1) * (total / 2.7)) - written + 2e5),
        );
      }
      expect(watcher.state).toBe('over');
      const { began, seconds, written, whole } = watcher.result()!;
      expect([written, whole]).toEqual([total, null]);
      expect(Math.abs(began - 1)).toBeLessThan(0.2);
      expect(Math.abs(seconds - 2.7 - total / rate)).toBeLessThan(0.2);
    }
  });

  test('what memory holds for other drives neither begins a piece of work nor extends one', () => {
    const saw = (t: number) => 3e7 * (1 + (t % 5));
    const watcher = new Watcher();
    expect(still(watcher, 0, 30, 0, saw)).toBe('waiting');
    expect([watcher.result(), watcher.progress]).toEqual([null, null]);
    for (let t = 30; t < 32; t += 0.1) watcher.feed(reading(t, 1e8 * (t - 29.9), saw(t)));
    expect(watcher.state).toBe('moving');
    still(watcher, 32, 80, 2.1e8, saw);
    expect(watcher.state).toBe('over');
    const { began, seconds, written } = watcher.result()!;
    expect(written / 2.1e8).toBeCloseTo(1, 1);
    expect(Math.abs(seconds - 2)).toBeLessThan(0.3);
    expect(Math.abs(began - 30)).toBeLessThan(0.3);
  });

  test('a device plugged in anew begins the watch anew; a load ends when somebody says so', () => {
    const watcher = new Watcher();
    const read = (t: number, bytes: number, busy: number): CounterReading => ({
      t,
      read: bytes,
      written: 0,
      reads: bytes / 32768,
      writes: 0,
      busy,
      pending: 0,
    });
    watcher.feed(read(0, 9e9, 5));
    watcher.feed(read(0.1, 9.1e9, 5));
    watcher.feed(read(0.2, 0, 0));
    expect(watcher.state).toBe('waiting');
    for (let i = 0; i <= 20; i++) watcher.feed(read(1 + i * 0.1, i * 32768000, i * 0.05));
    const { seconds, read: bytes, reads, busy } = watcher.result(6)!;
    expect(seconds).toBeCloseTo(5, 1);
    expect([bytes, reads]).toEqual([20 * 32768000, 20000]);
    expect(busy).toBeCloseTo(1, 6);
  });

  describe('beside others', () => {
    /** B written by a moment: work of `rate` from 3 s on for `lasts` s, and others that write `piece` B every so many s. */
    const readingsWith = (
      rate: number,
      lasts: number,
      piece: number,
      every: number,
      from: number,
      seed: number,
      end = 60,
    ) =>
      function* () {
        const random = noise(seed);
        for (let i = 0; i < end * 10; i++) {
          const t = i * 0.1 + 0.003 * random();
          const work = rate * Math.min(lasts, Math.max(0, t - 3));
          const others = piece * Math.floor(Math.max(0, t - from) / every);
          yield {
            t,
            read: 0,
            written: Math.floor(work) + others,
            reads: 0,
            writes: 0,
            busy: null,
            pending: 0,
          };
        }
      };
    const watch = (readings: Iterable<CounterReading>) => {
      const watcher = new Watcher();
      for (const reading of readings) if (watcher.feed(reading) === 'over') break;
      return watcher;
    };

    test('a system that writes a little all the time extends nothing, and is told', () => {
      for (const seed of [1, 2, 3]) {
        const { state, result } = ((w) => ({ state: w.state, result: w.result()! }))(
          watch(readingsWith(4e8, 1.5, 3e5, 0.5, 0, seed)()),
        );
        expect(state).toBe('over');
        expect(Math.abs(result.seconds - 1.5)).toBeLessThan(0.2);
        expect(Math.abs((result.written - 6e8) / 6e8)).toBeLessThan(0.01);
        expect(result.others! / 6e5).toBeGreaterThan(0.5);
        expect(result.whole).toBeNull();
      }
    });

    test('what trickles on for long after the work is asked about, not taken for it', () => {
      // Others that begin with the work, at an eightieth of its rate: nobody can tell whose that is.
      const watcher = watch(readingsWith(2e8, 1.5, 2.4e5, 0.1, 3, 5, 10)());
      expect(watcher.state).not.toBe('over');
      const { seconds, whole, written } = watcher.result()!;
      expect(Math.abs(seconds - 1.5)).toBeLessThan(0.2);
      expect(Math.abs(written / 3e8 - 1)).toBeLessThan(0.03);
      expect(whole!.seconds).toBeGreaterThan(6);
      expect(whole!.written).toBeGreaterThan(written);
    });

    test('flash behind its cache is the same work: neither ended nor asked about', () => {
      function* slower(): Generator<CounterReading> {
        for (let i = 0; i < 1200; i++) {
          const t = i * 0.1;
          const written = 6e9 * Math.min(10, Math.max(0, t - 1)) + 9e7 * Math.min(90, Math.max(0, t - 11));
          yield { t, read: 0, written, reads: 0, writes: 0, busy: null, pending: 0 };
        }
      }
      const watcher = watch(slower());
      expect(watcher.state).toBe('over');
      expect(watcher.result()).toMatchObject({ whole: null, others: null });
      expect(Math.abs(watcher.result()!.seconds - 100)).toBeLessThan(0.3);
    });
  });
});
