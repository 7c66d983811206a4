import { type Sample } from '@kymar/core/job';
import { overfull, type Job } from '@kymar/core/job';
import { own } from '@kymar/core/text';
import { format } from '@kymar/core/units';
import { create } from 'zustand';
import {
  isEnd,
  type EndEvent,
  type GoingEvent,
  type KeptRun,
  type Purpose,
  type RunEvent,
  type RunRequest,
} from '@kymar/core/measure';
import { changeJob, jobRecords, useJobs } from './jobs';
import { Away, followRun, keptRuns, ping, startRun, tookRun, useServer } from './server';
import { byWhom } from './settings';
import { useStatus } from './status';

type Measured = Exclude<EndEvent, { type: 'failed' }>;
type Watched = Extract<EndEvent, { type: 'watched' }>;

/** A real run or a watch that goes on. */
export interface Going {
  run: KeptRun;
  direction: 'read' | 'write';
  samples: Sample[];
  /** B; null of a watch: nobody says how much it will be. */
  total: number | null;
  /** How many go before it, while its turn has not come; null: it is at work. */
  waiting: number | null;
  /** Of a watch, how it stands. */
  watching: Extract<GoingEvent, { type: 'watching' }> | null;
}

/** Samples of a run that goes on: a longer one is thinned, its shape stays. */
const MOST_SAMPLES = 2000;
const thinned = (samples: Sample[]): Sample[] =>
  samples.length > MOST_SAMPLES ? samples.filter((_, i) => i % 2 === 1) : samples;

/** Something about a run that a person should read; it stays until they have. */
export interface Message {
  id: string;
  /** The server keeps this run until the message is read; null where it need not. */
  run: string | null;
  severity: 'error' | 'warning' | 'success';
  text: string;
  /** A file to save: the manifest of a copy. */
  file?: { name: string; text: string };
  /** What only a person can tell: each answer with what it does. */
  choices?: { label: string; take(): void }[];
}

/** The real runs of this machine: they go on while other views are looked at, and are found again after a reload. */
export const useRuns = create<{ going: Record<string, Going>; messages: Message[] }>(() => ({
  going: {},
  messages: [],
}));

const tell = (message: Message): void =>
  useRuns.setState(({ messages }) => ({
    messages: [...messages.filter((m) => m.id !== message.id), message],
  }));

/** A person has read it; the server need not keep what it is about. */
export function readMessage(id: string): void {
  const run = useRuns.getState().messages.find((m) => m.id === id)?.run;
  useRuns.setState(({ messages }) => ({ messages: messages.filter((m) => m.id !== id) }));
  if (run) void tookRun(run).catch(() => undefined);
}

function setGoing(id: string, to: (going: Going | undefined) => Going | undefined): void {
  useRuns.setState(({ going }) => {
    const { [id]: now, ...rest } = going;
    const next = to(now);
    // What changes stays where it stands: a queue that jumps is clicked on wrongly.
    return { going: next ? { ...going, [id]: next } : rest };
  });
}

function hear(run: KeptRun, event: RunEvent): void {
  if (isEnd(event)) return void settle(run, event);
  if (event.type === 'waiting') return setGoing(run.id, () => ({ ...begun(run), waiting: event.before }));
  const isWatch = event.type === 'watching';
  const direction = isWatch ? (event.read > event.written ? 'read' : 'write') : event.direction;
  const bytes = isWatch ? Math.max(event.read, event.written) : event.bytes;
  const sample = { t: event.t, bytes };
  setGoing(run.id, (g) => ({
    run,
    direction,
    total: isWatch ? null : event.total,
    watching: isWatch ? event : null,
    waiting: null,
    samples: g?.direction === direction ? thinned([...g.samples, sample]) : [sample],
  }));
}

/** What a run told at its end: kept in its job, and only then let go by the server. */
async function settle(run: KeptRun, event: EndEvent): Promise<void> {
  const { purpose } = run.request;
  setGoing(run.id, () => undefined);
  const job = purpose && useJobs.getState().jobs[purpose.job];
  // The run of another browser: its own page will take it.
  if (!purpose || !job) return;
  if (event.type === 'failed') {
    if (event.aborted && !event.left) return void (await tookRun(run.id).catch(() => undefined));
    return tell({
      id: run.id,
      run: run.id,
      severity: event.aborted ? 'warning' : 'error',
      text: [event.problem, event.left].filter(Boolean).join(' '),
    });
  }
  if (event.type === 'watched' && event.whole && !job.runs.some(({ id }) => id.includes(run.id.slice(0, 36))))
    return tell(edgeOf(run, event, event.whole));
  await keep(run, event, purpose, job);
}

/** Asks which of two was the work: what ran at its own level, or all that moved. Nothing is kept before that is said. */
function edgeOf(run: KeptRun, event: Watched, whole: NonNullable<Watched['whole']>): Message {
  const { seconds, device } = event;
  const rest = whole.seconds - seconds;
  const bytes = whole.read + whole.written - event.read - event.written;
  const take = (as: Watched) => () => {
    const { purpose } = run.request;
    const job = purpose && useJobs.getState().jobs[purpose.job];
    useRuns.setState(({ messages }) => ({ messages: messages.filter((m) => m.id !== run.id) }));
    if (purpose && job) void keep(run, as, purpose, job);
  };
  return {
    id: run.id,
    run: run.id,
    severity: 'warning',
    text:
      `${device.name} moved ${format(event.read + event.written, 'B')} in ${format(seconds, 's')}, and only ${format(bytes, 'B')} more in ` +
      `${format(rest, 's')} before or after it. Was that another program?`,
    choices: [
      { label: `Yes: ${format(seconds, 's')}`, take: take({ ...event, whole: null }) },
      {
        label: `No, it belongs to it: ${format(whole.seconds, 's')}`,
        take: take({ ...event, ...whole, others: null, whole: null }),
      },
    ],
  };
}

/** Enters what was measured into its job, and lets the server forget it once it is stored. */
async function keep(run: KeptRun, event: Measured, purpose: Purpose, job: Job): Promise<void> {
  if (event.type !== 'watched' && event.left)
    tell({ id: `left by ${run.id}`, run: null, severity: 'warning', text: event.left });
  if (event.type === 'copied')
    tell({
      id: `copied by ${run.id}`,
      run: null,
      severity: 'success',
      text: `All ${event.files} files came back as they were read.`,
      file: { name: 'manifest.sha256', text: `${event.manifest.join('\n')}\n` },
    });
  const { runsIn } = await import('./where');
  const made = runsIn(job, run, event, purpose);
  const added = (j: Job): Job => {
    const fresh = made.filter((one) => !j.runs.some((had) => had.id === one.id));
    return fresh.length > 0 ? { ...j, runs: [...j.runs, ...fresh.map((r) => ({ ...r, ...byWhom() }))] } : j;
  };
  const full = overfull(added(job));
  if (full !== null) return tell({ id: run.id, run: run.id, severity: 'error', text: full });
  changeJob(job.id, added);
  await jobRecords.save();
  if (own(useStatus.getState().stores.jobs?.failed ?? {}, job.id) === undefined)
    await tookRun(run.id).catch(() => undefined);
}

/** A run before anything was told of it. */
function begun(run: KeptRun): Going {
  const { request } = run;
  const total = request.kind === 'watch' ? null : 'bytes' in request ? request.bytes : 1;
  return { run, direction: 'write', samples: [], total, watching: null, waiting: null };
}

async function follow(run: KeptRun): Promise<void> {
  setGoing(run.id, (g) => g ?? begun(run));
  try {
    await followRun(run.id, (event) => hear(run, event));
    // The stream ended without saying how: the server is gone.
    if (useRuns.getState().going[run.id]) void lookAgain();
  } catch (error) {
    if (!(error instanceof Away)) setGoing(run.id, () => undefined);
    void ping();
  }
}

/** Starts a run and follows it. @throws Refused in the server's own words */
export async function beginRun(request: RunRequest): Promise<void> {
  void follow(await startRun(request));
}

let looking = false;
/** Finds the runs that go on and the results nobody has taken yet. */
async function lookAgain(): Promise<void> {
  if (looking) return;
  looking = true;
  try {
    const runs = await keptRuns();
    const there = new Set(runs.map((run) => run.id));
    for (const id of Object.keys(useRuns.getState().going)) if (!there.has(id)) setGoing(id, () => undefined);
    for (const run of runs) {
      const { last } = run;
      if (last && isEnd(last)) void settle(run, last);
      else if (!(run.id in useRuns.getState().going)) void follow(run);
    }
  } catch {
    // Without the server there is nothing to find; it is looked again when it is back.
  } finally {
    looking = false;
  }
}

/** From the start on: what goes on is found, also after the server was away, and what belongs to a job that was brought back. */
export function watchRuns(): void {
  void lookAgain();
  useJobs.subscribe(({ jobs }, before) => {
    if (jobs !== before.jobs && Object.keys(jobs).some((id) => !(id in before.jobs))) void lookAgain();
  });
  useServer.subscribe(({ away }, before) => {
    if (before.away && !away) {
      useRuns.setState({ going: {} });
      void lookAgain();
    }
  });
}
