import { stopwatchError } from '../measure';
import type { Fact } from '../evidence';
import { FIRST_PLACE, type FrozenForecast, type Job, type Move, type Run, VERSION, witness } from '../job';
import frozen from './frozen.json' with { type: 'json' };
import { ACCESSORIES, BRIDGES, CABLES, DRIVES, HOSTS } from '../catalog/stock';

const entered = (value: Fact['value']): Fact =>
  value === null ? { value, source: { kind: 'unknown' } } : { value, source: { kind: 'entered' } };
const part = <T extends { id: string }>(list: readonly T[], id: string): T => list.find((p) => p.id === id)!;

/** Ids of the demo's jobs: what "remove the demo" removes. */
export const DEMO_IDS = [
  'demo-acoustics-offload',
  'demo-herbarium-scans',
  'demo-simulator-bay',
  'demo-acoustics-archive',
  'demo-acoustics-second',
] as const;

/** The jobs of the demo. Its forecast is shipped frozen, as the models in force make it: a test compares. */
export function demoJobs(): Job[] {
  return [offload(), scans(), bay(), archive(), second()].map((job) => witness(null, job, job.changed));
}

/** A run by stopwatch, at the job's first place, until the bar was full. */
const timed = (
  id: string,
  at: string,
  activity: string,
  direction: Run['direction'],
  size: number,
  count: number,
  seconds: number,
  temperature: number,
): Run => ({
  id,
  at,
  activity,
  direction,
  otherEnd: 'storage',
  source: 'stopwatch',
  measure: {
    kind: 'timed',
    bytes: size,
    files: count,
    seconds,
    until: 'bar',
    error: stopwatchError(),
    correction: 0,
    laps: [],
    block: null,
    depth: null,
  },
  path: { ...FIRST_PLACE },
  conditions: { note: 'lid open, on mains', temperature, cold: true, target: null, memoryBacked: false },
  ended: 'done',
  samples: [],
});

/** The acoustics survey's offload: finished up to the verdict. */
function offload(): Job {
  const bytes = 214e9;
  const files = 38_400;
  const job: Job = {
    kymarVersion: VERSION,
    id: DEMO_IDS[0],
    revision: 1,
    title: 'Nightly offload, bat and bird recorders',
    customer: 'Acoustics survey',
    created: '2026-11-02T08:15:00.000Z',
    changed: '2026-11-04T16:40:00.000Z',
    due: '2026-11-27',
    note: 'Recorders are emptied into the laptop in the field; each night everything moves to the project disk before the batteries are charged.',
    machines: [{ id: FIRST_PLACE.machine, use: 'customer', host: part(HOSTS, 'field-laptop') }],
    activities: [
      {
        id: 'offload',
        kind: 'move',
        name: 'Nightly offload to the project disk',
        direction: 'write',
        bytes: entered(bytes),
        files: entered(files),
        perDay: entered(1),
        target: 12 * 60,
      },
      {
        id: 'readback',
        kind: 'move',
        name: 'Morning read-back of one transect',
        direction: 'read',
        bytes: entered(36e9),
        files: entered(6_400),
        perDay: entered(1),
        target: 150,
      },
      {
        id: 'season',
        kind: 'keep',
        name: 'A season’s nights, thinned out weekly',
        perDay: entered(1),
        target: null,
        now: entered(420e9),
        growth: entered([0.8e9, 1.2e9, 2e9]),
      },
    ],
    devices: [
      {
        id: FIRST_PLACE.device,
        name: 'Project disk',
        needs: {
          fill: entered([0.2, 0.3, 0.45]),
          role: 'projects',
          systems: ['Linux'],
          fileSystem: 'exFAT',
          table: 'GPT',
          portable: true,
        },
        parts: {
          drive: part(DRIVES, 'larkmoor-reed-2t'),
          bridge: part(BRIDGES, 'tesselin-nook-10'),
          accessories: ACCESSORIES.filter((a) => a.id === 'hollin-pad-10'),
        },
      },
    ],
    connections: [{ ...FIRST_PLACE, cable: part(CABLES, 'c-c-10-05'), port: 'left-back' }],
    serviceYears: entered(4),
    forecasts: [],
    runs: [],
    decision: null,
  };
  job.forecasts = [frozen.offload as unknown as FrozenForecast];
  job.runs = [
    timed('run-1', '2026-11-04T10:05:00.000Z', 'offload', 'write', bytes, files, 296.4, 51),
    timed('run-2', '2026-11-04T10:25:00.000Z', 'offload', 'write', bytes, files, 301.8, 54),
    timed('run-3', '2026-11-04T10:45:00.000Z', 'offload', 'write', bytes, files, 293.1, 53),
    timed('run-4', '2026-11-04T11:10:00.000Z', 'offload', 'write', bytes, files, 298.7, 54),
    timed('run-5', '2026-11-04T11:30:00.000Z', 'readback', 'read', 36e9, 6_400, 50.9, 49),
    timed('run-6', '2026-11-04T11:35:00.000Z', 'readback', 'read', 36e9, 6_400, 51.6, 49),
    timed('run-7', '2026-11-04T11:40:00.000Z', 'readback', 'read', 36e9, 6_400, 50.2, 50),
  ];
  return job;
}

/** The herbarium's scanning room: still at the brief. */
function scans(): Job {
  return {
    kymarVersion: VERSION,
    id: DEMO_IDS[1],
    revision: 1,
    title: 'Working disk for the sheet scanner',
    customer: 'Herbarium, scanning room',
    created: '2026-11-20T13:00:00.000Z',
    changed: '2026-11-20T13:20:00.000Z',
    due: '2026-12-04',
    note: 'One free short slot and one long one. Nobody knows yet how many sheets a day the second scanner will bring.',
    machines: [
      { id: FIRST_PLACE.machine, use: 'customer', host: part(HOSTS, 'scanning-workstation'), ambient: 26 },
    ],
    activities: [
      {
        id: 'ingest',
        kind: 'move',
        name: 'A day’s scans to the working disk',
        direction: 'write',
        bytes: {
          value: [120e9, 180e9, 320e9],
          source: { kind: 'entered', note: 'one scanner today, two from spring' },
        },
        files: entered(1_400),
        perDay: entered(1),
        target: 10 * 60,
      },
      {
        id: 'archive',
        kind: 'move',
        name: 'A week’s scans onto the archive',
        device: 'device-2',
        direction: 'write',
        bytes: entered(900e9),
        files: entered(null),
        perDay: entered(1 / 7),
        target: null,
      },
      {
        id: 'live',
        kind: 'stream',
        name: 'Second scanner, writing while it scans',
        direction: 'write',
        perDay: entered(1),
        target: null,
        rate: entered([90e6, 140e6, 190e6]),
        streams: 1,
        lasts: entered(2 * 3600),
        buffer: entered(4),
      },
    ],
    devices: [
      {
        id: FIRST_PLACE.device,
        name: 'Working disk',
        needs: {
          role: 'projects',
          systems: ['Windows'],
          movesLater: true,
          copies: [
            { name: 'Working disk', medium: 'flash', offSite: false },
            { name: 'Four-bay archive', medium: 'array', offSite: false },
          ],
        },
        parts: null,
      },
      {
        id: 'device-2',
        name: 'Four-bay archive',
        needs: { role: 'archive', systems: ['Windows'], fill: entered([0.3, 0.45, 0.6]) },
        parts: {
          drive: part(DRIVES, 'marrowick-anchor-8t'),
          bridge: part(BRIDGES, 'quarrel-quad-10'),
          together: 4,
          array: { mode: 'parity', by: 'firmware' },
        },
      },
    ],
    connections: [
      { machine: FIRST_PLACE.machine, device: 'device-2', cable: part(CABLES, 'c-c-10-2'), port: 'back-c' },
    ],
    serviceYears: entered(5),
    forecasts: [],
    runs: [],
    decision: null,
  };
}

/** The simulator's expansion bay: a drive that reads less than the host's maker asks for, judged by one school or the other. */
function bay(): Job {
  return {
    kymarVersion: VERSION,
    id: DEMO_IDS[2],
    revision: 1,
    title: 'Scenario drive for the expansion bay',
    customer: 'Ship-handling simulator',
    created: '2026-11-18T09:00:00.000Z',
    changed: '2026-11-18T09:40:00.000Z',
    due: '2026-12-01',
    note: 'The host’s maker asks for 5,300 MB/s of reading. The drive on the shelf reads 5,000; the instructor cares for how long a harbour takes to load.',
    machines: [{ id: FIRST_PLACE.machine, use: 'customer', host: part(HOSTS, 'simulator-host') }],
    activities: [
      {
        id: 'fill',
        kind: 'move',
        name: 'All harbours onto the new drive',
        direction: 'write',
        bytes: entered(640e9),
        files: entered(21_000),
        perDay: entered(1 / 7),
        target: 60 * 60,
      },
      {
        id: 'back',
        kind: 'move',
        name: 'One harbour back to the built-in drive',
        direction: 'read',
        bytes: entered(46e9),
        files: entered(1_500),
        perDay: entered(2),
        target: 90,
      },
      {
        id: 'load',
        kind: 'open',
        name: 'A harbour loads before class',
        perDay: entered(6),
        target: 40,
        processing: entered([12.5, 15.5, 19]),
        bytes: entered(6.4e9),
        dependentReads: entered([8_000, 15_000, 30_000]),
      },
    ],
    devices: [
      {
        id: FIRST_PLACE.device,
        name: '',
        needs: { role: 'expansion' },
        parts: {
          drive: part(DRIVES, 'oystral-kestrel-1t'),
          bridge: null,
          accessories: ACCESSORIES.filter((a) => ['oystral-fin-low', 'hollin-standoff'].includes(a.id)),
        },
      },
    ],
    connections: [{ ...FIRST_PLACE, cable: null, port: 'bay' }],
    policies: { minimum: 'outcome-first', heatsink: 'when needed' },
    serviceYears: entered(5),
    forecasts: [],
    runs: [],
    decision: null,
  };
}

/** The acoustics survey's archive: one disk, filled in the field and read in the office. */
function archive(): Job {
  return {
    kymarVersion: VERSION,
    id: DEMO_IDS[3],
    revision: 1,
    title: 'Season archive, field and office',
    customer: 'Acoustics survey',
    created: '2026-11-12T10:30:00.000Z',
    changed: '2026-11-12T11:05:00.000Z',
    due: '2026-12-11',
    note: 'One disk travels: nights are added in the field, the office reads whole transects off it for the yearly report.',
    machines: [
      { id: FIRST_PLACE.machine, use: 'customer', host: part(HOSTS, 'field-laptop'), ambient: 14 },
      { id: 'machine-2', use: 'also', host: part(HOSTS, 'office-desktop') },
    ],
    devices: [
      {
        id: FIRST_PLACE.device,
        name: 'Season archive',
        needs: { role: 'archive', portable: true, onlyCopy: false, fileSystem: 'exFAT' },
        parts: { drive: part(DRIVES, 'marrowick-drift-2t'), bridge: part(BRIDGES, 'quarrel-shell-10') },
      },
    ],
    connections: [
      { ...FIRST_PLACE, cable: part(CABLES, 'c-c-10-05'), port: 'left-back' },
      { device: FIRST_PLACE.device, machine: 'machine-2', cable: part(CABLES, 'c-a-10-05'), port: 'front-a' },
    ],
    activities: [
      {
        id: 'week',
        kind: 'move',
        name: 'A week’s nights onto the archive',
        direction: 'write',
        bytes: entered(470e9),
        files: entered(83_000),
        perDay: entered(1 / 7),
        target: 8 * 3600,
      },
      {
        id: 'transect',
        kind: 'move',
        name: 'A transect back for the report',
        machine: 'machine-2',
        direction: 'read',
        bytes: entered(310e9),
        files: entered(52_000),
        perDay: entered(1 / 14),
        target: 2 * 3600,
      },
    ],
    serviceYears: entered(3),
    budget: { amount: 240, currency: 'EUR' },
    forecasts: [],
    runs: [],
    decision: null,
  };
}

/** What was frozen for the second team: the same set and the same work give the same results, but for what is shipped of it. */
function secondFrozen({ results, ...first }: FrozenForecast): FrozenForecast {
  const { results: own, ...rest } = frozen.second;
  return {
    ...first,
    ...rest,
    results: own.map((changed, i) => ({ ...results[i], ...changed })),
  } as unknown as FrozenForecast;
}

/** The second team's disk: as good as the first, and stuck: it took far longer than was forecast. */
function second(): Job {
  const first = offload();
  const [nightly, back] = first.activities as [Move, Move];
  const [device] = first.devices;
  const job: Job = {
    ...first,
    id: DEMO_IDS[4],
    title: 'Second team’s project disk',
    created: '2026-11-17T09:20:00.000Z',
    changed: '2026-11-19T15:05:00.000Z',
    due: '2026-12-01',
    note: 'The same set as the first team’s, for the estuary. It came back from a first night as “far too slow”.',
    activities: [
      { ...nightly, target: 8 * 60 },
      { ...back, target: 75 },
    ],
    devices: [{ ...device!, name: 'Project disk, second team' }],
    forecasts: [],
    runs: [],
  };
  job.forecasts = [secondFrozen(first.forecasts[0]!)];
  job.runs = [
    timed('run-1', '2026-11-19T13:40:00.000Z', 'offload', 'write', 214e9, 38_400, 538.3, 44),
    timed('run-2', '2026-11-19T14:05:00.000Z', 'offload', 'write', 214e9, 38_400, 533.7, 45),
    timed('run-3', '2026-11-19T14:40:00.000Z', 'readback', 'read', 36e9, 6_400, 87.2, 43),
  ];
  return job;
}
