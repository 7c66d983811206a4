/** Things by names that people chose: `constructor` and `__proto__` are names like any other. */
export const fields = <T>(from: Readonly<Record<string, T>> = {}): Record<string, T> =>
  Object.assign(Object.create(null) as Record<string, T>, from);
