export { settingOf } from './setting';
export { firstBuild, optionsAt, withDrives, type Option } from './options';
export { fixes, tried, type Cost, type Fix } from './fix';
