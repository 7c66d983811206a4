import { create } from 'zustand';
import type { PluggedIn } from '@kymar/core/catalog/negotiated';
import type { KeptRun, RunEvent, RunRequest, Target } from '@kymar/core/measure';

/** What the server said no to, in its own words. */
class Refused extends Error {}
/** The server does not answer at all. */
export class Away extends Refused {}

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

async function ask(method: string, path: string, body?: unknown): Promise<Response> {
  let response = await send(method, path, body);
  // The server was started anew since this page was loaded: it hands out its new cookie.
  if (response.status === 401 && (await send('GET', '/session')).ok)
    response = await send(method, path, body);
  if (response.ok) return response;
  const problem = (await response.json().catch(() => ({}))) as { title?: string; detail?: string };
  throw new Refused(
    [problem.title, problem.detail].filter(Boolean).join(': ') || `The server answered ${response.status}.`,
  );
}

/** Asks whether the server is there; what comes of it stands in {@link useServer}. */
export const ping = (): Promise<void> =>
  send('GET', '/session').then(
    () => undefined,
    () => undefined,
  );

export const targets = async (): Promise<Target[]> =>
  (await ask('GET', '/targets')).json() as Promise<Target[]>;
export const devices = async (): Promise<PluggedIn[]> =>
  (await ask('GET', '/devices')).json() as Promise<PluggedIn[]>;
export const keptRuns = async (): Promise<KeptRun[]> =>
  (await ask('GET', '/runs')).json() as Promise<KeptRun[]>;
export const startRun = async (request: RunRequest): Promise<KeptRun> =>
  (await ask('POST', '/runs', request)).json() as Promise<KeptRun>;
export const stopRun = async (id: string): Promise<void> => void (await ask('POST', `/runs/${id}/stop`));
/** Tells the server that a run's result is kept here. */
export const tookRun = async (id: string): Promise<void> => void (await ask('DELETE', `/runs/${id}`));

/** Follows a run until it ends. */
export async function followRun(id: string, listen: (event: RunEvent) => void): Promise<void> {
  const [{ createParser }, response] = await Promise.all([
    import('eventsource-parser'),
    ask('GET', `/runs/${id}/events`),
  ]);
  const parser = createParser({ onEvent: ({ data }) => listen(JSON.parse(data) as RunEvent) });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  for (let piece = await reader.read(); !piece.done; piece = await reader.read()) parser.feed(piece.value);
}
