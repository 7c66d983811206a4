import { factWords, recordersFor } from '../../evidence';
import { marketOf } from '../../catalog/assumptions';
import { filesOf, type Move } from '../../job';
import { pathOf, type Situation } from '../case';
import type { Transfer } from '../inputs';
import { bareTransfer, forecastTransfer } from '../transfer';
import type { KindModel } from './kind';
import { asAsked, bytesADay, inputsFor } from './shared';

/** A move as a transfer; of several at the other end with the path to each. */
function transfer(move: Move, on: Situation): Transfer {
  const { direction, bytes, itself, verify, shares } = move;
  const one: Transfer = {
    direction,
    bytes,
    files: filesOf(move),
    otherEnd: itself ? 'itself' : 'storage',
    verify,
  };
  if (!shares || itself) return one;
  return {
    ...one,
    sequentialSources: shares.map((share) => ({ path: pathOf(on, share.endpoint), bytes: share.bytes })),
  };
}

/** A finite transfer: how long it takes. */
export const MOVE_MODEL: KindModel<Move> = {
  size: ({ bytes }) => factWords(bytes, 'B'),
  transfer,

  answer(of, path, besides) {
    const { target } = of.activity;
    const record = recordersFor(of.shopRanges).explaining;
    const inputs = inputsFor(record, of, path, transfer(of.activity, of), besides);
    const course = forecastTransfer(inputs, asAsked(transfer(of.activity, of), of));
    const probability = target === null ? null : course.within(target);
    return { figure: course.time, rate: course.rate, probability, more: [], course };
  },

  screen(of, path, besides) {
    const record = recordersFor(of.shopRanges).bare;
    return bareTransfer(inputsFor(record, of, path, transfer(of.activity, of), besides)).seconds;
  },

  bytesPerDay(record, move, direction) {
    const touches =
      move.direction === direction || move.itself || (move.verify === true && direction === 'read');
    if (!touches) return null;
    const bytes = record.fact('bytes', move.bytes, 'B', marketOf(record, 'work.bytes'));
    return bytesADay(record, move, direction, bytes);
  },

  daily: { inputs: () => ({}), flows: (flows) => [...flows] },
};
