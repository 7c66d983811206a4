export { connected, firstBuild, optionsAt, withDrives, type Option } from './options';
export { fixes, tried, type Cost, type Fix } from './fix';
