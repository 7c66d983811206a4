export { handover, type HandoverDocument, type Section, type Block } from './document';
export { toMarkdown } from './markdown';
