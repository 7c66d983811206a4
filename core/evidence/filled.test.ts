import * as z from 'zod';
import { asks } from '../units';
import { Fact, filledIn } from '.';

const Asked = z.object({
  carried: asks('Carried', z.boolean().optional()),
  part: asks('Part', z.enum(['a', 'b']).optional(), { choices: [['a', 'the first']] }),
  hot: asks('At most', z.number().optional(), 'temperature'),
  size: asks('Size', Fact, 'bytes'),
  names: asks('Names', z.array(z.string()).optional()),
  nobodyAsks: z.string().optional(),
});
const entered = { kind: 'entered' } as const;

test('each in its words; what was not said is left out, and so is what nobody asks', () => {
  const none = { size: { value: null, source: entered } };
  expect(filledIn(Asked, none)).toEqual([]);
  const all = {
    carried: true,
    part: 'a',
    hot: 41,
    size: { value: 7e9, source: entered },
    names: ['x', 'y'],
    nobodyAsks: 'z',
  };
  const said = ['Carried', 'Part the first', 'At most 41 °C', 'Size 7 GB', 'Names x, y'];
  expect(filledIn(Asked, all).map((text) => text.replace(/\u00a0/g, ' '))).toEqual(said);
  expect(
    filledIn(Asked, { ...all, carried: false, part: 'b', names: [] }, ['carried', 'part', 'names']),
  ).toEqual(['Carried no', 'Part b']);
});
