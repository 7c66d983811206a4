export { alternatives, firstBuild, settingOf, type Choice, type Plan } from './alternatives';
export { mends, type Mend, type Cost } from './mend';
