import type { Block, HandoverDocument } from './document';

/** Cells and prose must not turn into markup: pipes, and what starts a heading, list, link or tag, are escaped. */
const escape = (text: string): string => text.replace(/\s*\n\s*/g, ' ').replace(/[\\`*_[\]<>|#]/g, '\\$&');

function block(b: Block): string {
  switch (b.kind) {
    case 'text':
      return escape(b.text);
    case 'list':
      return b.items.map((item) => `- ${escape(item)}`).join('\n');
    case 'table': {
      const row = (cells: readonly string[]) => `| ${cells.join(' | ')} |`;
      return [
        row(b.head.map(escape)),
        row(b.numbers.map((right) => (right ? '---:' : '---'))),
        ...b.rows.map((cells) => row(cells.map(escape))),
      ].join('\n');
    }
  }
}

/** The document as Markdown. */
export function toMarkdown(document: HandoverDocument, copy: 'customer' | 'shop'): string {
  const sections = document.sections.filter((s) => copy === 'shop' || !s.shopOnly);
  return (
    [
      `# ${escape(document.title)}`,
      escape(document.line),
      ...sections.flatMap((s) => [`## ${escape(s.heading)}`, ...s.blocks.map(block)]),
    ].join('\n\n') + '\n'
  );
}
