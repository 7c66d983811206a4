import { PART_KINDS, type PartKind, type Part, type PartOf, type Shop } from '@kymar/core/catalog/parts';

/** The library with the shop's own entries laid over what is in stock; null takes one out of the list. */
export function overlaid(stock: Shop, held: Readonly<Record<string, Part | null>>): Shop {
  const own = Object.entries(held);
  const list = <K extends PartKind>(kind: K): PartOf[K][] => {
    const mine = own
      .filter(([key]) => key.startsWith(`${kind}/`))
      .map(([key, part]) => [key.slice(kind.length + 1), part as PartOf[K] | null] as const);
    const ids = new Map(mine);
    const shipped = (stock[kind] as PartOf[K][]).flatMap((part) =>
      ids.has(part.id) ? (ids.get(part.id) ?? []) : part,
    );
    const there = new Set(stock[kind].map((part) => part.id));
    return [...mine.flatMap(([id, part]) => (part && !there.has(id) ? part : [])), ...shipped];
  };
  return Object.fromEntries(
    (Object.keys(PART_KINDS) as PartKind[]).map((kind) => [kind, list(kind)]),
  ) as unknown as Shop;
}
