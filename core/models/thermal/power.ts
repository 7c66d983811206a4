import { busyMarket, idleMarket } from '../../catalog/classes';
import type { OwnRanges } from '../../catalog/assumptions';
import type { Direction } from '../../catalog/links';
import { formFactor, type Drive } from '../../catalog/parts';

/** What disks draw where their sheet does not say [memory], W: idle, moving data, starting. */
const DISKS = {
  '2.5-inch': { idle: 0.8, run: 2.3, start: 4.5 },
  '3.5-inch': { idle: 5, run: 8, start: 22 },
} as const;

/** What a drive of its kind usually draws, W: flash by the classes it may be of, disks by their form. */
export function usualDraw(
  drive: Drive,
  shopRanges?: OwnRanges,
): { idle: number; run: number; start: number } {
  if (drive.media === 'disk') return DISKS[formFactor(drive.form) === '3.5-inch' ? '3.5-inch' : '2.5-inch'];
  const run = busyMarket(drive, shopRanges).range.expected;
  return { idle: idleMarket(drive, shopRanges).range.expected, run, start: run };
}

/** W of a drive doing nothing, and fully busy in one direction. */
export function drawOf(
  drive: Drive,
  direction: Direction,
  shopRanges?: OwnRanges,
): { idle: number; full: number } {
  const usual = usualDraw(drive, shopRanges);
  const idle = drive.power?.idle ?? usual.idle;
  return { idle, full: Math.max(idle, drive.power?.[direction] ?? drive.power?.write ?? usual.run) };
}

/** W of a drive busy for this share of the time. */
export function drawAt(drive: Drive, direction: Direction, share: number, shopRanges?: OwnRanges): number {
  const { idle, full } = drawOf(drive, direction, shopRanges);
  return idle + (full - idle) * Math.min(1, share);
}
