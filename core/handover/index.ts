export { forCopy, handover, type Block, type Copy, type HandoverDocument, type Section } from './document';
export { toHtml } from './html';
export { toMarkdown } from './markdown';
