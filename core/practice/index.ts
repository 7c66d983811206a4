export { LEVELS, levelOf, type Level } from './level';
export {
  begun,
  hiddenIn,
  possible,
  resultOf,
  roundOf,
  type Result,
  type Round,
  type PracticeStep,
} from './round';
export { debrief, type Debrief, type Named, type ToldBy } from './debrief';
export { rigOf, type Rig } from './rig';
