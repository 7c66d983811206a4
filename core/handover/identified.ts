import type { OwnRanges } from '../catalog/assumptions';
import type { Job } from '../job';
import { statementsOf, type Statement } from '../statements';
import { verdict } from '../verdict';
import type { DocumentBlock, HandoverDocument, Wording } from './block';
import { handover } from './document';

/** Words with a figure that no other place says: the document's own statement, by where they stand. */
const own = (words: Wording, where: string): Wording =>
  typeof words !== 'string' || !/\d/.test(words) ? words : { id: `told handover ${where}`, words };

function withIds(block: DocumentBlock, where: string): DocumentBlock {
  switch (block.kind) {
    case 'text':
      return { ...block, text: block.text.map((words, i) => own(words, `${where} ${i}`)) };
    case 'list':
      return { ...block, items: block.items.map((words, i) => own(words, `${where} ${i}`)) };
    case 'table':
      return {
        ...block,
        rows: block.rows.map((row, i) => row.map((words, k) => own(words, `${where} ${i} ${k}`))),
      };
  }
}

/** The document with an id at all that has a figure: statements of other places keep theirs. */
export const identified = (document: HandoverDocument): HandoverDocument => ({
  ...document,
  // By its place too: two devices may be called alike.
  sections: document.sections.map((section, n) => ({
    ...section,
    blocks: section.blocks.map((block, i) => withIds(block, `${section.heading} ${n} ${i}`)),
  })),
});

const wordings = (block: DocumentBlock): readonly Wording[] =>
  block.kind === 'text' ? block.text : block.kind === 'list' ? block.items : block.rows.flat();

/**
 * Everything that is said of a job, each once, what only its handover says too.
 * @param shopRanges the shop's own ranges in place of what is assumed
 */
export function allSaid(job: Job, shopRanges: OwnRanges = {}): Statement[] {
  const said = statementsOf(job, shopRanges);
  const known = new Set(said.map(({ id }) => id));
  const { sections } = identified(handover(job, verdict(job, shopRanges), shopRanges));
  const more = sections.flatMap(({ blocks }) => blocks.flatMap(wordings));
  return [
    ...said,
    ...more.filter((words): words is Statement => typeof words !== 'string' && !known.has(words.id)),
  ];
}
