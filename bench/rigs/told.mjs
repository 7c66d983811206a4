import { machineOf } from './setups.mjs';

/* A rig as it stands in a file of Kymar's: what a technician knows of it and has measured. */

const entered = (value) => ({ value, source: { kind: value === null ? 'unknown' : 'entered' } });
const MOST_SAMPLES = 300;
const thin = (samples) => {
  const every = Math.ceil(samples.length / MOST_SAMPLES);
  return every > 1 ? samples.filter((_, i) => i % every === 0) : samples;
};

function activityOf(work) {
  const common = { id: work.id, name: work.id, perDay: entered(1), target: null };
  return work.kind === 'move'
    ? {
        ...common,
        kind: 'move',
        direction: work.direction,
        bytes: entered(work.bytes),
        files: entered(work.knowsFiles ? work.files : null),
      }
    : {
        ...common,
        kind: 'open',
        processing: entered(null),
        bytes: entered(work.knowsBytes ? work.bytes : null),
        dependentReads: entered(null),
      };
}

/** A run as it is entered. @param n its place in the order */
function runOf({ work, look, took }, n) {
  const { seconds, until, bytes, files, direction, memoryEnd, byClock, rate, samples } = took;
  const isLoad = work.kind === 'open';
  const digits = rate === null ? null : Number((rate / 1e6).toPrecision(3));
  return {
    id: `run-${n}`,
    at: new Date(Date.UTC(2026, 9, 5, 8, 0, 0) + n * 1_800_000).toISOString(),
    activity: work.id,
    direction,
    otherEnd: memoryEnd ? 'memory' : 'storage',
    source: rate !== null ? 'program' : memoryEnd ? 'real' : byClock ? 'watched' : 'stopwatch',
    measure:
      rate === null
        ? {
            kind: 'timed',
            bytes: isLoad ? null : bytes,
            files: isLoad || !work.knowsFiles ? null : files,
            seconds,
            until: isLoad ? 'written' : until,
            error: byClock ? 0.03 : 0.15,
            correction: 0,
            laps: [],
            block: null,
            depth: null,
          }
        : {
            kind: 'rate',
            rate: digits * 1e6,
            shown: `${digits} MB/s`,
            grain: 5e4,
            block: null,
            depth: null,
            bytes,
          },
    path: { machine: 'machine', device: 'device' },
    conditions: {
      note: '',
      temperature: null,
      cold: isLoad ? true : null,
      target: null,
      memoryBacked: false,
      ...(look ? { look } : {}),
    },
    ended: 'done',
    samples: thin(samples),
  };
}

const partsOf = ({ drive, bridge, together, array }) => ({
  drive,
  bridge,
  ...(array ? { together, array } : {}),
});

/**
 * The file of a rig.
 * @param known what is told of the machine and of how full the device is
 * @param evidence runs, each with the work it stands for; and what was seen
 */
export function jobOf(setup, known, works, runs, looks) {
  return {
    kymarVersion: 4,
    id: 'rig',
    revision: 1,
    title: setup.id,
    customer: '',
    created: '2026-10-05T07:00:00.000Z',
    changed: '2026-10-05T07:00:00.000Z',
    due: null,
    note: '',
    machines: [{ id: 'machine', use: 'customer', host: machineOf(setup, known) }],
    activities: works.map(activityOf),
    devices: [
      { id: 'device', name: 'Device', needs: { fill: entered(known.fill) }, parts: partsOf(setup.told) },
    ],
    connections: [{ machine: 'machine', device: 'device', cable: setup.told.cable, port: setup.told.port }],
    serviceYears: entered(null),
    forecasts: [],
    runs: runs.map(runOf),
    looks: looks.map(({ look, seen }, i) => ({
      look,
      seen,
      at: new Date(Date.UTC(2026, 9, 8) + i * 60_000).toISOString(),
    })),
    decision: null,
  };
}
