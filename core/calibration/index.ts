export { lessonsOf, type Lesson } from './lesson';
export { learnedFromJobs } from './learned';
export type { LearnedRow } from './row';
export { recordOf, type RecordKind, type RecordRow } from './record';
export { thumbFromJobs, type LearnedThumb } from './thumb';
