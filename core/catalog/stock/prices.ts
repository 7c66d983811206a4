import { nameOf, type PartKind, type Part, type Price } from '../parts';
import { BRIDGES, HUBS } from './boxes';
import { DRIVES } from './drives';
import { ACCESSORIES, CABLES } from './leads';

/** The demo's prices in EUR, part by part, the newest last; invented. */
const SEEN: Partial<Record<PartKind, Record<string, readonly number[]>>> = {
  drives: {
    'larkmoor-reed-500g': [58, 52],
    'larkmoor-reed-1t': [84, 79],
    'larkmoor-reed-2t': [152, 143],
    'larkmoor-sedge-1t': [61, 57],
    'larkmoor-sedge-2t': [109, 98],
    'larkmoor-wren-512g': [67, 63],
    'larkmoor-wren-1t': [104, 96],
    'larkmoor-finch-1t': [92, 88],
    'hollin-pebble-256g': [31, 29],
    'oystral-merlin-1t': [108, 99],
    'oystral-merlin-2t': [186, 172],
    'oystral-merlin-4t': [361, 338],
    'oystral-kestrel-1t': [81, 77],
    'oystral-kestrel-2t': [149, 139],
    'oystral-kestrel-2t-fin': [163, 154],
    'oystral-osprey-8t': [742, 698],
    'oystral-gannet-2t': [271, 249],
    'oystral-gannet-4t': [512, 474],
    'fernhaze-bastion-3840': [566, 541],
    'venndale-flint-250g': [33, 31],
    'venndale-flint-500g': [44, 42],
    'venndale-flint-1t': [71, 68],
    'venndale-slate-1t': [74, 69],
    'venndale-slate-2t': [131, 124],
    'venndale-slate-4t': [262, 247],
    'venndale-chalk-4t': [228, 211],
    'venndale-chalk-8t': [471, 438],
    'hollin-basic-240g': [24, 23],
    'marrowick-drift-1t': [53, 51],
    'marrowick-drift-2t': [73, 69],
    'marrowick-drift-5t': [137, 129],
    'marrowick-anchor-2t': [79, 76],
    'marrowick-anchor-4t': [112, 106],
    'marrowick-anchor-8t': [194, 183],
    'marrowick-anchor-16t': [319, 297],
    'marrowick-ledge-8t': [158, 149],
    'tesselin-pocket-1t': [97, 92],
    'tesselin-pocket-x-2t': [187, 176],
    'oystral-ferry-4t': [398, 372],
    'marrowick-haul-5t': [128, 121],
    'marrowick-haul-desk-16t': [307, 288],
  },
  bridges: {
    'tesselin-nook-10': [27],
    'tesselin-nook-20': [48],
    'tesselin-nook-duo': [33],
    'tesselin-vault-40': [104, 97],
    'tesselin-vault-80': [236, 219],
    'tesselin-vault-3': [89],
    'hollin-clip-10': [19],
    'quarrel-blade-s': [16],
    'quarrel-shell-5': [11],
    'quarrel-shell-10': [18],
    'quarrel-shell-old': [7],
    'quarrel-tower-5': [29],
    'quarrel-tower-4k': [34],
    'quarrel-stand-2': [56],
    'quarrel-quad-10': [187],
    'quarrel-quad-40': [412],
    'quarrel-slim-4': [143],
    'quarrel-lead-a': [9],
    'tesselin-riser-4': [17],
    'tesselin-riser-1': [12],
    'tesselin-riser-quad': [58],
    'tesselin-riser-switch': [214],
    'hollin-frame-25': [8],
  },
  cables: {
    'c-c-10-05': [8],
    'c-c-10-2': [14],
    'c-c-20-05': [15],
    'c-c-40-08': [26],
    'c-c-80-08': [43],
    'c-c-tb3-2': [49],
    'c-c-charge-2': [6],
    'c-a-10-05': [8],
    'c-a-5-1': [6],
    'a-micro-b-05': [5],
    'c-micro-b-05': [7],
    'a-b-5-1': [6],
    'a-b-2-15': [4],
    'c-b-5-1': [8],
    'sata-05': [4],
  },
  accessories: {
    'hollin-pad-10': [4],
    'hollin-pad-15': [4],
    'oystral-fin-low': [9],
    'oystral-fin-high': [18],
    'quarrel-tray-35': [6],
    'tesselin-bracket-half': [4],
    'quarrel-data-05': [4],
    'quarrel-power-y': [5],
    'quarrel-y-lead': [7],
    'hollin-standoff': [3],
    'hollin-screws': [3],
  },
  hubs: { 'tesselin-fan-4': [38], 'hollin-row-7': [44], 'quarrel-pier-40': [189], 'tesselin-link-3': [164] },
};
/** When the demo's shop looked: what was seen once was seen on the last of these days. */
const DAYS = ['2026-09-28', '2026-11-17'] as const;

const named = (list: readonly Part[]): ReadonlyMap<string, string> =>
  new Map(list.map((part) => [part.id, nameOf(part)]));
const NAMES: Partial<Record<PartKind, ReadonlyMap<string, string>>> = {
  drives: named(DRIVES),
  bridges: named(BRIDGES),
  hubs: named(HUBS),
  cables: named(CABLES),
  accessories: named(ACCESSORIES),
};

/** What the demo's shop has seen parts cost. */
export const PRICES: Price[] = Object.entries(SEEN).flatMap(([kind, parts]) =>
  Object.entries(parts).flatMap(([id, amounts]) =>
    amounts.map((amount, i): Price => {
      const on = DAYS[DAYS.length - amounts.length + i]!;
      const name = NAMES[kind as PartKind]?.get(id) ?? id;
      const seller = kind === 'drives' ? 'Wharfside Trade' : 'Counter stock';
      return {
        id: `${id}-${on}`,
        name,
        of: `${kind}/${id}`,
        on,
        amount,
        currency: 'EUR',
        seller,
        sells: 'dealer',
      };
    }),
  ),
);
