export { FLASH_NAMES, flashClasses, isSmall, pcieShare, qlcGrowth, type FlashClass } from './flash';
export { DISK_NAMES, diskClasses, outerMarket, type DiskClass } from './disk';
export { BUILT_IN_NAMES, builtInClasses, builtInMarket, type BuiltInClass } from './builtin';
export { classWords, type Likely } from './likely';
export { randomMarket } from './random';
export { busyMarket, idleMarket } from './power';
