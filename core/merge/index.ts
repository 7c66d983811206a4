export { merge3, type Merged } from './merge';
export { changedPlaces } from './places';
