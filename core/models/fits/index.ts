export { fitPerFile, type CopyTiming, type PerFileFit } from './perfile';
export { fitCache, type CacheFit, type Moved } from './cache';
export { fitZones, type ZoneFit } from './zones';
