export {
  forCopy,
  plainWords,
  type DocumentBlock,
  type DocumentCopy,
  type HandoverDocument,
  type Section,
  type Wording,
} from './block';
export { handover } from './document';
export { allSaid, identified } from './identified';
export { returnLetter } from './letter';
export { offer, orderList } from './offer';
export { oldDriveReceipt } from './olddrive';
export { toHtml } from './html';
export { toMarkdown } from './markdown';
