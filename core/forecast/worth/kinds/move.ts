import { explaining } from '../../../evidence';
import { isExact, middlesOf, type Drawn } from '../../../stats';
import type { Move } from '../../../job';
import { run } from '../../../models';
import { collect } from '../../answer';
import type { Inputs } from '../../inputs';
import type { Opening, Test } from './kind';
import { isOpen, looks, MINUTES, questions, test } from './tests';

/** A short copy stays in any cache; a long one outlasts it so many times. */
const SHORT = 10e9;
const BEYOND = 1.4;

const endOf = (inputs: Inputs, { x, chosen }: Drawn<string>, bytes: number): number => {
  const files = Math.max(1, (x.files! * bytes) / x.bytes!);
  return run(inputs.plan({ ...x, bytes, files }, chosen)).flows[0]!.safe;
};

function copies(inputs: Inputs, writes: boolean): Test[] {
  const { inputs: known } = inputs;
  const copy = (id: Test['id'], bytes: number): Test => {
    const seconds = endOf(inputs, { x: middlesOf(known), chosen: {} }, bytes);
    return test(id, MINUTES.setUp + seconds / 60, (drawn) => endOf(inputs, drawn, bytes), {
      bytes,
      wear: writes ? bytes : 0,
      onDrive: true,
    });
  };
  const whole = known.bytes.expected;
  const long = Math.min(whole, Math.max(2 * SHORT, BEYOND * (known.cache?.high ?? 0)));
  return [
    ...(whole > SHORT ? [copy('time short copy', SHORT)] : []),
    ...(whole > 0 ? [copy('time long copy', long)] : []),
  ];
}

/** A move: its end within the target. */
export const MOVE_OPENING: Opening<Move> = (of) => {
  const { target, direction } = of.activity;
  const inputs = target === null ? null : collect(explaining, of);
  if (!inputs || Object.values(inputs.inputs).every(isExact)) return null;
  const small = isOpen(inputs, 'perFile') && inputs.inputs.files.expected > 1;
  return {
    of: inputs,
    tell({ x, chosen }, beyond) {
      const figure = beyond * run(inputs.plan(x, chosen)).flows[inputs.own - 1]!.safe;
      return { figure, met: figure <= target! };
    },
    tests: [
      ...questions(inputs, { fill: 'ask fill', bytes: 'ask bytes', files: 'ask files' }),
      ...looks(inputs),
      ...(small ? [test('time small files', 3, ({ x }) => x.perFile!, { onDrive: true })] : []),
      ...copies(inputs, direction === 'write'),
    ],
  };
};
