/** @jest-environment jsdom */
import { act, render, screen } from '@testing-library/react';
import { lazyView } from './view';

/* A view whose code has to come first: on its way, there, not to be had, there after all. */
beforeEach(() => {
  jest.useFakeTimers();
  // The server is away: what asks whether it is there hears nothing.
  globalThis.fetch = () => Promise.reject(new TypeError('refused'));
});
afterEach(() => jest.useRealTimers());
/** The server is there. */
const there = () => Promise.resolve({ ok: true, status: 200, json: async () => ({}) } as Response);
const turn = (ms = 0) => act(() => jest.advanceTimersByTimeAsync(ms));

test('on its way it says so; once there, it is there at once the next time', async () => {
  const View = lazyView(async () => ({ default: () => <p>the view</p> }));
  const { unmount } = render(<View />);
  expect(screen.getByRole('status').textContent).toBe('Opening …');
  await turn();
  expect(screen.getByText('the view')).toBeTruthy();
  unmount();
  render(<View />);
  expect(screen.queryByRole('status')).toBeNull();
});

test('not to be had: it says why, and asks again until it is there', async () => {
  let tries = 0;
  const View = lazyView(async () => {
    if (++tries < 3) throw new Error('no such file');
    return { default: () => <p>there after all</p> };
  });
  render(<View />);
  await turn();
  expect(screen.getByText(/server does not answer: start it again/)).toBeTruthy();
  await turn(3000);
  expect(tries).toBe(2);
  await turn(3000);
  expect(screen.getByText('there after all')).toBeTruthy();
});

test('the server is there again and its code is not: the page is opened anew', async () => {
  const anew = jest.fn();
  const View = lazyView(() => Promise.reject(new Error('kept as failed')), false, anew);
  render(<View />);
  await turn();
  expect(screen.getByText(/server does not answer/)).toBeTruthy();
  globalThis.fetch = there;
  await turn(3000);
  expect(anew).toHaveBeenCalledTimes(1);
});

test('another build has replaced it: that is said, and nothing is opened anew by itself', async () => {
  globalThis.fetch = there;
  const anew = jest.fn();
  render(
    <>
      {[lazyView(() => Promise.reject(new Error('gone')), false, anew)].map((View, i) => (
        <View key={i} />
      ))}
    </>,
  );
  await turn();
  await turn(3000);
  expect(screen.getByText(/replaced by another build. Reload the page/)).toBeTruthy();
  expect(anew).not.toHaveBeenCalled();
});
