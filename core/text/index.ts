export { own } from './own';
export { canonical } from './canonical';
export { readJson, DEEPEST, MOST_TEXT, type ReadJson } from './json';
export { issuesOf, problemsOf, refused, type Read } from './read';
