export { countEach, type CountEach } from './each';
export { readMachine, type MachineSaid } from './machine';
export { readSentence, saidName, type Sentence } from './sentence';
