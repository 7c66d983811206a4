export { settingOf, type Plan } from './setting';
export { alternatives, firstBuild, withDrives, type Choice } from './alternatives';
export { mends, tried, type Mend, type Cost } from './mend';
