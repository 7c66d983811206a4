export { alternatives, firstBuild, settingOf, type Choice, type Plan } from './alternatives';
export { mends, tried, type Mend, type Cost } from './mend';
