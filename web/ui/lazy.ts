import { lazy, type ComponentType } from 'react';

const AGAIN = 3000;

/** A piece of a page whose code is asked for until it comes: a server that was stopped for a while takes nothing away. */
export const patientLazy = <P>(load: () => Promise<{ default: ComponentType<P> }>) =>
  lazy(async () => {
    for (;;) {
      const found = await load().catch(() => null);
      if (found) return found;
      await new Promise((resolve) => setTimeout(resolve, AGAIN));
    }
  });
