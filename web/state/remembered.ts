/** Remembers the last answers by the identity of what they are made from: what goes in is never changed in place. */
export function rememberedBy<K extends readonly unknown[], V>(
  make: (...key: K) => V,
  most: number,
): (...key: K) => V {
  const kept = new Map<unknown, { key: K; value: V }[]>();
  let count = 0;
  return (...key) => {
    const list = kept.get(key[0]) ?? [];
    const had = list.find((entry) => entry.key.every((part, i) => part === key[i]));
    if (had) return had.value;
    // All at once: a page that shows more than fit works them out once a change, not once a look.
    if (count >= most) {
      kept.clear();
      count = 0;
    }
    const entry = { key, value: make(...key) };
    kept.set(key[0], [...(kept.get(key[0]) ?? []), entry]);
    count++;
    return entry.value;
  };
}
