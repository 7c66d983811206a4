import type { Direction } from '../../catalog/links';
import { pcieShare } from '../../catalog/classes';
import { formFactor, type Drive } from '../../catalog/parts';

/** What drives draw where their sheet does not say [memory], W: idle, moving data, starting. */
const DRAW: Record<string, { idle: number; run: number; start: number }> = {
  'M.2': { idle: 0.8, run: 5.5, start: 5.5 },
  sata: { idle: 0.5, run: 3, start: 3.5 },
  'disk 2.5': { idle: 0.8, run: 2.3, start: 4.5 },
  'disk 3.5': { idle: 5, run: 8, start: 22 },
};

/** What a drive of its kind usually draws. */
export const usualDraw = (drive: Drive): { idle: number; run: number; start: number } =>
  DRAW[
    drive.media === 'disk'
      ? formFactor(drive.form) === '3.5-inch'
        ? 'disk 3.5'
        : 'disk 2.5'
      : pcieShare(drive) >= 0.5
        ? 'M.2'
        : 'sata'
  ]!;

/** W of a drive doing nothing, and fully busy in one direction. */
export function drawOf(drive: Drive, direction: Direction): { idle: number; full: number } {
  const usual = usualDraw(drive);
  const idle = drive.power?.idle ?? usual.idle;
  return { idle, full: Math.max(idle, drive.power?.[direction] ?? drive.power?.write ?? usual.run) };
}

/** W of a drive busy for this share of the time. */
export function drawAt(drive: Drive, direction: Direction, share: number): number {
  const { idle, full } = drawOf(drive, direction);
  return idle + (full - idle) * Math.min(1, share);
}
