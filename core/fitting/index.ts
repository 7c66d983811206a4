export { benchOf, checklist, tickOf, nextStep, returnUntil, shopWork, STEPS } from './checklist';
export { searchMissing, truthfulAnswers, type MissingAnswers, type Search } from './missing';
export { PHASES, type StepFacts, type ListedStep, type StepPhase } from './step';
