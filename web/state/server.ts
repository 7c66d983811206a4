import { createParser } from 'eventsource-parser';
import type { PluggedIn } from '@kymar/core/devices';
import type { RunEvent, RunRequest, Target } from '@kymar/core/bench';

/** What the server said no to, in its own words. */
export class Refused extends Error {}

const token = () => document.querySelector<HTMLMetaElement>('meta[name="kymar-token"]')?.content ?? '';

async function ask(method: string, path: string, body?: unknown): Promise<Response> {
  const response = await fetch(`/api${path}`, { method, headers: { Authorization: `Bearer ${token()}`, ...(body ? { 'Content-Type': 'application/json' } : {}) }, ...(body ? { body: JSON.stringify(body) } : {}) }).catch(() => {
    throw new Refused('Kymar’s server does not answer. Is it still running in its terminal?');
  });
  if (response.ok) return response;
  const problem = (await response.json().catch(() => ({}))) as { title?: string; detail?: string };
  throw new Refused([problem.title, problem.detail].filter(Boolean).join(': ') || `The server answered ${response.status}.`);
}

export const targets = async (): Promise<Target[]> => (await ask('GET', '/targets')).json() as Promise<Target[]>;
export const devices = async (): Promise<PluggedIn[]> => (await ask('GET', '/devices')).json() as Promise<PluggedIn[]>;
export const startRun = async (request: RunRequest): Promise<string> => ((await (await ask('POST', '/runs', request)).json()) as { id: string }).id;
export const abortRun = async (id: string): Promise<void> => void (await ask('DELETE', `/runs/${id}`));

/** Follows a run until it ends. */
export async function followRun(id: string, listen: (event: RunEvent) => void): Promise<void> {
  const response = await ask('GET', `/runs/${id}/events`);
  const parser = createParser({ onEvent: ({ data }) => listen(JSON.parse(data) as RunEvent) });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  for (let piece = await reader.read(); !piece.done; piece = await reader.read()) parser.feed(piece.value);
}
