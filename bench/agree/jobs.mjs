/*
 * Jobs that nobody foresaw: one to four devices on one or two machines, every kind of work, arrays, used drives, runs, rates and bounds,
 * traces, health pages, checkpoints, frozen forecasts and decisions. All by a seed; nothing here knows what is said of them.
 */
const GB = 1e9;
const TB = 1e12;
const fact = (value, kind = 'entered') => ({ value, source: { kind } });
const unknown = { value: null, source: { kind: 'unknown' } };
const day = (n) => new Date(Date.UTC(2026, 9, 1, 8, 0) + n * 86_400_000).toISOString();
const minutes = (at, n) => new Date(Date.parse(at) + n * 60_000).toISOString();

/**
 * @param core doors of the core: assembly, choice, forecast, job, stats, stock
 * @returns a function that makes the n-th job of a seed
 */
export function maker(core, seed) {
  const { SHOP } = core.stock;
  const { apart } = core.assembly;
  const { searchAll, wantedOf } = core.choice;
  const { freeze, forecastAll, situationAt } = core.forecast;
  const { checkJob, placesOf, placeOf } = core.job;
  const builds = new Map();
  const buildsOn = (host) => {
    if (builds.has(host.id)) return builds.get(host.id);
    const bare = base('any', [{ id: 'm1', use: 'customer', host }]);
    bare.devices = [{ id: 'd1', name: '', parts: null }];
    bare.activities = [
      {
        id: 'a',
        name: 'A',
        kind: 'move',
        direction: 'write',
        bytes: fact(10 * GB),
        files: fact(1),
        perDay: fact(1),
        target: null,
      },
    ];
    const wanted = wantedOf(bare, 'd1', {
      owned: [],
      currency: null,
      shopRanges: {},
      // What it was called before.
      own: {},
    });
    // Before, arrays were offered that no job takes.
    const found = searchAll(wanted, SHOP)
      .candidates.map(({ build }) => build)
      .filter(({ array, together }) => array?.mode !== 'stripe of mirrors' || together > 3);
    builds.set(host.id, found);
    return found;
  };
  const base = (id, machines) => ({
    kymarVersion: 4,
    id,
    revision: 1,
    title: `Job ${id}`,
    customer: 'Somebody',
    created: day(0),
    changed: day(1),
    due: null,
    note: '',
    machines,
    devices: [],
    connections: [],
    activities: [],
    serviceYears: unknown,
    forecasts: [],
    runs: [],
    decision: null,
  });

  return (n) => {
    const uniform = core.stats.noise(seed * 100_003 + n);
    const chance = (p) => uniform() < p;
    const between = (low, high) => low + (high - low) * uniform();
    const log = (low, high) => Math.exp(between(Math.log(low), Math.log(high)));
    const pick = (list) => list[Math.floor(uniform() * list.length)];
    const whole = (low, high) => Math.floor(between(low, high + 1));
    const digits = (x, k = 3) => Number(x.toPrecision(k));
    /** A figure as people give one: exact, a range, or not at all. */
    const given = (x) => {
      const value = digits(x);
      const way = uniform();
      if (way < 0.75) return fact(value);
      return way < 0.9
        ? fact([digits(value * 0.8), value, digits(value * 1.3)])
        : fact([value, value, value]);
    };

    const machines = Array.from({ length: chance(0.25) ? 2 : 1 }, (_, i) => ({
      id: `m${i + 1}`,
      use: i === 0 ? 'customer' : 'also',
      host: pick(SHOP.hosts),
      ...(chance(0.3) ? { ambient: whole(15, 38) } : {}),
    }));
    const job = base(`agree-${seed}-${n}`, machines);
    if (chance(0.7)) job.serviceYears = fact(whole(2, 8));

    const [first] = machines;
    const devices = [1, 1, 1, 2, 2, 3, 4][whole(0, 6)];
    for (let i = 1; i <= devices; i++) {
      const list = buildsOn(first.host);
      if (list.length === 0) break;
      const build = structuredClone(pick(list));
      const { device, connection } = apart(build);
      const needs = {};
      if (chance(0.4)) needs.fill = fact(digits(between(0.05, 0.8), 2));
      if (chance(0.3)) needs.role = pick(['system', 'projects', 'archive', 'backup', 'everyday', 'scratch']);
      if (chance(0.2)) needs.onlyCopy = true;
      if (chance(0.45)) {
        // A used drive: its counter, on one or several days.
        const rate = log(2 * GB, 3 * TB);
        needs.inUseSince = day(-400).slice(0, 10);
        needs.counters = Array.from({ length: whole(1, 3) }, (_, k) => ({
          on: day(-300 + 150 * k).slice(0, 10),
          written: digits(rate * (100 + 150 * k)),
        }));
        // Some are near the end of their rating.
        const { tbw } = device.drive;
        const last = needs.counters.at(-1).written;
        if (typeof tbw?.value === 'number' && chance(0.5)) {
          const by = (tbw.value * between(0.5, 0.95)) / last;
          for (const one of needs.counters) one.written = digits(one.written * by);
        }
      }
      if (device.drive.media === 'disk' && chance(0.4)) needs.formatFirst = true;
      job.devices.push({ id: `d${i}`, name: chance(0.3) ? `Disk ${i}` : '', needs, parts: device });
      job.connections.push({ device: `d${i}`, machine: 'm1', ...connection });
      if (machines[1]) {
        const there = buildsOn(machines[1].host).find(
          (b) => b.drive.id === build.drive.id && b.bridge?.id === build.bridge?.id,
        );
        if (there)
          job.connections.push({
            device: `d${i}`,
            machine: 'm2',
            ...apart(structuredClone(there)).connection,
          });
      }
    }
    if (job.devices.length === 0) job.devices.push({ id: 'd1', name: '', parts: null });

    const common = (id, name) => ({
      id,
      name: `${name}, ${id}`,
      perDay: chance(0.15) ? fact(0) : fact(digits(log(0.03, 12), 2)),
      target: null,
      ...(chance(0.25) ? { today: digits(log(1, 6000)) } : {}),
      device: pick(job.devices).id,
      machine: 'm1',
    });
    const KINDS = {
      move: (id) => ({
        ...common(id, pick(['Nightly copy', 'Cards in', 'Take-out', 'Pull of a set'])),
        kind: 'move',
        direction: chance(0.65) ? 'write' : 'read',
        bytes: given(log(0.4 * GB, 3 * TB)),
        files: chance(0.8) ? fact(whole(1, 80_000)) : unknown,
        ...(chance(0.4) ? { adds: chance(0.5) } : {}),
        ...(chance(0.2) ? { verify: true } : {}),
      }),
      stream: (id) => ({
        ...common(id, pick(['Four cameras', 'Play-out'])),
        kind: 'stream',
        direction: chance(0.5) ? 'write' : 'read',
        rate: fact(digits(log(2e6, 400e6))),
        streams: whole(1, 6),
        lasts: given(log(60, 20_000)),
        buffer: given(log(0.1, 30)),
      }),
      open: (id) => ({
        ...common(id, pick(['Open the plan', 'Build the tree'])),
        kind: 'open',
        processing: given(log(0.5, 40)),
        bytes: given(log(0.05 * GB, 30 * GB)),
        dependentReads: given(log(100, 60_000)),
        ...(chance(0.4) ? { written: given(log(0.01 * GB, 20 * GB)) } : {}),
      }),
      scratch: (id) => ({
        ...common(id, 'Catalogue at work'),
        kind: 'scratch',
        operations: given(log(1e4, 1e8)),
        span: given(log(0.5 * GB, 300 * GB)),
        block: pick([4096, 16_384, 65_536]),
        reads: pick([0, 0.1, 0.3, 0.5, 0.7, 0.9, 1]),
        depth: pick([1, 2, 4, 8, 32]),
        synchronous: chance(0.3),
      }),
      keep: (id) => ({
        ...common(id, 'The archive'),
        kind: 'keep',
        now: given(log(5 * GB, 2 * TB)),
        growth: given(log(0.05 * GB, 30 * GB)),
      }),
    };
    if (chance(0.06)) {
      // Somebody pressed “add an activity” and went on.
      const empty = { ...KINDS.move('a0'), bytes: unknown, files: unknown, target: null };
      delete empty.today;
      job.activities.push(empty);
    }
    for (let i = job.activities.length; i < whole(1, 5); i++) {
      const activity = KINDS[pick(['move', 'move', 'move', 'stream', 'open', 'scratch', 'keep'])](
        `a${i + 1}`,
      );
      if (chance(0.6)) activity.target = digits(log(2, 8000));
      job.activities.push(activity);
    }

    let made = checked(checkJob(job));
    const rooms = placesOf(made).map((place) => ({ place, situation: situationAt(made, place) }));
    const sheets = rooms.map(({ place, situation }) => ({
      place,
      sheet: situation && forecastAll(situation),
    }));
    const timeOf = (id) =>
      sheets
        .flatMap(({ sheet }) => sheet?.activities ?? [])
        .find((a) => a.activity.id === id && a.figure.unit === 's')?.figure.expected;
    // Some people ask for what can be had; of some jobs all goes well, but only the first activity was timed.
    const isEasy = n % 9 === 4;
    if (isEasy || chance(0.5))
      for (const a of made.activities) {
        const expected = timeOf(a.id);
        if (a.target !== null && expected && expected < 1e7)
          a.target = digits(Math.max(1, expected * (isEasy ? 4 : between(1.5, 4))));
      }
    if (sheets.some(({ sheet }) => sheet?.activities.length > 0) && chance(0.75)) {
      try {
        made = { ...made, forecasts: [freeze(made, 'frozen-1', day(2))] };
      } catch {
        // A path is blocked: nothing is frozen.
      }
    }

    // What was timed: as forecast, or out by a factor; by thumb, read off, or only a bound.
    const runs = [];
    const out = isEasy ? 1 : pick([1, 1, 1.05, 0.95, 1.7, 3, 0.7]);
    for (const activity of made.activities) {
      const expected = timeOf(activity.id);
      const place = placeOf(made, activity);
      if (!expected || !place || expected > 1e7) continue;
      if (isEasy ? runs.length > 0 : !chance(0.75)) continue;
      const isCopy = activity.kind === 'move';
      const size =
        isCopy && Array.isArray(activity.bytes.value) ? activity.bytes.value[1] : activity.bytes?.value;
      // Nobody can say how much an empty activity moved.
      if (isCopy && !size) continue;
      const scatter = between(0.002, 0.04);
      const kind = pick(['timed', 'timed', 'timed', 'timed', 'rate', 'bound']);
      for (let k = 0; k < whole(1, 4); k++) {
        const seconds = digits(Math.max(0.5, expected * out * (1 + scatter * between(-1.7, 1.7))), 4);
        const measure =
          kind === 'rate' && isCopy
            ? {
                kind: 'rate',
                rate: digits(size / seconds),
                shown: `${digits(size / seconds / 1e6)} MB/s`,
                grain: 5e5,
                block: null,
                depth: null,
                bytes: null,
              }
            : kind === 'bound'
              ? {
                  kind: 'bound',
                  bytes: isCopy ? size : null,
                  files: null,
                  atMost: digits(seconds * 1.1, 2),
                  atLeast: null,
                }
              : {
                  kind: 'timed',
                  bytes: isCopy ? size : null,
                  files: isCopy ? activity.files.value : null,
                  seconds,
                  error: 0.1,
                  until: 'written',
                };
        runs.push({
          id: `${activity.id}-${k}`,
          at: minutes(day(3), runs.length * 20),
          activity: activity.id,
          direction: isCopy ? activity.direction : 'read',
          otherEnd: 'storage',
          source: kind === 'rate' ? 'program' : pick(['stopwatch', 'watched']),
          measure,
          path: { machine: place.machine, device: place.device },
          conditions: {
            temperature: chance(0.3) ? whole(25, 80) : null,
            cold: isCopy ? null : true,
            ...(chance(0.25) && k > 0
              ? { look: pick(['swap cable', 'other port', 'one file', 'rested']) }
              : {}),
          },
          ended: chance(0.95) ? 'done' : 'aborted',
          samples:
            isCopy && measure.kind === 'timed' && chance(0.4)
              ? [0, 0.2, 0.5, 0.8, 1].map((share) => ({
                  t: digits(seconds * share, 5),
                  bytes: Math.round(size * share ** 0.9),
                }))
              : [],
          ...(chance(0.05) ? { excluded: { at: day(4), reason: 'Somebody else was at it' } } : {}),
        });
      }
    }
    made = { ...made, runs };
    if (out > 1.5 && runs.length > 1 && chance(0.5)) {
      // A cause was found and put right: what was measured before is set aside, and measured anew.
      const at = day(4);
      const since = runs
        .filter((r) => r.measure.kind === 'timed' && !r.conditions.look)
        .map((r, k) => ({
          ...r,
          id: `${r.id}-since`,
          at: minutes(at, 20 + 20 * k),
          samples: [],
          measure: { ...r.measure, seconds: digits(r.measure.seconds / out, 4) },
        }));
      made = {
        ...made,
        runs: [...runs.map((r) => ({ ...r, excluded: { at, reason: 'Put right since' } })), ...since],
        found: [
          {
            cause: 'lead',
            title: 'The cable was an older one',
            fix: 'It was changed.',
            probability: 0.93,
            at,
          },
        ],
      };
    }
    if (made.forecasts.length > 0 && chance(0.2) && made.activities.length > 1) {
      try {
        made = { ...made, forecasts: [...made.forecasts, freeze(made, 'frozen-2', day(5))] };
      } catch {
        // The same.
      }
    }

    const fittings = made.devices.flatMap(({ id, parts }) => {
      if (!parts || !chance(0.5)) return [];
      const fitting = { device: id, steps: [] };
      if (chance(0.5)) {
        const written = digits(log(1 * GB, 30 * TB), 4);
        fitting.baseline = {
          at: day(3),
          written,
          text: [
            `Percentage Used: ${whole(0, 90)}%`,
            `Available Spare: ${whole(20, 100)}%`,
            `Data Units Written: ${Math.round(written / 512_000)}`,
            `Power On Hours: ${whole(1, 20_000)}`,
            `Media and Data Integrity Errors: ${chance(0.2) ? whole(1, 9) : 0}`,
            `Temperature: ${whole(20, 60)} Celsius`,
          ].join('\n'),
        };
      }
      if (parts.drive.media === 'disk' && chance(0.6)) {
        const share = digits(between(0.05, 0.9), 2);
        const took = (parts.drive.capacity.value ?? 4 * TB) / 180e6 / 60;
        fitting.format = {
          started: day(2),
          checkpoints: [{ at: minutes(day(2), took * share * between(0.9, 1.1)), share, grain: 0.005 }],
          ...(chance(0.3) ? { ended: minutes(day(2), took * between(0.95, 1.2)) } : {}),
        };
      }
      if (chance(0.3)) fitting.bought = day(-20).slice(0, 10);
      if (chance(0.3)) fitting.paid = { amount: digits(log(30, 900)), currency: 'EUR' };
      if (chance(0.3)) fitting.complete = day(3);
      return [fitting];
    });
    if (fittings.length > 0) made = { ...made, fittings };
    if (runs.length > 0 && chance(0.4))
      made = {
        ...made,
        decision: { kind: pick(['accept', 'change', 'retest', 'return']), words: 'As measured.', at: day(6) },
      };
    if (chance(0.2)) {
      // A drive that lies on the shelf, used before.
      const drive = pick(SHOP.drives).id;
      const page = `Percentage Used: ${whole(0, 95)}%\nMedia and Data Integrity Errors: ${chance(0.2) ? whole(1, 9) : 0}`;
      made = { ...made, owned: [`drives/${drive}`], used: [{ drive, at: day(1), text: page }] };
    }
    if (runs.length > 0 && chance(0.25)) {
      // Somebody looked, and let the forecast go by it.
      const [activity] = made.runs.map((r) => r.activity);
      const [look, seen, values] = pick([
        ['look at the link', 'usb-5', {}],
        ['look at its space', 'nearly full', { fill: 0.94 }],
        ['count again', 'another number of files', { bytes: null, files: whole(1, 90_000) }],
        ['look at the port', 'a hub or dock', {}],
      ]);
      const noted = { look, seen, at: day(6) };
      made = { ...made, looks: [noted] };
      made = core.diagnosis.withEntered?.(made, noted, activity, values, day(7)) ?? made;
    }
    if (chance(0.3)) made = { ...made, contact: 'desk@somebody.example' };
    return checked(checkJob(made));
  };
}

function checked(read) {
  if (!read.ok) throw new Error(read.problems.join('; '));
  return read.value;
}
