import type { Shop } from '../parts';
import library from './library.json' with { type: 'json' };

/*
 * The demo's shop: a library file like any other, a part a line. All of it is invented, with plausible, consistent data sheets: drives of Larkmoor and
 * Oystral (NVMe), Venndale and Hollin (SATA), Fernhaze (servers), Marrowick (disks), Tesselin and Quarrel (ready-made externals); hosts from a tablet
 * and laptops of three ages to a games console and a small server; prices in EUR, the newest last. That the ordinary reader takes it, a test says:
 * a page that begins does not wait for that.
 */
const { kymarLibrary: _, ...shop } = library;

/** What the demo's shop knows of parts, hosts and prices. */
export const SHOP = shop as unknown as Shop;
export const {
  drives: DRIVES,
  bridges: BRIDGES,
  hubs: HUBS,
  cables: CABLES,
  accessories: ACCESSORIES,
  hosts: HOSTS,
} = SHOP;
