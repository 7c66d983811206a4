import type { Warmth } from '@kymar/core/measure';
import { Sysfs } from './plugged/sysfs';

/** ms between two looks. */
const TICK = 1000;

/** °C of the warmest of some devices, by the sensor the system offers for each; null where it offers none. */
export async function temperatureOf(devices: readonly string[], root = sysfsRoot()): Promise<number | null> {
  const sysfs = new Sysfs(root);
  const all = await Promise.all(
    devices.map(async (number): Promise<number[]> => {
      const at = ['dev', 'block', number, 'device'];
      // A drive's own sensor stands beside it, or in a folder of sensors below it.
      const beside = (await sysfs.list(...at)).filter((name) => /^hwmon\d+$/.test(name)).map((n) => [n]);
      const below = (await sysfs.list(...at, 'hwmon')).map((name) => ['hwmon', name]);
      const read = await Promise.all(
        [...beside, ...below].map((way) => sysfs.read(...at, ...way, 'temp1_input')),
      );
      return read.filter(Boolean).map((text) => Number(text) / 1000);
    }),
  );
  const found = all.flat().filter((t) => Number.isFinite(t));
  return found.length > 0 ? Math.max(...found) : null;
}

const sysfsRoot = (): string => process.env.KYMAR_SYSFS ?? '/sys';

/** Looks at the warmth of devices until it is ended; undefined where the system offers none. */
export function warmthOf(devices: readonly string[]): { end(): Promise<Warmth> } {
  let warmth: Warmth;
  const look = async (): Promise<void> => {
    const now = await temperatureOf(devices);
    if (now === null) return;
    warmth = { start: warmth?.start ?? now, most: Math.max(warmth?.most ?? now, now) };
  };
  const first = look();
  const clock = setInterval(() => void look(), TICK);
  return {
    async end() {
      clearInterval(clock);
      await first;
      await look();
      return warmth;
    },
  };
}
