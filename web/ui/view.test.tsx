/** @jest-environment jsdom */
import { act, render, screen } from '@testing-library/react';
import { useServer } from '../state/server';
import { lazyView } from './view';

/* A view whose code has to come first: on its way, there, not to be had, there after all. */
beforeEach(() => {
  jest.useFakeTimers();
  // The server is away: what asks whether it is there hears nothing.
  globalThis.fetch = () => Promise.reject(new TypeError('refused'));
});
afterEach(() => jest.useRealTimers());
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
  act(() => useServer.setState({ away: false }));
  expect(screen.getByText(/replaced by another build. Reload the page/)).toBeTruthy();
  await turn(3000);
  expect(tries).toBe(2);
  await turn(3000);
  expect(screen.getByText('there after all')).toBeTruthy();
});
