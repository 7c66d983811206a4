import type { Fact } from '../evidence';
import type { Drive } from '../parts';
import { GB, MB, seen, sheet, TB, unknown } from './facts';

/*
 * Drives of the demo's shop: invented makers and models with plausible, consistent data sheets. Makers: Larkmoor and Oystral (NVMe), Venndale and
 * Hollin (SATA), Fernhaze (servers), Marrowick (disks), Tesselin and Quarrel (ready-made externals).
 */
type Row = [id: string, maker: string, model: string, cell: Drive['cell'], capacity: number, read: number, write: number, rest: Fact, cache: Fact, tbw: number, years: number];

function flash([id, maker, model, cell, capacity, read, write, rest, cache, tbw, years]: Row, more: Omit<Partial<Drive>, 'id'> & Pick<Drive, 'form' | 'plug' | 'modes'>): Drive {
  return { id, maker, model, media: 'flash', cell, capacity: sheet(capacity), read: sheet(read * MB), write: sheet(write * MB), rest, cache, tbw: sheet(tbw * TB), warrantyYears: sheet(years), ...more };
}
const nvme = (row: Row, mode: string, more: Partial<Drive> = {}) => flash(row, { form: 'M.2 2280', plug: 'M.2', modes: [mode], key: 'M', ...more });
const sata = (row: Row, more: Partial<Drive> = {}) => flash(row, { form: '2.5-inch, 7 mm', plug: 'SATA', modes: ['sata-6'], power: { idle: 0.4, read: 2, write: 3.2 }, ...more });
const m2sata = (row: Row, more: Partial<Drive> = {}) => flash(row, { form: 'M.2 2280', plug: 'M.2', modes: ['sata-6'], key: 'B+M', sides: 1, ...more });

type DiskRow = [id: string, model: string, form: string, capacity: number, rate: number, recording: 'CMR' | 'SMR', rpm: number, workload: number, years: number];
function disk([id, model, form, capacity, rate, recording, rpm, workload, years]: DiskRow, more: Partial<Drive> = {}): Drive {
  const small = form.startsWith('2.5');
  return {
    id, maker: 'Marrowick', model, media: 'disk', form, plug: 'SATA', modes: ['sata-6'], cell: null, recording, rpm,
    capacity: sheet(capacity), read: sheet(rate * MB), write: sheet(rate * MB), rest: unknown, cache: unknown, tbw: unknown, warrantyYears: sheet(years),
    workload: { value: (workload * TB) / 365, source: { kind: 'sheet', note: `${workload} TB a year` } },
    power: small ? { idle: 0.8, read: 1.9, write: 2, start: 4.8 } : { idle: 5, read: 7.4, write: 7.2, start: 22 },
    ...more,
  };
}

type SealedRow = [id: string, maker: string, model: string, capacity: number, read: number, write: number, modes: string[], rest: Fact];
function sealed([id, maker, model, capacity, read, write, modes, rest]: SealedRow, more: Partial<Drive> = {}): Drive {
  return {
    id, maker, model, media: 'flash', sealed: true, form: 'external', plug: 'USB-C', modes, cell: null, protocol: 'uas',
    capacity: sheet(capacity), read: sheet(read * MB), write: sheet(write * MB), rest, cache: unknown, tbw: unknown, warrantyYears: sheet(3), ...more,
  };
}

const bench = 'shop bench, two units';

export const DRIVES: Drive[] = [
  nvme(['larkmoor-reed-500g', 'Larkmoor', 'Reed 500 GB', 'TLC', 500 * GB, 3100, 1900, seen(420 * MB, 520 * MB, 640 * MB, bench), seen(22 * GB, 30 * GB, 42 * GB, bench), 300, 5], 'pcie3x4', { sides: 1, map: 'DRAM', power: { idle: 0.6, read: 4.6, write: 4.2 }, randomRead: sheet(350e3), randomWrite: sheet(300e3) }),
  nvme(['larkmoor-reed-1t', 'Larkmoor', 'Reed 1 TB', 'TLC', 1 * TB, 3500, 2500, seen(620 * MB, 740 * MB, 860 * MB, bench), seen(45 * GB, 60 * GB, 80 * GB, bench), 600, 5], 'pcie3x4', { sides: 1, map: 'DRAM', power: { idle: 0.6, read: 5, write: 4.8 }, randomRead: sheet(410e3), randomWrite: sheet(360e3) }),
  nvme(['larkmoor-reed-2t', 'Larkmoor', 'Reed 2 TB', 'TLC', 2 * TB, 3500, 3000, seen(780 * MB, 900 * MB, 1050 * MB, bench), seen(90 * GB, 120 * GB, 160 * GB, bench), 1200, 5], 'pcie3x4', {
    sides: 2, map: 'DRAM', power: { idle: 0.7, read: 5.2, write: 5.4 }, randomRead: sheet(460e3), randomWrite: sheet(420e3),
    revisions: [
      { name: 'A', known: 'firmware 1.x on the label' },
      { name: 'B', known: 'firmware 3.x on the label', rest: seen(320 * MB, 400 * MB, 470 * MB, 'shop bench, one unit'), cache: seen(240 * GB, 300 * GB, 360 * GB, 'shop bench, one unit') },
    ],
    revision: 'A',
  }),
  nvme(['larkmoor-sedge-1t', 'Larkmoor', 'Sedge 1 TB', 'QLC', 1 * TB, 2400, 1800, unknown, unknown, 200, 3], 'pcie3x4', { sides: 1, map: 'HMB' }),
  nvme(['larkmoor-sedge-2t', 'Larkmoor', 'Sedge 2 TB', 'QLC', 2 * TB, 2400, 2000, unknown, unknown, 400, 3], 'pcie3x4', { sides: 1, map: 'HMB' }),
  nvme(['larkmoor-wren-512g', 'Larkmoor', 'Wren 512 GB', 'TLC', 512 * GB, 3300, 1400, unknown, unknown, 240, 3], 'pcie3x4', { form: 'M.2 2230', sides: 1, map: 'HMB' }),
  nvme(['larkmoor-wren-1t', 'Larkmoor', 'Wren 1 TB', 'TLC', 1 * TB, 4900, 3400, seen(380 * MB, 480 * MB, 600 * MB, 'shop bench, one unit'), unknown, 500, 5], 'pcie4x4', { form: 'M.2 2230', sides: 1, map: 'HMB', power: { idle: 0.5, read: 3.8, write: 4.1 } }),
  nvme(['larkmoor-finch-1t', 'Larkmoor', 'Finch 1 TB', 'TLC', 1 * TB, 3400, 2300, unknown, unknown, 480, 3], 'pcie3x4', { form: 'M.2 2242', sides: 1, map: 'HMB' }),
  nvme(['hollin-pebble-256g', 'Hollin', 'Pebble 256 GB', 'TLC', 256 * GB, 1600, 900, unknown, unknown, 120, 3], 'pcie3x2', { sides: 1, map: 'HMB', key: 'B+M' }),
  nvme(['oystral-merlin-1t', 'Oystral', 'Merlin 1 TB', 'TLC', 1 * TB, 7000, 5300, seen(900 * MB, 1050 * MB, 1200 * MB, 'review of the 1 TB model'), seen(90 * GB, 115 * GB, 140 * GB, 'review of the 1 TB model'), 700, 5], 'pcie4x4', { sides: 1, map: 'DRAM', power: { idle: 0.9, read: 6.4, write: 6.2 }, randomRead: sheet(800e3), randomWrite: sheet(900e3) }),
  nvme(['oystral-merlin-2t', 'Oystral', 'Merlin 2 TB', 'TLC', 2 * TB, 7200, 6300, seen(1250 * MB, 1450 * MB, 1650 * MB, 'review of the 2 TB model'), seen(180 * GB, 220 * GB, 260 * GB, 'review of the 2 TB model'), 1400, 5], 'pcie4x4', { sides: 2, map: 'DRAM', power: { idle: 0.9, read: 6.8, write: 6.9 }, randomRead: sheet(1e6), randomWrite: sheet(950e3) }),
  nvme(['oystral-merlin-4t', 'Oystral', 'Merlin 4 TB', 'TLC', 4 * TB, 7200, 6600, seen(1500 * MB, 1700 * MB, 1900 * MB, 'review of the 4 TB model'), seen(350 * GB, 430 * GB, 500 * GB, 'review of the 4 TB model'), 2800, 5], 'pcie4x4', { sides: 2, map: 'DRAM', power: { idle: 1, read: 7.2, write: 7.4 }, randomRead: sheet(1e6), randomWrite: sheet(1e6) }),
  nvme(['oystral-kestrel-1t', 'Oystral', 'Kestrel 1 TB', 'TLC', 1 * TB, 5000, 4200, unknown, unknown, 600, 5], 'pcie4x4', { sides: 1, map: 'HMB', power: { idle: 0.6, read: 4.4, write: 4.6 } }),
  nvme(['oystral-kestrel-2t', 'Oystral', 'Kestrel 2 TB', 'TLC', 2 * TB, 7000, 6100, unknown, unknown, 1200, 5], 'pcie4x4', {
    sides: 1, map: 'HMB', power: { idle: 0.7, read: 5.6, write: 5.8 },
    read: { ...sheet(7000 * MB), at: { block: 131072, depth: 32 }, others: [{ value: 5800 * MB, source: { kind: 'sheet', note: 'listing of another shop' } }, { value: [6600 * MB, 6750 * MB, 6900 * MB], source: { kind: 'measured', note: 'shop bench, one unit' }, at: { block: 1048576, depth: 8, fill: 0.1 } }], why: 'the maker’s own sheet' },
  }),
  nvme(['oystral-kestrel-2t-fin', 'Oystral', 'Kestrel Fin 2 TB', 'TLC', 2 * TB, 7000, 6100, unknown, unknown, 1200, 5], 'pcie4x4', { sides: 1, map: 'HMB', heatsinkHeight: 10.3, power: { idle: 0.7, read: 5.6, write: 5.8 } }),
  nvme(['oystral-osprey-8t', 'Oystral', 'Osprey 8 TB', 'QLC', 8 * TB, 6800, 5800, seen(240 * MB, 320 * MB, 420 * MB, 'review of the 8 TB model'), unknown, 2400, 5], 'pcie4x4', { sides: 2, map: 'DRAM', power: { idle: 1.2, read: 7, write: 7.8 } }),
  nvme(['oystral-gannet-2t', 'Oystral', 'Gannet 2 TB', 'TLC', 2 * TB, 12400, 11800, seen(1800 * MB, 2100 * MB, 2400 * MB, 'review of the 2 TB model'), seen(190 * GB, 230 * GB, 270 * GB, 'review of the 2 TB model'), 1400, 5], 'pcie5x4', { sides: 2, map: 'DRAM', power: { idle: 1.6, read: 10.5, write: 11.2 } }),
  nvme(['oystral-gannet-4t', 'Oystral', 'Gannet 4 TB', 'TLC', 4 * TB, 12800, 12000, unknown, unknown, 3000, 5], 'pcie5x4', { sides: 2, map: 'DRAM', heatsinkHeight: 16.5, power: { idle: 1.7, read: 10.8, write: 11.6 } }),
  nvme(['fernhaze-bastion-3840', 'Fernhaze', 'Bastion 3.84 TB', 'TLC', 3840 * GB, 6200, 2900, seen(2600 * MB, 2750 * MB, 2850 * MB, 'data sheet, sustained'), { value: 0, source: { kind: 'sheet', note: 'no cache: sustained figures' } }, 3800, 5], 'pcie4x4', { form: 'M.2 22110', sides: 2, map: 'DRAM', power: { idle: 2.5, read: 8, write: 8.2 } }),
  m2sata(['venndale-flint-250g', 'Venndale', 'Flint 250 GB', 'TLC', 250 * GB, 550, 480, unknown, unknown, 100, 3], { form: 'M.2 2242', map: 'none' }),
  m2sata(['venndale-flint-500g', 'Venndale', 'Flint 500 GB', 'TLC', 500 * GB, 560, 510, unknown, unknown, 250, 5], { map: 'DRAM' }),
  m2sata(['venndale-flint-1t', 'Venndale', 'Flint 1 TB', 'TLC', 1 * TB, 560, 520, seen(340 * MB, 400 * MB, 450 * MB, bench), seen(15 * GB, 25 * GB, 40 * GB, bench), 500, 5], { map: 'DRAM' }),
  sata(['venndale-slate-1t', 'Venndale', 'Slate 1 TB', 'TLC', 1 * TB, 560, 520, seen(350 * MB, 410 * MB, 460 * MB, bench), seen(15 * GB, 25 * GB, 45 * GB, bench), 360, 5], { map: 'DRAM' }),
  sata(['venndale-slate-2t', 'Venndale', 'Slate 2 TB', 'TLC', 2 * TB, 560, 520, seen(380 * MB, 440 * MB, 480 * MB, 'shop bench'), seen(20 * GB, 40 * GB, 80 * GB, 'shop bench'), 720, 5], { map: 'DRAM' }),
  sata(['venndale-slate-4t', 'Venndale', 'Slate 4 TB', 'TLC', 4 * TB, 560, 530, unknown, unknown, 1440, 5], { map: 'DRAM' }),
  sata(['venndale-chalk-4t', 'Venndale', 'Chalk 4 TB', 'QLC', 4 * TB, 560, 510, unknown, unknown, 1440, 5], { map: 'DRAM' }),
  sata(['venndale-chalk-8t', 'Venndale', 'Chalk 8 TB', 'QLC', 8 * TB, 560, 520, seen(90 * MB, 140 * MB, 170 * MB, 'shop bench, one unit'), unknown, 2880, 3], { map: 'DRAM' }),
  sata(['hollin-basic-240g', 'Hollin', 'Basic 240 GB', 'TLC', 240 * GB, 520, 420, unknown, unknown, 80, 3], { map: 'none' }),
  disk(['marrowick-drift-1t', 'Drift 1 TB', '2.5-inch, 7 mm', 1 * TB, 135, 'SMR', 5400, 55, 2]),
  disk(['marrowick-drift-2t', 'Drift 2 TB', '2.5-inch, 7 mm', 2 * TB, 140, 'SMR', 5400, 55, 2]),
  disk(['marrowick-drift-5t', 'Drift 5 TB', '2.5-inch, 15 mm', 5 * TB, 145, 'SMR', 5400, 55, 2]),
  disk(['marrowick-anchor-2t', 'Anchor 2 TB', '3.5-inch', 2 * TB, 165, 'CMR', 5400, 180, 3]),
  disk(['marrowick-anchor-4t', 'Anchor 4 TB', '3.5-inch', 4 * TB, 190, 'CMR', 5400, 180, 3]),
  disk(['marrowick-anchor-8t', 'Anchor 8 TB', '3.5-inch', 8 * TB, 215, 'CMR', 7200, 180, 3], { mtbf: { value: 1e6 * 3600, source: { kind: 'sheet', note: '1 million hours' } } }),
  disk(['marrowick-anchor-16t', 'Anchor 16 TB', '3.5-inch', 16 * TB, 260, 'CMR', 7200, 550, 5], { mtbf: { value: 2.5e6 * 3600, source: { kind: 'sheet', note: '2.5 million hours, helium' } } }),
  disk(['marrowick-ledge-8t', 'Ledge 8 TB', '3.5-inch', 8 * TB, 190, 'SMR', 5400, 55, 2]),
  sealed(['tesselin-pocket-1t', 'Tesselin', 'Pocket 1 TB', 1 * TB, 1050, 1000, ['usb-10'], unknown], { cell: 'TLC' }),
  sealed(['tesselin-pocket-x-2t', 'Tesselin', 'Pocket X 2 TB', 2 * TB, 2000, 2000, ['usb-20'], unknown]),
  sealed(['oystral-ferry-4t', 'Oystral', 'Ferry 4 TB', 4 * TB, 2800, 2600, ['tb-3', 'usb4-40'], seen(900 * MB, 1200 * MB, 1400 * MB, 'shop bench, one unit')], { cell: 'TLC', power: { idle: 2, read: 7, write: 7.5, start: 8 } }),
  sealed(['marrowick-haul-5t', 'Marrowick', 'Haul 5 TB', 5 * TB, 140, 135, ['usb-5'], unknown], { media: 'disk', plug: 'Micro-B', recording: 'SMR', rpm: 5400, protocol: 'bulk-only', power: { idle: 1, read: 2.4, write: 2.5, start: 4.4 } }),
  sealed(['marrowick-haul-desk-16t', 'Marrowick', 'Haul Desk 16 TB', 16 * TB, 240, 235, ['usb-5'], unknown], { media: 'disk', plug: 'Micro-B', recording: 'CMR', rpm: 7200, power: { idle: 0, read: 0, write: 0, start: 0 } }),
];
