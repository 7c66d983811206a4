import { dataMembers, survives } from '../assembly';
import { factsOf, formatsByItself } from '../fit';
import { settingOf, type Situation } from '../forecast';
import { DIRECTIONS } from '../catalog/links';
import { isMove, isOnce, traitsOf, type Fitting } from '../job';
import { PHASES, said, type StepFacts, type ListedStep, type FittingStep } from './step';
import { AFTER, CONTENTS } from './steps/contents';
import { BEFORE } from './steps/before';
import { FITTING } from './steps/fitting';
import { FAILING, OLD_DRIVE } from './steps/olddrive';
import { FORMAT } from './steps/format';
import { START } from './steps/start';

/** All steps there are, in the order of the work. */
export const STEPS: readonly FittingStep[] = [
  ...FAILING,
  ...BEFORE,
  ...FITTING,
  ...START,
  ...FORMAT,
  ...CONTENTS,
  ...AFTER,
  ...OLD_DRIVE,
];

/** What a checklist is made from, of a device at one of its places. */
export function benchOf(situation: Situation): StepFacts {
  const direction =
    DIRECTIONS.find((d) => situation.activities.some((a) => isMove(a) && a.direction === d)) ?? 'write';
  const facts = factsOf(settingOf(situation, direction));
  return {
    ...facts,
    inside: !facts.external,
    replaces:
      facts.needs.old !== undefined ||
      situation.activities.some((a) => isMove(a) && a.direction === 'write' && isOnce(a)),
    size: facts.capacity === null ? null : facts.capacity * (facts.array ? dataMembers(facts.array) : 1),
    drives: situation.build.together ?? 1,
    isArray: facts.array !== undefined,
    spare: facts.array ? survives(facts.array) : 0,
    formatsItself: (facts.bridge === null && facts.port.erases === true) || formatsByItself(facts),
  };
}

/** The steps for a device at one of its places, in the order of the work. */
export function checklist(situation: Situation): ListedStep[] {
  const bench = benchOf(situation);
  const listed = STEPS.filter((step) => step.when(bench)).map((step): ListedStep => ({
    id: step.id,
    phase: step.phase,
    title: said(step.title, bench),
    how: said(step.how, bench),
    caution: said(step.caution ?? '', bench) || null,
    minutes: typeof step.minutes === 'function' ? step.minutes(bench) : step.minutes,
  }));
  return listed.sort((a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase));
}

/** min of somebody's hands on one activity at the bench: three runs, each started, watched for a moment and noted [common practice, no source]. */
const TIMED = 6;

/** The shop's own work on a device at one of its places, min of somebody's hands: setting it up, and timing it. */
export function shopWork(situation: Situation): { fitting: number; bench: number } {
  const timed = situation.activities.filter((activity) => traitsOf(activity).answer !== 'room');
  return {
    fitting: checklist(situation).reduce((sum, { minutes }) => sum + minutes, 0),
    bench: TIMED * timed.length,
  };
}

/** How a step stands: what was marked of it, and what it said then where it says something else now. */
export function tickOf(
  { id, title }: ListedStep,
  fitting: Fitting | undefined,
): { mark: Fitting['steps'][number] | undefined; fell: string | null } {
  const mark = fitting?.steps.find((s) => s.id === id);
  const fell = mark?.said !== undefined && mark.said !== title ? mark.said : null;
  return { mark: fell === null ? mark : undefined, fell };
}

/** The first step that is neither done nor left out; null when all are. */
export const nextStep = (steps: readonly ListedStep[], fitting: Fitting | undefined): ListedStep | null =>
  steps.find((step) => !tickOf(step, fitting).mark) ?? null;

/** The last day a device can go back; null where nobody said when it was bought or for how long. */
export function returnUntil({ bought, returnDays }: Pick<Fitting, 'bought' | 'returnDays'>): string | null {
  if (bought === undefined || returnDays === undefined) return null;
  const day = new Date(`${bought}T12:00:00Z`);
  day.setUTCDate(day.getUTCDate() + returnDays);
  return day.toISOString().slice(0, 10);
}
