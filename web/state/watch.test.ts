/** @jest-environment jsdom */
import { useSettings } from './settings';
import { isUnknown, lap, momentOf, noteSkew, press, watchSeconds, startOf, type Stopwatch } from './watch';

jest.mock('./disk', () => ({ disks: {}, allIn: () => Promise.resolve([]) }));

const fresh = { job: 'a', activity: 'b', bytes: 1e9, files: null, until: 'bar' as const };
const watch = () => (useSettings.getState().watch as { watch: Stopwatch }).watch;
/** The page loaded anew, the system's clock at a moment, ms. */
const loaded = (at: number) =>
  Object.defineProperty(performance, 'timeOrigin', { value: at, configurable: true });
const clockIs = (at: number) => jest.spyOn(Date, 'now').mockReturnValue(at);
const origin = performance.timeOrigin;

beforeEach(() => useSettings.setState({ watch: undefined }));
afterEach(() => {
  loaded(origin);
  jest.restoreAllMocks();
});

test('within a page the system’s clock counts for nothing', () => {
  press(1000, fresh);
  clockIs(origin - 86_400e3);
  noteSkew();
  press(4500, fresh);
  expect(watchSeconds(watch())).toBeCloseTo(3.5, 9);
  expect(isUnknown(watch())).toBe(false);
});

test('what the clock was set by while a page was open is taken off in the next one', () => {
  for (const set of [-7200e3, 86_400e3]) {
    useSettings.setState({ watch: undefined });
    loaded(1e12);
    press(1000, fresh);
    lap(2000);
    // One moment for both: between two of a busy machine some ms pass.
    jest.spyOn(performance, 'now').mockReturnValue(3000);
    clockIs(momentOf(performance.now()) + set);
    noteSkew();
    // Ten s after the start by a clock that nobody set.
    loaded(1e12 + set + 11_000 - 400);
    expect(startOf(watch())).toBeCloseTo(1e12 + 1000 + set, -1);
    press(400, fresh);
    expect(watchSeconds(watch())! / 10).toBeCloseTo(1, 1);
    expect(watch()).toMatchObject({ reloads: 1, laps: [1] });
    expect(watch().skew).toBeUndefined();
  }
});

test('set back while no page was open: nothing is told of the time', () => {
  loaded(1e12);
  press(1000, fresh);
  loaded(1e12 - 3600e3);
  press(500, fresh);
  expect(isUnknown(watch())).toBe(true);
});
