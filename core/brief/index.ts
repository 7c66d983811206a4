export { readSentence, saidName, type Sentence } from './sentence';
