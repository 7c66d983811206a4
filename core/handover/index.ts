export {
  forCopy,
  handover,
  type DocumentBlock,
  type DocumentCopy,
  type HandoverDocument,
  type Section,
} from './document';
export { toHtml } from './html';
export { toMarkdown } from './markdown';
