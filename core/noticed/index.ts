export { compareLoadTimes, type LoadDifference } from './felt';
