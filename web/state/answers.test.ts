import { checked } from './answers';

describe('what the server answers is what was asked for', () => {
  const device = {
    id: '4-2',
    bus: 'usb',
    name: 'Bridge',
    link: null,
    port: null,
    device: null,
    protocol: 'uas',
  };
  test('what fits is taken, what it does not know left out', () => {
    expect(checked('devices', [{ ...device, colour: 'red' }])).toEqual([device]);
    expect(checked('event', { type: 'failed', problem: 'no room', aborted: false })).toMatchObject({
      problem: 'no room',
    });
  });
  test.each([
    ['devices', [{ ...device, bus: 'parallel' }], /devices\.0\.bus/],
    ['targets', { title: 'No' }, /targets/],
    ['event', { type: 'progress', direction: 'write', t: 1, bytes: 'many', total: 4 }, /event\.bytes/],
    ['run', null, /run: /],
  ] as const)('%s that are something else: where, and what to do', (kind, answer, where) => {
    expect(() => checked(kind, answer)).toThrow(where);
    expect(() => checked(kind, answer)).toThrow(/reload the page/);
  });
});
