import { parseQuantity, readNumber } from '../../units';
import type { Trace } from './bins';

/** What the columns of a table of readings are. */
export interface TraceColumns {
  /** Column of the time; null: rows are so many s apart. */
  time: number | null;
  /** What a number of it is, in s; `clock` for dates and clock times. */
  timeUnit: number | 'clock';
  apart: number;
  /** Column of what was moved, whether it is how far it had come or how fast it went, and B or B/s of a number of it. */
  amount: number;
  kind: 'bytes' | 'rate';
  unit: number;
  /** Column of the temperature, °C; null: none. */
  warmth: number | null;
  /** Whether a comma stands before the decimals. */
  comma: boolean;
}

const TIME = /\b(time|elapsed|seconds?|secs?|msec|ms|t|zeit|clock|date|timestamp)\b/i;
const RATE = /(rate|speed|throughput|bandwidth|\/\s?s\b|ps\b|per second)/i;
const BYTES = /(bytes?|size|moved|copied|written|transferred|progress|total|position|offset|\b[kmgt]i?b\b)/i;
const WARMTH = /(temp|°\s?c|celsius|warmth)/i;
/** Units of time as headings write them, in s. */
const TIMES: [RegExp, number][] = [
  [/(^|[\s([_])(ns|nanosec)/i, 1e-9],
  [/(^|[\s([_])(µs|us|microsec)/i, 1e-6],
  [/(^|[\s([_])(ms|msec|millisec)/i, 1e-3],
  [/(^|[\s([_])(min|minutes?)($|[\s)\]])/i, 60],
];
/** An amount's unit in a heading: `Speed (MB/s)`, `GiB`, `MB_s`. */
const UNIT = /\b([kmgt]?i?(?:b|bytes?|bits?))\s?(?:\/|_|p(?=s\b))?\s?(s|sec)?\b/i;

const CLOCK = /^(?:\d{4}-\d\d-\d\d[T ])?\d{1,2}:\d\d(:\d\d(?:[.,]\d+)?)?(?:Z|[+-]\d\d:?\d\d)?$/;

/** s of a clock time or a date; NaN for anything else. */
export function readClock(text: string): number {
  const bare = text.trim();
  if (!CLOCK.test(bare)) return NaN;
  if (/^\d{4}/.test(bare)) return Date.parse(bare.replace(' ', 'T').replace(',', '.')) / 1000;
  const [h, m, s = 0] = bare.split(':').map((part) => Number(part.replace(',', '.')));
  return h! * 3600 + m! * 60 + s;
}

/** A number of a table whose decimals stand behind a point or a comma; NaN for anything else. */
export function readCell(text: string, comma: boolean): number {
  const value = Number(comma ? text.replace(/\./g, '').replace(',', '.') : text);
  // An empty cell would be nought.
  if (value === 0 && text.trim() === '') return NaN;
  return Number.isNaN(value) && !comma ? (readNumber(text) ?? NaN) : value;
}

/** B or B/s of one of a heading's unit; null where it names none. */
function unitOf(heading: string, kind: 'bytes' | 'rate'): number | null {
  const [, unit] = UNIT.exec(heading) ?? [];
  if (unit === undefined) return null;
  const short = unit.replace(/bytes?$/i, 'B').replace(/bits?$/i, 'b');
  const read = parseQuantity(`1 ${short}${kind === 'rate' ? '/s' : ''}`, kind);
  return read.ok ? read.value : null;
}

/** Whether numbers only ever grow, and do. */
const isGrowing = (list: readonly number[]): boolean =>
  list.length > 2 && list.every((v, i) => i === 0 || v >= list[i - 1]!) && list.at(-1)! > list[0]!;

/**
 * What the columns of a table most likely are, by their headings, else by how their numbers go.
 * @param heading the first row where it holds words
 * @param rows some rows below it
 * @returns null where no column could be what was moved
 */
export function guessColumns(
  heading: readonly string[] | null,
  rows: readonly (readonly string[])[],
): TraceColumns | null {
  const width = Math.max(0, ...rows.map((row) => row.length));
  const all = Array.from({ length: width }, (_, i) => i);
  const comma =
    rows.some((row) => row.some((cell) => /^-?\d+,\d+$/.test(cell.trim()))) &&
    !rows.some((row) => row.some((cell) => /^-?\d+\.\d+$/.test(cell.trim())));
  const numbers = all.map((i) => rows.map((row) => readCell(row[i] ?? '', comma)));
  const isNumeric = (i: number) => numbers[i]!.filter((v) => !Number.isNaN(v)).length > rows.length / 2;
  const isClock = (i: number) => rows.every((row) => !Number.isNaN(readClock(row[i] ?? '')));
  const named = (pattern: RegExp, but: readonly (number | null)[] = []) =>
    all.find(
      (i) =>
        heading?.[i] !== undefined &&
        pattern.test(heading[i]) &&
        !but.includes(i) &&
        (isNumeric(i) || isClock(i)),
    ) ?? null;
  const warmth = named(WARMTH);
  const rateColumn = named(RATE, [warmth]);
  const clock = all.find(isClock) ?? null;
  const time =
    clock ??
    named(TIME, [warmth, rateColumn]) ??
    all.find((i) => i !== warmth && i !== rateColumn && isNumeric(i) && isGrowing(numbers[i]!)) ??
    null;
  const bytesColumn = named(BYTES, [warmth, time, rateColumn]);
  const free = all.filter((i) => i !== time && i !== warmth && isNumeric(i));
  const growing = free.find((i) => isGrowing(numbers[i]!));
  // How far it had come says more than how fast it went, if it grows.
  const amount = [bytesColumn, rateColumn, growing, free[0]].find(
    (i) =>
      i !== null && i !== undefined && (i !== bytesColumn || isGrowing(numbers[i]!) || rateColumn === null),
  );
  if (amount === null || amount === undefined) return null;
  const title = heading?.[amount] ?? '';
  const kind =
    amount === rateColumn || (amount !== bytesColumn && !isGrowing(numbers[amount]!)) ? 'rate' : 'bytes';
  const inTime = time === null ? '' : (heading?.[time] ?? '');
  return {
    time,
    timeUnit:
      time !== null && time === clock ? 'clock' : (TIMES.find(([pattern]) => pattern.test(inTime))?.[1] ?? 1),
    apart: 1,
    amount,
    kind,
    unit: unitOf(title, kind) ?? (kind === 'rate' ? 1e6 : 1),
    warmth,
    comma,
  };
}

/** Rows that were left out, by why. */
export interface LeftOut {
  notNumbers: number;
  backwards: number;
}

/** A day, for clock times that pass midnight. */
const DAY = 86_400;

/** Takes the rows of a table one by one and makes a trace of them. */
export class TraceReader {
  private t = new Float64Array(4096);
  private bytes = new Float64Array(4096);
  private warmth: Float64Array | null;
  private count = 0;
  private days = 0;
  private moved = 0;
  readonly left: LeftOut = { notNumbers: 0, backwards: 0 };

  constructor(private readonly columns: TraceColumns) {
    this.warmth = columns.warmth === null ? null : new Float64Array(4096);
  }

  add(row: readonly string[]): void {
    const { time, timeUnit, apart, amount, kind, unit, warmth, comma } = this.columns;
    const value = readCell(row[amount] ?? '', comma) * unit;
    const seconds =
      time === null
        ? this.count * apart
        : timeUnit === 'clock'
          ? readClock(row[time] ?? '')
          : readCell(row[time] ?? '', comma) * timeUnit;
    if (Number.isNaN(value) || Number.isNaN(seconds) || value < 0) {
      this.left.notNumbers++;
      return;
    }
    const last = this.count - 1;
    let at = seconds + this.days * DAY;
    if (timeUnit === 'clock' && last >= 0 && at < this.t[last]! - DAY / 2) {
      this.days++;
      at += DAY;
    }
    // A rate is that of the time before its row; of the first nobody knows how long that was.
    const reached =
      kind === 'bytes' ? value : this.moved + (last >= 0 ? value * Math.max(0, at - this.t[last]!) : 0);
    if (last >= 0 && (at < this.t[last]! || reached < this.bytes[last]!)) {
      this.left.backwards++;
      return;
    }
    this.moved = reached;
    if (this.count === this.t.length) this.grow();
    this.t[this.count] = at;
    this.bytes[this.count] = reached;
    if (this.warmth) this.warmth[this.count] = readCell(row[warmth!] ?? '', comma);
    this.count++;
  }

  private grow(): void {
    const longer = (list: Float64Array) => {
      const made = new Float64Array(list.length * 2);
      made.set(list);
      return made;
    };
    [this.t, this.bytes] = [longer(this.t), longer(this.bytes)];
    if (this.warmth) this.warmth = longer(this.warmth);
  }

  trace(): Trace {
    const { t, bytes, warmth, count } = this;
    return {
      t: t.subarray(0, count),
      bytes: bytes.subarray(0, count),
      ...(warmth ? { warmth: warmth.subarray(0, count) } : {}),
    };
  }
}
