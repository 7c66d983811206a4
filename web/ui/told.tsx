import type { Statement } from '@kymar/core/statements';
import { unbroken } from './figure';

/** What a statement says, with its id: the same wherever it stands. */
export function Told({ of }: { of: Statement | undefined }) {
  return of ? <span data-said={of.id}>{unbroken(of.words)}</span> : null;
}
