/*
 * Figures of the trade, from memory or by common practice, against what Kymar expects of the same parts. None of them stands in the demo, a default or a
 * hint.
 */
export const TRADE = 'the middle of each range against the expected figure';

const MB = 1e6;
const TB = 1e12;
const fact = (value, kind = 'sheet') => ({ value, source: { kind } });
const unknown = { value: null, source: { kind: 'unknown' } };

const flash = (modes, read, write, more = {}) => ({
  id: 'd',
  maker: 'Any',
  model: 'Any',
  media: 'flash',
  form: modes[0].startsWith('sata') ? '2.5-inch, 7 mm' : 'M.2 2280',
  plug: modes[0].startsWith('sata') ? 'SATA' : 'M.2',
  modes,
  cell: 'TLC',
  capacity: fact(1 * TB),
  read: read === null ? unknown : fact(read * MB),
  write: write === null ? unknown : fact(write * MB),
  rest: unknown,
  cache: unknown,
  tbw: unknown,
  warrantyYears: unknown,
  ...more,
});
const disk = (form, rpm, terabytes) =>
  flash(['sata-6'], null, null, {
    media: 'disk',
    form,
    rpm,
    cell: null,
    recording: 'CMR',
    capacity: fact(terabytes * TB),
  });
const sata = flash(['sata-6'], 560, 530);
const gen3 = flash(['pcie3x4'], 3500, 3200);
const gen4 = flash(['pcie4x4'], 7400, 6800);

const box = (drive, outer, more = {}) => ({
  id: 'b',
  maker: 'Any',
  model: 'Any',
  kind: 'enclosure',
  passThrough: false,
  socket: drive.plug,
  inner: drive.modes,
  plug: 'USB-C',
  outer,
  read: null,
  write: null,
  protocol: 'uas',
  ...more,
});
const lead = (modes) => ({ id: 'c', name: 'Any', ends: ['USB-C', 'USB-C'], modes, length: 0.5 });

export function tradeErrors({ path, forecast, endurance, disks, random, evidence }, explaining) {
  const { buildPath } = path;
  const host = (ports, more = {}) => ({
    id: 'h',
    name: 'Any',
    system: '',
    ports,
    storage: { name: 'fast', read: fact(20e9, 'measured'), write: fact(20e9, 'measured') },
    memory: fact(16e9),
    ...more,
  });
  const over = (drive, modes, { outer = null, more = {}, array = null, systems, endpoint = null } = {}) => {
    const connector = outer ? 'USB-C' : drive.plug;
    const port = { id: 'p', position: 'p', connector, modes };
    return buildPath({
      drive,
      bridge: outer ? box(drive, outer, more) : null,
      cable: outer ? lead([...new Set([...outer, ...modes, 'usb-2'])]) : null,
      port,
      host: host([port], systems ? { systems } : {}),
      ...(array ? { array: { members: 4, ...array } } : {}),
      ...(endpoint ? { endpoint } : {}),
    });
  };
  const flow = (found, direction = 'read') => found.flow[direction].expected / MB;
  const slot = (drive, mode) => flow(over({ ...drive }, [mode]));
  const end = (mode, kind, rate) => ({
    id: 'e',
    name: 'e',
    kind,
    modes: [mode],
    read: fact(rate * MB),
    write: fact(rate * MB),
  });
  const from = (mode, kind, rate) => {
    const found = over(gen4, ['pcie4x4'], { endpoint: end(mode, kind, rate) });
    return flow(found, 'write');
  };
  const iops = (rpm) =>
    random.operationsPerSecond(explaining, over(disk('3.5-inch', rpm, 4), ['sata-6']), {
      reads: 1,
      block: 4096,
      depth: 1,
      span: unknown,
      synchronous: false,
    }).expected;
  const outer = (form, rpm, terabytes) => flow(over(disk(form, rpm, terabytes), ['sata-6']));
  const copy = (drive, build, bytes, files, needs = { fill: fact(0) }) => {
    const ports = [
      { id: 'p', position: 'p', connector: build.outer ? 'USB-C' : drive.plug, modes: build.modes },
    ];
    const situation = forecast.situationOf({
      host: host(ports),
      build: {
        drive,
        bridge: build.outer ? box(drive, build.outer) : null,
        cable: build.outer ? lead(build.outer) : null,
        port: 'p',
      },
      activities: [
        {
          id: 'a',
          name: 'a',
          kind: 'move',
          perDay: fact(1),
          target: null,
          direction: 'write',
          bytes: fact(bytes),
          files: fact(files),
        },
      ],
      needs,
    });
    return forecast.forecast(forecast.caseOf(situation, 'a')).figure.expected;
  };
  const sustained = (drive) => {
    const situation = forecast.situationOf({
      host: host([{ id: 'p', position: 'p', connector: drive.plug, modes: drive.modes }]),
      build: { drive, bridge: null, cable: null, port: 'p' },
      activities: [
        {
          id: 'a',
          name: 'a',
          kind: 'move',
          perDay: fact(1),
          target: null,
          direction: 'write',
          bytes: fact(1e9),
          files: fact(1),
        },
      ],
      needs: { fill: fact(0) },
    });
    const { inputs, choices } = forecast.collect(explaining, forecast.caseOf(situation, 'a'));
    const way = choices?.find((c) => c.ways[0].inputs.rest)?.ways[0].inputs.rest;
    return (way ?? inputs.rest).expected / MB;
  };
  const hours = (h, m = 0) => h + m / 60;
  const PRACTICE = 'common practice, no source';
  const MEMORY = 'from memory';
  const striped = { mode: 'stripe', by: 'firmware' };
  const bulk = { more: { protocol: 'bulk-only' } };
  const windows = [{ family: 'Windows' }];
  const rows = [
    ['SATA flash inside, reading', flow(over(sata, ['sata-6'])), 540, 560, 'MB/s', PRACTICE],
    [
      'SATA flash behind 5 Gb/s, reading',
      flow(over(sata, ['usb-5'], { outer: ['usb-5'] })),
      380,
      450,
      'MB/s',
      PRACTICE,
    ],
    [
      'SATA flash behind 10 Gb/s, reading',
      flow(over(sata, ['usb-10'], { outer: ['usb-10'] })),
      500,
      550,
      'MB/s',
      PRACTICE,
    ],
    [
      'a 10 Gb/s enclosure, reading',
      flow(over(gen3, ['usb-10'], { outer: ['usb-10'] })),
      900,
      1050,
      'MB/s',
      PRACTICE,
    ],
    [
      'a 10 Gb/s enclosure, writing',
      flow(over(gen3, ['usb-10'], { outer: ['usb-10'] }), 'write'),
      900,
      1050,
      'MB/s',
      PRACTICE,
    ],
    ['gen 4 ×4 drive of 7,400 inside', slot(gen4, 'pcie4x4'), 7000, 7450, 'MB/s', PRACTICE],
    ['gen 3 ×4 drive of 3,500 inside', slot(gen3, 'pcie3x4'), 3400, 3560, 'MB/s', PRACTICE],
    ['gen 3 drive in a ×1 slot', slot(gen3, 'pcie3x1'), 800, 920, 'MB/s', PRACTICE],
    ['gen 4 drive in a gen 3 ×4 slot', slot(gen4, 'pcie3x4'), 3400, 3560, 'MB/s', PRACTICE],
    ['gen 4 drive in a gen 3 ×2 slot', slot(gen4, 'pcie3x2'), 1650, 1800, 'MB/s', MEMORY],
    [
      'Thunderbolt 3 enclosure, reading',
      flow(over(gen3, ['tb-3'], { outer: ['tb-3'] })),
      2600,
      2800,
      'MB/s',
      PRACTICE,
    ],
    [
      'USB4 40 Gb/s enclosure, reading',
      flow(over(gen4, ['usb4-40'], { outer: ['usb4-40'] })),
      2600,
      3100,
      'MB/s',
      MEMORY,
    ],
    [
      'newer USB4 40 Gb/s host and enclosure',
      flow(over(gen4, ['usb4-40g4'], { outer: ['usb4-40g4'] })),
      3000,
      3800,
      'MB/s',
      MEMORY,
    ],
    [
      'Thunderbolt 5 drive on its own port',
      flow(over(gen4, ['usb4-80'], { outer: ['usb4-80'] })),
      5700,
      6000,
      'MB/s',
      PRACTICE,
    ],
    [
      'the same on a 40 Gb/s port',
      flow(over(gen4, ['usb4-40'], { outer: ['usb4-80', 'usb4-40'] })),
      2600,
      3000,
      'MB/s',
      PRACTICE,
    ],
    [
      '20 Gb/s enclosure on its own port',
      flow(over(gen3, ['usb-20'], { outer: ['usb-20', 'usb-10'] })),
      1850,
      2050,
      'MB/s',
      MEMORY,
    ],
    [
      '20 Gb/s enclosure on a port without two lanes',
      flow(over(gen3, ['usb-10'], { outer: ['usb-20', 'usb-10'] })),
      900,
      1050,
      'MB/s',
      PRACTICE,
    ],
    [
      'USB 2.0 behind Windows',
      flow(over(sata, ['usb-2'], { outer: ['usb-2'], ...bulk, systems: windows })),
      30,
      38,
      'MB/s',
      PRACTICE,
    ],
    [
      '5 Gb/s, bulk-only, flash',
      flow(over(sata, ['usb-5'], { outer: ['usb-5'], ...bulk })),
      240,
      340,
      'MB/s',
      MEMORY,
    ],
    [
      'four SATA flash drives striped behind 10 Gb/s',
      flow(over(sata, ['usb-10'], { outer: ['usb-10'], array: striped })),
      780,
      900,
      'MB/s',
      PRACTICE,
    ],
    [
      'four striped behind 5 Gb/s',
      flow(over(sata, ['usb-5'], { outer: ['usb-5'], array: striped })),
      400,
      460,
      'MB/s',
      PRACTICE,
    ],
    ['1 Gb/s network', from('eth-1', 'network', 2000), 108, 116, 'MB/s', MEMORY],
    ['10 Gb/s network', from('eth-10', 'network', 2000), 980, 1150, 'MB/s', MEMORY],
    ['UHS-I card', from('uhs-1', 'card', 1000), 85, 95, 'MB/s', MEMORY],
    ['UHS-II card', from('uhs-2', 'card', 1000), 250, 300, 'MB/s', MEMORY],
    ['CFexpress B card', from('cfexpress-b', 'card', 5000), 1500, 1800, 'MB/s', MEMORY],
    [
      'portable 2.5-inch disk of 4 TB, outer tracks',
      outer('2.5-inch, 15 mm', 5400, 4),
      100,
      140,
      'MB/s',
      PRACTICE,
    ],
    ['3.5-inch disk, 5,400 rpm, 4 TB', outer('3.5-inch', 5400, 4), 150, 180, 'MB/s', MEMORY],
    ['3.5-inch disk, 7,200 rpm, 16 TB', outer('3.5-inch', 7200, 16), 220, 280, 'MB/s', PRACTICE],
    ['3.5-inch disk, 7,200 rpm, 2 TB', outer('3.5-inch', 7200, 2), 170, 210, 'MB/s', MEMORY],
    ['random reads of a 7,200 rpm disk, one at a time', iops(7200), 70, 90, 'a second', MEMORY],
    ['random reads of a 5,400 rpm disk, one at a time', iops(5400), 55, 75, 'a second', MEMORY],
    [
      'full format of a 16 TB disk, from 26 % at 4 h 20 min',
      disks.formatEnd([{ share: 0.26, elapsed: hours(4, 20) * 3600 }]).total.expected / 3600,
      hours(21, 50),
      hours(21, 50),
      'h',
      PRACTICE,
    ],
    [
      'QLC of 1 TB past its cache',
      sustained(flash(['pcie4x4'], 5000, 3600, { cell: 'QLC' })),
      100,
      200,
      'MB/s',
      MEMORY,
    ],
    [
      'QLC of 4 TB past its cache',
      sustained(flash(['pcie4x4'], 5000, 4500, { cell: 'QLC', capacity: fact(4 * TB) })),
      200,
      450,
      'MB/s',
      MEMORY,
    ],
    [
      'TLC with DRAM of 2 TB past its cache',
      sustained(flash(['pcie4x4'], 7000, 6600, { map: 'DRAM', capacity: fact(2 * TB) })),
      1600,
      2400,
      'MB/s',
      MEMORY,
    ],
    [
      'TLC without DRAM of 1 TB past its cache',
      sustained(flash(['pcie4x4'], 5000, 4500, { map: 'HMB' })),
      700,
      1200,
      'MB/s',
      MEMORY,
    ],
    [
      'SATA QLC past its cache',
      sustained(flash(['sata-6'], 560, 520, { cell: 'QLC' })),
      80,
      160,
      'MB/s',
      PRACTICE,
    ],
    ['SATA TLC of 1 TB past its cache', sustained(flash(['sata-6'], 560, 530)), 320, 480, 'MB/s', PRACTICE],
    [
      '20,000 files of 100 kB onto a 10 Gb/s enclosure',
      copy(gen3, { outer: ['usb-10'], modes: ['usb-10'] }, 2e9, 20_000),
      30,
      60,
      's',
      PRACTICE,
    ],
    [
      '100 GB in a few files onto a 10 Gb/s enclosure',
      copy(gen3, { outer: ['usb-10'], modes: ['usb-10'] }, 100e9, 20),
      100,
      115,
      's',
      MEMORY,
    ],
    [
      '500 GB onto an empty SATA TLC drive of 1 TB',
      copy(sata, { modes: ['sata-6'] }, 500e9, 100) / 60,
      17,
      26,
      'min',
      MEMORY,
    ],
    [
      'life from new of 600 TB at 63.16 GB a day',
      endurance.lifeFromNew({ tbw: 600e12, rate: 63.16e9 }),
      26,
      26,
      'years',
      PRACTICE,
    ],
    [
      '1,275 TB on 1 TB over 5 years',
      endurance.drivesPerDay({ tbw: 1275e12, capacity: 1e12, years: 5 }),
      0.7,
      0.7,
      'a day',
      PRACTICE,
    ],
  ];
  void evidence;
  return rows.map(([name, ours, low, high, unit, source]) => ({
    name,
    ours,
    low,
    high,
    unit,
    source,
    error: Math.abs(ours / ((low + high) / 2) - 1),
  }));
}
