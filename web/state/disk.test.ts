import 'fake-indexeddb/auto';
import { answered } from './disk';

describe('storage that hangs', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  test('is waited for ten seconds, then said', async () => {
    const asked = answered(new Promise(() => undefined));
    const told = expect(asked).rejects.toThrow('the browser’s storage does not answer');
    await jest.advanceTimersByTimeAsync(9_999);
    await jest.advanceTimersByTimeAsync(2);
    await told;
  });
  test('what answers in time is taken as it is, fault or not', async () => {
    await expect(answered(Promise.resolve(5))).resolves.toBe(5);
    await expect(answered(Promise.reject(new Error('quota')))).rejects.toThrow('quota');
    expect(jest.getTimerCount()).toBe(0);
  });
});
