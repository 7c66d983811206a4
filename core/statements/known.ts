import { naming, say, type Said } from './statement';
import { isLinkId, linkById } from '../catalog/links';
import { LOOKS } from '../diagnosis';
import {
  BEFALLEN,
  type Befallen,
  deviceName,
  madeAt,
  type Job,
  type Money,
  type Place,
  type Run,
} from '../job';
import { learnedFrom, protocolOf, SOURCE_WORDS, warmthWords, type Learned, type Protocol } from '../measure';
import { fromPasted, healthAdvice } from '../models';
import { counted, format, moneyWords } from '../units';
import type { Claim, Verdict } from '../verdict';
import { judgedSaid, measuredSaid } from './claim';

/** Where something that is known may matter. */
export const CONCERNS = ['forecast', 'life', 'verdict', 'causes', 'protocol', 'handover'] as const;
export type Concern = (typeof CONCERNS)[number];

/** What it does there, in words; or why it does nothing. */
export interface ChangeMade {
  does: boolean;
  words: string;
}

/** Something that somebody entered, pasted, watched, looked at or timed about the real thing. */
export interface Observation {
  id: string;
  kind: ObservationKind;
  /** When; null where nobody noted it. */
  at: string | null;
  title: string;
  /** The device it is of, by id; null of what is of the whole job. */
  device: string | null;
  /** By whom or by what. */
  by: string;
  effects: Record<Concern, ChangeMade>;
}

/** What of a job the effects are told by. */
interface Told {
  job: Job;
  found: Verdict;
  protocol: Protocol;
  learned: Learned[];
}

const does = (words: string): ChangeMade => ({ does: true, words });
const none = (words: string): ChangeMade => ({ does: false, words });

type Item<T> = Omit<Observation, 'kind' | 'effects'> & { of: T };
interface Kind<T> {
  name: string;
  list(job: Job): Item<T>[];
  effects: Record<Concern, (of: T, told: Told) => ChangeMade>;
}
const kind = <T>(of: Kind<T>): Kind<T> => of;

const isTimed = ({ measure }: Run): boolean => measure.kind === 'timed';
const placeOfRun = ({ path }: Run): Place | null => (path && 'machine' in path ? path : null);
const itemOf = (job: Job, run: Run): Item<Run> => ({
  id: `run ${run.id}`,
  at: run.at,
  title: job.activities.find((a) => a.id === run.activity)?.name ?? `Synthetic ${run.direction}`,
  device: placeOfRun(run)?.device ?? null,
  by: [SOURCE_WORDS[run.source], run.by].filter(Boolean).join(', '),
  of: run,
});
const runsOf = (job: Job, is: (run: Run) => boolean): Item<Run>[] =>
  job.runs.filter(is).map((run) => itemOf(job, run));

const NO_WEAR = none('What a test writes is on the drive’s own counter: read its health page afterwards.');
const NO_COUNT = none('It is no run: it proves no activity.');
const NO_TARGET = none('It is no measurement of an activity.');

/** Why a run counts nowhere; null where it does. */
function setAside({ excluded, ended }: Run): string | null {
  if (excluded) return `Set aside: ${excluded.reason}.`;
  return ended === 'done' ? null : 'It did not finish.';
}
const claimOf = (run: Run, { found }: Told): Claim | undefined =>
  found.claims.find((c) => c.measured?.runs.some((r) => r.id === run.id));

/** What a run came to among the claims. */
function judgedBy(run: Run, told: Told): ChangeMade {
  const aside = setAside(run);
  if (aside !== null) return none(aside);
  const not = told.found.claims.flatMap((c) => c.impossible).find((i) => i.run.id === run.id);
  if (not) return none(`Not used: ${not.words}`);
  const claim = claimOf(run, told);
  if (!claim) return none('It answers no question of the brief.');
  const { right } = judgedSaid(claim);
  const of = counted(claim.measured!.runs.length, 'run');
  const met = claim.target ? `, target ${MET[claim.target.answer]}` : '';
  return does(`${measuredSaid(claim).middle!.words} of ${of}: ${right!.words}${met}.`);
}
const MET = { yes: 'met', no: 'not met', 'not proven': 'not proven' } as const;

/** What it tells of causes, said so where nothing else is against it. */
function weighed(run: Run, told: Told, words: string): ChangeMade {
  const aside = setAside(run);
  if (aside !== null) return none(aside);
  return claimOf(run, told)?.measured!.scattered
    ? none('The runs scatter too much to be weighed: find out what differs between them.')
    : does(words);
}

function countedBy(run: Run, { protocol }: Told): ChangeMade {
  const aside = setAside(run);
  if (aside !== null) return none(aside);
  if (run.conditions.look) return none('Made to find a cause, not as it is built.');
  if (run.source === 'simulated') return none('A rehearsal.');
  const test = protocol.tests.find(
    (t) => (t.activity?.id ?? null) === run.activity && t.direction === run.direction,
  );
  if (!test || !isTimed(run)) return none('Only what is timed, and belongs to a test, counts.');
  return does(`${test.done} of ${test.wanted} there.`);
}

/** Where a run stands in the handover: what did not finish stands in none. */
function handedOver(run: Run, words: string): ChangeMade {
  if (run.ended !== 'done') return none('It did not finish.');
  return does(run.excluded ? 'In the shop’s copy, as not used.' : words);
}

const KINDS = {
  run: kind<Run>({
    name: 'Timed run',
    list: (job) =>
      runsOf(job, isTimed).map((item) => ({
        ...item,
        title: [
          item.title,
          ...warmthWords({ conditions: { ...item.of.conditions, hottest: undefined } }),
        ].join(', '),
      })),
    effects: {
      forecast(run, { learned }) {
        const place = placeOfRun(run);
        const taught = learned.filter(
          (l) => place && l.place.machine === place.machine && l.place.device === place.device,
        );
        return taught.length > 0 && !run.excluded
          ? does('Teaches the machine or the drive: use this value on Bench.')
          : none('One size teaches nothing yet: a second one, or its course, does.');
      },
      life: () => NO_WEAR,
      verdict: judgedBy,
      causes: (run, told) =>
        weighed(run, told, 'Weighed with its time, its size and what was done differently.'),
      protocol: countedBy,
      handover(run) {
        const isShops = run.conditions.look || run.source === 'simulated' || run.activity === null;
        return handedOver(run, isShops ? 'In the shop’s copy.' : 'In both copies.');
      },
    },
  }),
  figure: kind<Run>({
    name: 'Figure or limit',
    list: (job) => runsOf(job, (run) => !isTimed(run)),
    effects: {
      forecast: () => none('A figure without its size and time teaches nothing.'),
      life: () => NO_WEAR,
      verdict: judgedBy,
      causes: (run, told) =>
        run.measure.kind === 'bound'
          ? none('A limit has no middle to weigh.')
          : weighed(run, told, 'Weighed as a rate.'),
      protocol: countedBy,
      handover: (run) => handedOver(run, 'Marked as what it is.'),
    },
  }),
  temperature: kind<Run>({
    name: 'Temperature',
    list: (job) =>
      runsOf(job, ({ conditions }) => conditions.hottest !== undefined).map((item) => ({
        ...item,
        id: `temperature ${item.id}`,
        title: `${warmthWords(item.of).join(', ')}, ${item.title}`,
      })),
    effects: {
      forecast: () => none('A forecast starts at the room’s temperature: enter that with the machine.'),
      life: () => none('Its rating is of what is written, not of how warm it gets.'),
      verdict: (run) =>
        run.conditions.temperature === null
          ? none('How warm it was at the start tells runs apart, not how hot it got.')
          : does('Runs that start warmer or cooler by 15 °C are not taken together.'),
      causes: (run, told) =>
        madeAt(told.job, run)?.build?.drive.media === 'flash'
          ? weighed(run, told, 'Speaks for heat, or against it.')
          : none('Only of a flash drive it is known how heat slows it down.'),
      protocol: () => none('It is a condition of its run.'),
      handover: (run) => handedOver(run, 'In the shop’s copy, beside its run.'),
    },
  }),
  look: kind<NonNullable<Job['looks']>[number]>({
    name: 'Look',
    list: ({ looks = [] }) =>
      looks.map((noted, i) => ({
        id: `look ${i}`,
        at: noted.at,
        title: `${LOOKS.find((l) => l.id === noted.look)?.title ?? noted.look}: ${seenWords(noted.seen)}`,
        device: null,
        by: noted.by ? `looked at, ${noted.by}` : 'looked at',
        of: noted,
      })),
    effects: {
      forecast: (of) =>
        of.entered
          ? does('It goes by what was seen.')
          : none('What it showed counts once it is taken into the forecast, with a press in the verdict.'),
      life: ({ entered, look }) =>
        entered && look === 'count again'
          ? does('What is written each time is as counted.')
          : none('Nothing that is looked at here wears a drive.'),
      verdict: ({ entered }) =>
        entered ? does('What its runs are held against, where nothing was frozen of it.') : NO_TARGET,
      causes: (_, { job, found }) =>
        found.claims.length === 0
          ? none('Nothing was measured yet that it could explain.')
          : (job.found?.length ?? 0) > 0
            ? none('Something was put right since.')
            : does('Believed, but for one in fifty who looks wrong.'),
      protocol: ({ entered }) => (entered ? does('How long its tests take.') : NO_COUNT),
      handover: () => does('In the shop’s copy.'),
    },
  }),
  link: kind<string>({
    name: 'Negotiated link',
    list: (job) =>
      job.connections.flatMap(({ machine, device, seen }) =>
        seen
          ? [
              {
                id: `link ${device}@${machine}`,
                at: seen.at,
                title: `${seen.device} runs ${seenWords(seen.link)}`,
                device,
                by: 'read from the machine',
                of: seen.link,
              },
            ]
          : [],
      ),
    effects: {
      forecast: () => does('The path runs as it was read.'),
      life: () => none('A slower link writes no more.'),
      verdict: () => does('What its runs are held against, where nothing was frozen of it.'),
      causes: () => does('The case is taken as it was read.'),
      protocol: () => does('How long its tests take.'),
      handover: () => does('In the findings, where it is slower than it could be.'),
    },
  }),
  health: kind<string>({
    name: 'Health page',
    list: ({ fittings = [] }) =>
      fittings.flatMap(({ device, baseline }) =>
        baseline
          ? [
              {
                id: `health ${device}`,
                at: baseline.at,
                title: healthTitle(baseline.text),
                device,
                by: 'the drive’s own counters',
                of: baseline.text,
              },
            ]
          : [],
      ),
    effects: {
      forecast: () => none('Times go by the model of drive, not by its age.'),
      life: (text) => {
        const read = fromPasted(text);
        const { written = null, percentageUsed = null } = read.ok ? read.counters : {};
        return written !== null
          ? does(`What is left counts from ${format(written, 'B', 4)} written.`)
          : percentageUsed !== null
            ? does(`What is left counts from ${format(percentageUsed, '%')} of its rating used.`)
            : none('It does not say what was written: what is left is told as from new.');
      },
      verdict: () => NO_TARGET,
      causes: () => none('No time shows a media error: it is told as it is.'),
      protocol: () => NO_COUNT,
      handover: () => does('Health on day zero.'),
    },
  }),
  used: kind<string>({
    name: 'Health page of a drive that is there',
    list: ({ used = [] }) =>
      used.map(({ drive, at, text }) => ({
        id: `used ${drive}`,
        at,
        title: healthTitle(text),
        device: null,
        by: 'the drive’s own counters',
        of: text,
      })),
    effects: {
      forecast: () => none('Times go by the model of drive, not by its age.'),
      life: () =>
        none('It is in no device yet: what is left of it counts in Choice, where it is offered or not.'),
      verdict: () => NO_TARGET,
      causes: () => none('Nothing was timed on it.'),
      protocol: () => NO_COUNT,
      handover: () => none('Only what is handed over stands there.'),
    },
  }),
  counter: kind<number>({
    name: 'Counter',
    list: ({ devices }) =>
      devices.flatMap(({ id, needs }) =>
        (needs?.counters ?? []).map(({ on, written }) => ({
          id: `counter ${id} ${on}`,
          at: on,
          title: `${format(written, 'B', 4)} written`,
          device: id,
          by: 'the drive’s own counter',
          of: written,
        })),
      ),
    effects: {
      forecast: () => none('Times go by the model of drive, not by its age.'),
      life: () => does('What is left, and how fast it goes.'),
      verdict: () => NO_TARGET,
      causes: () => none('What was written long ago slows no copy of today.'),
      protocol: () => NO_COUNT,
      handover: () => does('How long it lasts.'),
    },
  }),
  checkpoint: kind<number>({
    name: 'Checkpoint',
    list: ({ fittings = [] }) =>
      fittings.flatMap(({ device, format: pass }) =>
        (pass?.checkpoints ?? []).map(({ at, share, turned }, i) => ({
          id: `checkpoint ${device} ${i}`,
          at,
          title: `${format(share, '%')} of the format${turned ? ', as it turned' : ''}`,
          device,
          by: 'the display of the format',
          of: share,
        })),
      ),
    effects: {
      forecast: () => does('The end of the format, and all that follows it.'),
      life: () => none('A format writes its disk once.'),
      verdict: () => NO_TARGET,
      causes: () => none('A format is no activity of the brief.'),
      protocol: () => NO_COUNT,
      handover: () => none('It is over by then.'),
    },
  }),
  today: kind<string>({
    name: 'Takes today',
    list: ({ activities }) =>
      activities.flatMap(({ id, name, today }) =>
        today
          ? [
              {
                id: `today ${id}`,
                at: null,
                title: `${name}: ${format(today, 's')} today`,
                device: null,
                by: 'the customer',
                of: id,
              },
            ]
          : [],
      ),
    effects: {
      forecast: () => does('The difference is told beside it, and beside each build in Choice.'),
      life: () => none('It says nothing of what is written.'),
      verdict: (id, { found }) => {
        const said = found.claims.find((c) => c.activity?.id === id && c.today)?.today;
        return said ? does(said) : none('Nothing was measured of it yet.');
      },
      causes: () => none('It was another device.'),
      protocol: () => NO_COUNT,
      handover: () => does('Before and after.'),
    },
  }),
  bought: kind<Money | undefined>({
    name: 'Bought',
    list: ({ fittings = [] }) =>
      fittings.flatMap(({ device, bought, paid, warrantyUntil }) =>
        bought || paid || warrantyUntil
          ? [
              {
                id: `bought ${device}`,
                at: bought ?? null,
                title: boughtTitle(bought, paid, warrantyUntil),
                device,
                by: 'the receipt',
                of: paid,
              },
            ]
          : [],
      ),
    effects: {
      forecast: () => none('A price moves no time.'),
      life: (paid) =>
        paid
          ? does('What each year costs that it serves.')
          : none('A warranty ends a claim, not a drive; what was paid would tell what a year costs.'),
      verdict: () => NO_TARGET,
      causes: () => none('It tells who pays, not what is wrong.'),
      protocol: () => NO_COUNT,
      handover: () => does('With the unit.'),
    },
  }),
  befallen: kind<Befallen>({
    name: 'Befell the unit',
    list: ({ fittings = [] }) =>
      fittings.flatMap(({ device, befallen = [] }) =>
        befallen.map((one, i) => ({
          id: `befallen ${device} ${i}`,
          at: one.on,
          title: `${BEFALLEN[one.what]}${one.note ? `: ${one.note}` : ''}`.replace(/^./, (c) =>
            c.toUpperCase(),
          ),
          device,
          by: 'told',
          of: one,
        })),
      ),
    effects: {
      forecast: () => none('What still works is as quick as before.'),
      life: () => does('A risk that no rating counts is told beside it.'),
      verdict: () => NO_TARGET,
      causes: (_, { found }) =>
        found.claims.length === 0
          ? none('Nothing was measured yet that it could explain.')
          : does('Plug, socket and cable are likelier to be it.'),
      protocol: () => does('Plug and socket are looked at before it is timed.'),
      handover: () => does('In the log of the unit.'),
    },
  }),
  'put right': kind<string>({
    name: 'Fixed',
    list: ({ found = [] }) =>
      found.map(({ cause, title, at, by }, i) => ({
        id: `put right ${i}`,
        at,
        title,
        device: null,
        by: by ? `decided, ${by}` : 'decided',
        of: cause,
      })),
    effects: {
      forecast: () => none('A forecast is of how it should be.'),
      life: () => none('It wears nothing.'),
      verdict: () => does('What was measured before is set aside.'),
      causes: () => does('What was looked at before counts no longer.'),
      protocol: () => does('Its runs are wanted anew.'),
      handover: () => does('What was wrong and put right.'),
    },
  }),
};
export type ObservationKind = keyof typeof KINDS;

/** What kinds of observations are called. */
export const OBSERVED = Object.fromEntries(
  Object.entries(KINDS).map(([id, { name }]) => [id, name]),
) as Record<ObservationKind, string>;

/** What was seen, in words: a link by its name. */
export const seenWords = (seen: string): string => (isLinkId(seen) ? linkById(seen).name : seen);

/** What a receipt says. */
function boughtTitle(bought?: string, paid?: Money, warrantyUntil?: string): string {
  const said = [
    bought && 'day of purchase',
    paid && `${moneyWords(paid.amount, paid.currency)} paid`,
    warrantyUntil && `warranty until ${warrantyUntil}`,
  ].filter(Boolean);
  const words = said.join(', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

function healthTitle(text: string): string {
  const read = fromPasted(text);
  const [first] = read.ok ? healthAdvice(read.counters) : [];
  return first?.words ?? 'Nothing in it to worry about';
}

/** All that is known of the real thing, the newest first, each with what it changes and where it changes nothing. */
export function observationsOf(job: Job, found: Verdict): Observation[] {
  const told: Told = { job, found, protocol: protocolOf(job), learned: learnedFrom(job) };
  const listed = (id: ObservationKind) => {
    const { list, effects } = KINDS[id] as Kind<unknown>;
    return list(job).map(({ of, ...item }): Observation => {
      const each = CONCERNS.map((room) => [room, effects[room](of, told)] as const);
      return { ...item, kind: id, effects: Object.fromEntries(each) as Record<Concern, ChangeMade> };
    });
  };
  const all = (Object.keys(KINDS) as ObservationKind[]).flatMap(listed);
  return all.sort((a, b) => (b.at ?? '').localeCompare(a.at ?? ''));
}

/** Where an observation is from, in words; empty where the job has but one device. */
export const observedAt = (job: Job, { device }: Observation): string =>
  device !== null && job.devices.length > 1 ? deviceName(job.devices, device) : '';

/** An observation: what it tells, and what it changed. */
export const knownSaid = ({ id, title, effects }: Observation): Said<'title' | Concern> =>
  say('told', naming('known', id), {
    title,
    ...Object.fromEntries(CONCERNS.map((room) => [room, effects[room].words])),
  });
