import { create } from 'zustand';
import type { PluggedIn } from '@kymar/core/catalog/negotiated';
import type { KnownAnswers } from './answers';
import { Gone } from './gone';
import type { KeptRun, RunEvent, RunRequest, RunTarget, Watchable } from '@kymar/core/measure';

/** What the server said no to, in its own words. */
class Refused extends Error {}
/** The server does not answer at all. */
export class Away extends Gone {}

/** Whether the server answers, as far as is known. */
export const useServer = create<{ away: boolean }>(() => ({ away: false }));
const heard = (away: boolean) => useServer.getState().away !== away && useServer.setState({ away });

async function send(method: string, path: string, body?: unknown): Promise<Response> {
  const json = body ? { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) } : {};
  const response = await fetch(`/api${path}`, { method, cache: 'no-store', ...json }).catch(() => {
    heard(true);
    throw new Away('Kymar’s server does not answer. Is it still running in its terminal?');
  });
  // A proxy in front of a server that is away answers in its place.
  heard([502, 503, 504].includes(response.status));
  return response;
}

let renewed: Promise<Response> | null = null;
/** A new session, one for all who ask meanwhile: each would name this browser anew, and a run begun under one name is not found under another. */
const renew = (): Promise<Response> =>
  (renewed ??= send('GET', '/session').finally(() => {
    renewed = null;
  }));

async function ask(method: string, path: string, body?: unknown): Promise<Response> {
  let response = await send(method, path, body);
  // The server was started anew since this page was loaded: it hands out its new cookie.
  if (response.status === 401 && (await renew()).ok) response = await send(method, path, body);
  if (response.ok) return response;
  const problem = (await response.json().catch(() => ({}))) as { title?: string; detail?: string };
  throw new Refused(
    [problem.title, problem.detail].filter(Boolean).join(': ') || `The server answered ${response.status}.`,
  );
}

/** Asks whether the server is there; what comes of it stands in {@link useServer}. */
export const ping = (): Promise<void> =>
  renew().then(
    () => undefined,
    () => undefined,
  );

/** An answer as its schema says. @throws Refused where it is something else */
async function read<K extends keyof KnownAnswers>(kind: K, answer: unknown): Promise<KnownAnswers[K]> {
  const { checked } = await import('./answers');
  try {
    return checked(kind, answer);
  } catch (error) {
    throw new Refused((error as Error).message);
  }
}
const get = async <K extends keyof KnownAnswers>(kind: K, method: string, path: string, body?: unknown) =>
  read(kind, await (await ask(method, path, body)).json());

export const targets = (): Promise<RunTarget[]> => get('targets', 'GET', '/targets');
export const sources = (): Promise<RunTarget[]> => get('targets', 'GET', '/sources');
export const devices = (): Promise<PluggedIn[]> => get('devices', 'GET', '/devices');
export const watchables = (): Promise<Watchable[]> => get('watchable', 'GET', '/watchable');
export async function keptRuns(): Promise<KeptRun[]> {
  const answer = (await (await ask('GET', '/runs')).json()) as unknown;
  // Most pages find none, and need no schema for it.
  return Array.isArray(answer) && answer.length === 0 ? [] : read('runs', answer);
}
export const startRun = (request: RunRequest): Promise<KeptRun> => get('run', 'POST', '/runs', request);
export const stopRun = async (id: string): Promise<void> => void (await ask('POST', `/runs/${id}/stop`));
/** Says that what is watched is over. */
export const finishRun = async (id: string): Promise<void> => void (await ask('POST', `/runs/${id}/finish`));
/** Tells the server that a run's result is kept here. */
export const tookRun = async (id: string): Promise<void> => void (await ask('DELETE', `/runs/${id}`));

/** Follows a run until it ends. */
export async function followRun(id: string, listen: (event: RunEvent) => void): Promise<void> {
  const [{ createParser }, { checked }, response] = await Promise.all([
    import('eventsource-parser'),
    import('./answers'),
    ask('GET', `/runs/${id}/events`),
  ]);
  const parser = createParser({ onEvent: ({ data }) => listen(checked('event', JSON.parse(data))) });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  for (let piece = await reader.read(); !piece.done; piece = await reader.read()) parser.feed(piece.value);
}
