export { openIn, registerOpening, type OpenQuestions, type Test, type WorthId } from './kinds';
export {
  byMinute,
  drawn,
  LEAST,
  toldOf,
  worthFinding,
  type Draws,
  type Worth,
  type WorthFinding,
} from './worth';
export { nothingWorth, toDo, worthWords } from './words';
