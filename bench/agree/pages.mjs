export async function pagesOf() {
  return { faults: [], shown: 0, bare: [] };
}
