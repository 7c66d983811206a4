export {
  forCopy,
  handover,
  plainWords,
  type DocumentBlock,
  type DocumentCopy,
  type HandoverDocument,
  type Section,
  type Words,
} from './document';
export { toHtml } from './html';
export { toMarkdown } from './markdown';
