export { connected, firstBuild, optionsAt, withDrives, type PartOption } from './options';
export { fixes, tried, type Cost, type Fix } from './fix';
