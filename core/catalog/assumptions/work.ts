import { row } from './row';

const GB = 1e9;

/** What customers do, where nobody counted. */
export const WORK = {
  'work.bytes': row(
    'bytes',
    [20 * GB, 100 * GB, 500 * GB],
    'B',
    'memory',
    ['workload'],
    'what people move in one go',
  ),
  'work.file-size': row(
    'size of a file',
    [0.5e6, 10e6, 1e18],
    'B',
    'memory',
    ['workload'],
    'from files of half a megabyte to one large file',
  ),
  'work.times': row(
    'times a day',
    [0.2, 1, 2],
    'per day',
    'memory',
    ['workload'],
    'now and then to twice a day',
  ),
  'work.kept': row(
    'kept today',
    [100 * GB, 500 * GB, 2000 * GB],
    'B',
    'memory',
    ['workload'],
    'what people keep',
  ),
  'work.growth': row(
    'growth a day',
    [0.1 * GB, 1 * GB, 10 * GB],
    'B/day',
    'memory',
    ['workload'],
    'what people add a day',
  ),
  'stream.rate': row(
    'rate of each',
    [0.5e6, 12e6, 150e6],
    'B/s',
    'memory',
    ['workload'],
    'from sound to raw pictures',
  ),
  'stream.lasts': row('lasts', [300, 3600, 36_000], 's', 'memory', ['workload'], 'from minutes to a day'),
  'stream.buffer': row('buffer', [0.5, 3, 15], 's', 'memory', ['workload'], 'players and recorders'),
  'load.own': row('processing time', [2, 12, 45], 's', 'memory', ['loads'], 'programs and hosts'),
  'load.bytes': row('bytes', [0.2 * GB, 2 * GB, 12 * GB], 'B', 'memory', ['loads'], 'what programs load'),
  'load.requests': row(
    'dependent reads',
    [1e3, 12e3, 80e3],
    'count',
    'memory',
    ['loads'],
    'what programs ask for one after another',
  ),
  'scratch.operations': row(
    'operations a day',
    [1e5, 1e6, 2e7],
    'count',
    'memory',
    ['random'],
    'programs at work',
  ),
  'scratch.span': row(
    'span',
    [5 * GB, 50 * GB, 400 * GB],
    'B',
    'memory',
    ['random'],
    'what programs keep at work',
  ),
} as const;
