import { CAUSES, HEALTHY, logsUnder, LOOKS, NO_CAUSE } from '../diagnosis';
import { noise } from '../stats';
import { deviceName } from '../job';
import { begun, possible, resultOf, type Result, type Round, type PracticeStep } from './round';

/** A round as whoever plays it sees it: nothing of what is hidden. */
export interface Rig {
  machine: string;
  device: string;
  port: string;
  cable: string | null;
  work: { name: string; forecast: { low: number; expected: number; high: number } }[];
  /** What was timed beforehand. */
  before: Result[];
  /** What was done since. */
  done: Result[];
  minutes: number;
  /** What can be done next; min of a timed one as it would take where all is well. */
  actions: (PracticeStep & { title: string; minutes: number })[];
  /** Titles of looks and tests, by id. */
  titles: Readonly<Record<string, string>>;
  /** What can be named. */
  causes: { id: string; title: string }[];
  fixes: string[];
}

/** As many ways out are offered, the true ones among them. */
const FIXES = 8;

const at = (sorted: readonly number[], share: number) =>
  Math.exp(sorted[Math.floor(share * (sorted.length - 1))]!);

/** The range that a piece of work is forecast to take, s. */
function forecastOf({ cases }: Round, activity: number) {
  const logs = [...(logsUnder(null, cases[activity]!, { toBar: false }) ?? [])].sort((a, b) => a - b);
  return { low: at(logs, 0.05), expected: at(logs, 0.5), high: at(logs, 0.95) };
}

/** What is offered as a way out: the true ones and others, in an order of the seed's own. */
function fixesOf(round: Round): string[] {
  const own = (round.cause?.both ?? [round.cause]).flatMap((c) => c?.fix ?? []);
  const applying = CAUSES.filter((c) => round.cases.some((of) => c.applies(of)) && !own.includes(c.fix));
  const random = noise(round.seed * 613 + 7);
  const shuffled = <T>(list: readonly T[]): T[] =>
    list
      .map((item) => [random(), item] as const)
      .sort(([a], [b]) => a - b)
      .map(([, item]) => item);
  return shuffled([...own, ...shuffled(applying.map(({ fix }) => fix)).slice(0, FIXES - own.length)]);
}

/** A round as it stands after so many steps. */
export function rigOf(round: Round, steps: readonly PracticeStep[]): Rig {
  const [first] = round.cases;
  const { host, build } = first!;
  const before = begun(round).map((step) => resultOf(round, step));
  const done = steps.map((step) => resultOf(round, step));
  const port = host.ports.find(({ id }) => id === build.port);
  const name = deviceName([{ id: 'rig', name: '', needs: {}, parts: build }], 'rig');
  return {
    machine: host.name,
    device: name,
    port: port?.position ?? build.port,
    cable: build.cable?.name ?? null,
    work: round.cases.map((of, i) => ({ name: of.activity.name, forecast: forecastOf(round, i) })),
    before,
    done,
    minutes: done.reduce((sum, { minutes }) => sum + minutes, 0),
    actions: possible(round, [...begun(round), ...steps]).map((step) => {
      const look = LOOKS.find(({ id }) => id === step.look);
      const logs = look?.sees
        ? null
        : logsUnder(null, round.cases[step.activity]!, { look, toBar: false, every: 25 });
      const seconds = logs ? Math.exp(logs.reduce((sum, l) => sum + l, 0) / logs.length) : 0;
      return {
        ...step,
        title: look?.title ?? 'Time it as it is built',
        minutes: look?.sees ? (look.extra ?? 1) : 1 + (look?.extra ?? 0) + seconds / 60,
      };
    }),
    titles: Object.fromEntries(LOOKS.map(({ id, title }) => [id, title])),
    causes: [
      { id: HEALTHY, title: NO_CAUSE[HEALTHY]! },
      ...CAUSES.filter((c) => round.cases.some((of) => c.applies(of))).map(({ id, title }) => ({
        id,
        title,
      })),
    ],
    fixes: fixesOf(round),
  };
}
