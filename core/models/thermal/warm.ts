/*
 * One body that heats up: C · dT/dt = P − (T − air) ÷ R. With constant power T closes in on `air + P · R` with the time constant R · C, so every
 * question has a closed form. Temperatures in °C, power in W, resistance in K/W, capacity in J/K, times in s.
 */

/** Temperature it closes in on at constant power. */
export const settlesAt = (air: number, power: number, resistance: number): number => air + power * resistance;

/** Temperature after so long, on the way from `from` to `to` with time constant tau. */
export const warmAt = (from: number, to: number, tau: number, seconds: number): number =>
  seconds === Infinity ? to : to + (from - to) * Math.exp(-seconds / tau);

/** When it reaches `target` on the way from `from` to `to`; Infinity where it never does. */
export function timeTo(from: number, to: number, tau: number, target: number): number {
  const share = (from - to) / (target - to);
  return share >= 1 && Number.isFinite(share) ? tau * Math.log(share) : Infinity;
}
