import { recordersFor } from '../../evidence';
import { marketOf } from '../../catalog/assumptions';
import type { Path } from '../../build/path';
import { filesOf, type Move } from '../../job';
import type { Case } from '../case';
import type { Inputs, Transfer } from '../inputs';
import { bareTransfer, forecastTransfer } from '../transfer';
import type { Kind } from './kind';
import { asAsked, bytesADay, inputsFor } from './shared';

const transfer = (move: Move): Transfer => ({
  direction: move.direction,
  bytes: move.bytes,
  files: filesOf(move),
  otherEnd: move.itself ? 'itself' : 'storage',
  verify: move.verify,
});

/** A finite transfer: how long it takes. */
export const MOVE: Kind<Move> = {
  transfer,

  answer(of, path, besides) {
    const { wish } = of.activity;
    const record = recordersFor(of.own).explaining;
    const inputs = inputsFor(record, of, path, transfer(of.activity), besides);
    const course = forecastTransfer(inputs, asAsked(transfer(of.activity), of));
    const probability = wish === null ? null : course.within(wish);
    return { figure: course.time, rate: course.rate, probability, more: [], course };
  },

  screen(of, path, besides) {
    const record = recordersFor(of.own).bare;
    return bareTransfer(inputsFor(record, of, path, transfer(of.activity), besides)).seconds;
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

/** What a move of a case depends on, without running it. @throws RangeError when the path is blocked */
export const collectMove = (of: Case<Move>, path: Path): Inputs =>
  inputsFor(recordersFor(of.own).explaining, of, path, transfer(of.activity));
