import { recordersFor } from '../evidence';
import { barePathFor, CHOICES, collect } from '../forecast';
import { eachDraw, SEED } from '../stats';
import { EVERY, isTimed, type Evidence } from './evidence';
import type { Scored } from './score';

/** What nobody knew of the rig, and what was measured says of it where all is well: which class a drive is of, how it records. */
export interface SettledWay {
  choice: string;
  way: string;
  /** Before and after. */
  prior: number;
  probability: number;
}

const ASKED: readonly string[] = [CHOICES.class, CHOICES.builtIn, CHOICES.recording, CHOICES.revision];
/** So probable it must be to be told, and so much it must not have been before. */
const [SETTLED, OPEN] = [0.8, 0.65];

/** What the runs settle where all is well, by how probable they make each draw; each choice once, as the first measurement has it. */
export function settledBy(evidence: readonly Evidence[], { weights }: Pick<Scored, 'weights'>): SettledWay[] {
  const found = new Map<string, Map<string, { prior: number; probability: number }>>();
  for (const { of } of evidence.filter(isTimed)) {
    const here: typeof found = new Map();
    const inputs = collect(recordersFor(of.shopRanges).bare, of, { path: barePathFor(of) });
    if (!inputs) continue;
    eachDraw(
      inputs,
      SEED,
      ({ chosen }, i) => {
        for (const choice of ASKED) {
          const way = chosen[choice];
          if (way === undefined) continue;
          const ways = here.get(choice) ?? new Map<string, { prior: number; probability: number }>();
          const was = ways.get(way) ?? { prior: 0, probability: 0 };
          ways.set(way, {
            prior: was.prior + 1 / weights.length,
            probability: was.probability + weights[i / EVERY]!,
          });
          here.set(choice, ways);
        }
      },
      { every: EVERY },
    );
    for (const [choice, ways] of here) if (!found.has(choice)) found.set(choice, ways);
  }
  return [...found].flatMap(([choice, ways]) =>
    [...ways]
      .filter(([, { prior, probability }]) => probability >= SETTLED && prior <= OPEN)
      .map(([way, shares]) => ({ choice, way, ...shares })),
  );
}
