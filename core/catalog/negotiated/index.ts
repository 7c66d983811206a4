export { PluggedIn } from './device';
export { judgeLink, type Judged } from './judge';
export { readListing } from './listing';
export { pcieLink, sataLink, usbLink } from './speeds';
