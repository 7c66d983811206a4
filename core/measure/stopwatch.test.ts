import { gaussian, noise } from '../stats';
import { PRESS, stopwatchError, thumbOf } from '.';

describe('a thumb', () => {
  test('of a duration between two presses only the spread counts, by Monte Carlo; the lag cancels', () => {
    const normal = gaussian(noise(4));
    for (const [lag, spread] of [
      [0.2, 0.05],
      [0.05, 0.12],
    ] as const) {
      const errors = Array.from({ length: 20_000 }, () => {
        const press = () => lag + spread * normal();
        return -press() + press();
      });
      const mean = errors.reduce((a, b) => a + b, 0) / errors.length;
      const sigma = Math.sqrt(errors.reduce((a, b) => a + b * b, 0) / errors.length);
      expect(Math.abs(mean)).toBeLessThan(0.005);
      expect(stopwatchError([], spread) / sigma).toBeCloseTo(1, 1);
    }
  });

  test('the test finds lag and spread of a planted thumb, a sneeze among the presses', () => {
    const normal = gaussian(noise(8));
    let held = 0;
    for (let i = 0; i < 200; i++) {
      const late = Array.from({ length: 9 }, () => 0.18 + 0.04 * normal());
      if (i % 4 === 0) late[3] = 2.5;
      const { lag, spread } = thumbOf(late);
      if (Math.abs(lag - 0.18) < 0.04 && spread > 0.015 && spread < 0.075) held++;
    }
    expect(held).toBeGreaterThan(185);
  });

  test('too few presses say nothing; nobody is a machine', () => {
    expect(() => thumbOf([0.1, 0.1])).toThrow(RangeError);
    expect(thumbOf([0.1, 0.1, 0.1, 0.1, 0.1, 0.1]).spread).toBe(0.015);
    expect(stopwatchError()).toBeCloseTo(PRESS * Math.SQRT2, 12);
    expect(stopwatchError([0.4])).toBeGreaterThan(stopwatchError());
  });
});
