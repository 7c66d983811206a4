import type { RunRequest } from '@kymar/core/measure';
import { Problem } from './problem';
import { Task } from './task';

/** A run that waits for its turn on a device, then is that run: a page follows it by one name all the way. */
export class WaitingTask extends Task {
  readonly ended: Promise<void>;
  private run: Task | null = null;
  private isStopped = false;
  private leave: () => void = () => undefined;

  /**
   * @param before settled when what goes before it is over
   * @param ahead how many that are now
   * @param begin makes the run
   */
  constructor(
    request: RunRequest,
    where: string,
    before: Promise<void>,
    ahead: () => number,
    private readonly begin: () => Promise<Task>,
  ) {
    super(request, where);
    this.say({ type: 'waiting', before: ahead() });
    const left = new Promise<void>((resolve) => {
      this.leave = resolve;
    });
    const clock = setInterval(() => this.run ?? this.say({ type: 'waiting', before: ahead() }), 2000);
    this.ended = Promise.race([before, left])
      .then(() => clearInterval(clock))
      .then(() => this.turn());
  }

  /** Whether its turn has not come. */
  get isWaiting(): boolean {
    return this.run === null;
  }

  private async turn(): Promise<void> {
    if (this.isStopped)
      return this.say({ type: 'failed', aborted: true, problem: 'Taken out before its turn.' });
    try {
      this.run = await this.begin();
      this.run.follow((event) => this.say(event));
      await this.run.ended;
    } catch (error) {
      const problem =
        error instanceof Problem ? `${error.title}: ${error.message}` : (error as Error).message;
      this.say({ type: 'failed', aborted: false, problem });
    }
  }

  protected stop(): void {
    this.isStopped = true;
    if (this.run) this.run.abort();
    else this.leave();
  }
}
