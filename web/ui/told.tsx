import type { ReactNode } from 'react';
import type { Estimate } from '@kymar/core/evidence';
import type { Statement } from '@kymar/core/statements';
import { format } from '@kymar/core/units';
import { Figure, unbroken } from './figure';

/** A figure in a sentence, and the words that stand for it there; without words as figures are told. */
type Inside = Estimate | { words: string; of: Estimate };

interface Props {
  of: Statement | undefined;
  /** Figures in the words, in their order: each opens its working. One that is not found there is left out. */
  figures?: readonly (Inside | null | undefined)[];
}

/** What a statement says, with its id: the same wherever it stands. */
export function Told({ of, figures = [] }: Props) {
  if (!of) return null;
  const shown: ReactNode[] = [];
  let left = of.words;
  for (const one of figures) {
    if (!one) continue;
    const { words, of: estimate } = 'words' in one ? one : { words: format(one.expected, one.unit), of: one };
    const at = left.indexOf(words);
    if (at < 0) continue;
    shown.push(
      unbroken(left.slice(0, at)),
      <Figure key={shown.length} of={estimate}>
        {unbroken(words)}
      </Figure>,
    );
    left = left.slice(at + words.length);
  }
  return (
    <span data-said={of.id}>
      {shown}
      {unbroken(left)}
    </span>
  );
}
