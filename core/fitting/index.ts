export { benchOf, checklist, nextStep, returnUntil, STEPS } from './checklist';
export { searchMissing, truthfulAnswers, type Answers, type Search } from './missing';
export { PHASES, type Bench, type ListedStep, type StepPhase } from './step';
