import { forCopy, type DocumentBlock, type DocumentCopy, type HandoverDocument, type Wording } from './block';
import { identified } from './identified';

const ESCAPED: Record<string, string> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const escape = (text: string): string => text.replace(/[&<>"']/g, (c) => ESCAPED[c]!);

const STYLE = `
  :root { color-scheme: light; }
  body { font: 16px/1.5 system-ui, sans-serif; color: #1b211f; background: #fff; max-width: 50rem; margin: 2.5rem auto; padding: 0 1.25rem; }
  h1 { font-size: 1.8rem; line-height: 1.2; margin: 0; }
  h2 { font-size: 1.2rem; margin: 1.75rem 0 0.4rem; break-after: avoid; }
  p, li { overflow-wrap: anywhere; }
  .line { color: #55605c; margin: 0.25rem 0 0; }
  table { border-collapse: collapse; width: 100%; margin: 0.5rem 0; font-size: 0.95rem; }
  th, td { text-align: left; padding: 0.3rem 0.75rem 0.3rem 0; border-bottom: 1px solid #ccd3d0; vertical-align: top; }
  .number { text-align: right; font-variant-numeric: tabular-nums; white-space: nowrap; }
  thead { display: table-header-group; }
  tr, li { break-inside: avoid; }
  @page { margin: 18mm 16mm; }
  @media print { body { margin: 0; padding: 0; max-width: none; font-size: 11pt; } }
`;

/** What bears a statement's id, as on the page. */
const told = (words: Wording): string =>
  typeof words === 'string'
    ? escape(words)
    : `<span data-said="${escape(words.id)}">${escape(words.words)}</span>`;

function block(b: DocumentBlock): string {
  if (b.kind === 'text') return `<p>${b.text.map(told).join(' ')}</p>`;
  if (b.kind === 'list') return `<ul>${b.items.map((item) => `<li>${told(item)}</li>`).join('')}</ul>`;
  const cells = (tag: 'th' | 'td', list: readonly Wording[]) =>
    list.map((cell, i) => `<${tag}${b.numbers[i] ? ' class="number"' : ''}>${told(cell)}</${tag}>`).join('');
  const rows = b.rows.map((list) => `<tr>${cells('td', list)}</tr>`).join('\n');
  return `<table><thead><tr>${cells('th', b.head)}</tr></thead><tbody>${rows}</tbody></table>`;
}

/** The document as a page of its own: it opens and prints without Kymar, without a network, and runs nothing. */
export function toHtml(document: HandoverDocument, copy: DocumentCopy): string {
  const sections = forCopy(identified(document), copy).map(
    ({ heading, blocks }) =>
      `<section>\n<h2>${escape(heading)}</h2>\n${blocks.map(block).join('\n')}\n</section>`,
  );
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>${escape(document.title)}</title>
<style>${STYLE}</style>
</head>
<body>
<h1>${escape(document.title)}</h1>
<p class="line">${escape(document.line)}</p>
${sections.join('\n')}
</body>
</html>
`;
}
