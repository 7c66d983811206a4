export { lessonsOf, type Lesson } from './lesson';
export { learnedFromJobs, type LearnedRow } from './learned';
export { recordOf, type RecordKind, type RecordRow } from './record';
