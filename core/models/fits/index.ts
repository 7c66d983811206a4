export { fitPerFile, type CopyTiming, type PerFileFit } from './perfile';
export { fitCache, type CacheFit, type MovedBy } from './cache';
export { fitZones, type ZoneFit } from './zones';
