import { gfmTableToMarkdown } from 'mdast-util-gfm-table';
import { toMarkdown as serialize } from 'mdast-util-to-markdown';
import type { BlockContent, PhrasingContent, RootContent, TableRow } from 'mdast';
import {
  forCopy,
  plainWords,
  type DocumentBlock,
  type DocumentCopy,
  type HandoverDocument,
  type Wording,
} from './block';

/** Prose is one line: a line that somebody typed must not begin a block of its own. */
const phrase = (value: string): PhrasingContent[] => [
  { type: 'text', value: value.replace(/\s*\n\s*/g, ' ') },
];
const row = (cells: readonly Wording[]): TableRow => ({
  type: 'tableRow',
  children: cells.map((cell) => ({ type: 'tableCell', children: phrase(plainWords(cell)) })),
});

function block(b: DocumentBlock): BlockContent {
  switch (b.kind) {
    case 'text':
      return { type: 'paragraph', children: phrase(b.text.map(plainWords).join(' ')) };
    case 'list':
      return {
        type: 'list',
        ordered: false,
        spread: false,
        children: b.items.map((item) => ({
          type: 'listItem',
          spread: false,
          children: [{ type: 'paragraph', children: phrase(plainWords(item)) }],
        })),
      };
    case 'table':
      return {
        type: 'table',
        align: b.numbers.map((right) => (right ? 'right' : null)),
        children: [row(b.head), ...b.rows.map(row)],
      };
  }
}

/** The document as Markdown. */
export function toMarkdown(document: HandoverDocument, copy: DocumentCopy): string {
  const children: RootContent[] = [
    { type: 'heading', depth: 1, children: phrase(document.title) },
    { type: 'paragraph', children: phrase(document.line) },
    ...forCopy(document, copy).flatMap(({ heading, blocks }): RootContent[] => [
      { type: 'heading', depth: 2, children: phrase(heading) },
      ...blocks.map(block),
    ]),
  ];
  return serialize({ type: 'root', children }, { extensions: [gfmTableToMarkdown()], bullet: '-' });
}
