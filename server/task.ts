import { randomUUID } from 'node:crypto';
import type { KeptRun, RunEvent, RunRequest } from '@kymar/core/measure';

type Listener = (event: RunEvent) => void;

/** Something the server measures: it goes on without its page, which can come back to it. */
export abstract class Task<R extends RunRequest = RunRequest> {
  readonly id = randomUUID();
  readonly at = new Date().toISOString();
  /** Settled when it is over and cleaned up. */
  abstract readonly ended: Promise<void>;
  private readonly listeners = new Set<Listener>();
  private last: RunEvent | null = null;

  constructor(
    readonly request: R,
    /** The folder it works in, or what it watches. */
    private readonly where: string,
  ) {}

  /** As a page that comes back finds it. */
  get kept(): KeptRun {
    return { id: this.id, at: this.at, request: this.request, folder: this.where, last: this.last };
  }

  /** Follows it: what was last said first, so that a page that reloads sees where it is. */
  follow(listener: Listener): () => void {
    if (this.last) listener(this.last);
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Asks it to stop without a result. */
  abort(): void {
    this.stop();
  }

  protected abstract stop(): void;

  /** Says that what is watched is over now. @returns whether it is for a person to say so */
  finish(): boolean {
    return false;
  }

  protected say(event: RunEvent): void {
    this.last = event;
    this.listeners.forEach((listener) => listener(event));
  }
}
