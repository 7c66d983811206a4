export { handover, chance, type HandoverDocument, type Section, type Block } from './document';
export { toMarkdown } from './markdown';
