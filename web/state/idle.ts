let tell: () => void = () => undefined;
const told = new Promise<void>((resolve) => (tell = resolve));

/** The first view is there: what can wait may begin. */
export const firstViewShown = (): void => tell();

/** When the first view is there and there is nothing else to do, or after two seconds. */
export async function idle(): Promise<void> {
  if (!('requestIdleCallback' in globalThis)) return new Promise((resolve) => setTimeout(resolve));
  await Promise.race([told, new Promise((resolve) => setTimeout(resolve, 2000))]);
  return new Promise((resolve) => requestIdleCallback(() => resolve(), { timeout: 2000 }));
}
