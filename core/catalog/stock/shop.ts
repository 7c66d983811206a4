import type { Shop } from '../parts';
import { BRIDGES, HUBS } from './boxes';
import { DRIVES } from './drives';
import { HOSTS } from './hosts';
import { ACCESSORIES, CABLES } from './leads';
import { PRICES } from './prices';

/** The shop of the demo: what it knows of parts and hosts. */
export const SHOP: Shop = {
  drives: DRIVES,
  bridges: BRIDGES,
  hubs: HUBS,
  cables: CABLES,
  accessories: ACCESSORIES,
  hosts: HOSTS,
  prices: PRICES,
};
