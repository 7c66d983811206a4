export { own } from './own';
export { canonical } from './canonical';
export { readJson, DEEPEST, MOST_TEXT, type ReadJson } from './json';
export { issuesOf, problemsOf, type Read } from './read';
