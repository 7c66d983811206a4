import { STEADY_RULE, steadyIn, type RunEvent, type SteadyRequest } from '@kymar/core/measure';
import { latencyOf, ScatteredTask } from '../random/task';
import { writing } from '../way';
import type { RandomDone } from '../random/work';
import { asTarget } from '../../target';

/** Small requests in rounds, until rounds are as one another or there were enough of them. */
class SteadyRun extends ScatteredTask<SteadyRequest, RandomDone[][]> {
  protected readonly lasts = this.request.seconds * this.request.rounds;

  protected async work() {
    const laid = await this.lay();
    if (!laid.ok) return laid;
    const rounds: RandomDone[][] = [];
    while (rounds.length < this.request.rounds && !steadyIn(rounds.map(perSecond))) {
      const report = await this.ask(rounds.length);
      if (!report.ok) return report;
      rounds.push(report.done);
    }
    return { ok: true as const, done: rounds };
  }

  protected result(done: RandomDone[][]): RunEvent {
    return {
      type: 'settled',
      target: asTarget(this.target),
      through: done[0]![0]!.through,
      rounds: done.map(perSecond),
      seconds: this.request.seconds,
      latency: latencyOf(done.slice(-STEADY_RULE.window).flat()),
    };
  }
}

/** Requests a second of a round. */
function perSecond(round: readonly RandomDone[]): number {
  const requests = round.reduce((sum, { reads, writes }) => sum + reads + writes, 0);
  return requests / Math.max(...round.map(({ seconds }) => seconds));
}

export const STEADY_GROUND = writing(SteadyRun, ({ bytes }) => bytes);
