/** @jest-environment jsdom */
import { TextEncoder } from 'node:util';
import { CABLES } from '@kymar/core/catalog/stock';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoBriefs, pathOn } from '../../core/fixtures/forecast';
import { PathStrip } from './strip';

// A browser has it, this one has not.
Object.assign(globalThis, { TextEncoder });
beforeAll(() => {
  // Nothing is laid out here: the strip keeps the width it starts with.
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});
const { host, build } = demoBriefs()[0]!;
const place = { machine: 'm', device: 'd' };
const label = () => screen.getByRole('img').getAttribute('aria-label')!;

test('the picture in words: what it runs over, what narrows it, what was measured', () => {
  const path = pathOn(host, build!);
  const { rerender } = render(<PathStrip place={place} path={path} direction="write" />);
  expect(label()).toMatch(/^Writing over .*Reed 2 TB.*: /);
  rerender(<PathStrip place={place} path={path} direction="read" measured={719e6} />);
  expect(label()).toMatch(/^Reading over .*measured 719 MB\/s/);
});

test('a path that is blocked says why, in words', () => {
  const wrong = CABLES.find((cable) => !cable.ends.includes('USB-C'))!;
  const path = pathOn(host, { ...build!, cable: wrong });
  expect(path.blocked.length).toBeGreaterThan(0);
  render(<PathStrip place={place} path={path} direction="write" />);
  expect(label()).toMatch(/^Path blocked: .*[a-z]/);
  expect(label()).not.toContain('[object');
});

test('each segment can be changed from where it stands', async () => {
  const user = userEvent.setup();
  const chosen = jest.fn();
  const path = pathOn(host, build!);
  render(
    <PathStrip place={place} path={path} direction="write" onSegment={(segment) => chosen(segment.id)} />,
  );
  const buttons = screen.getAllByRole('button', { name: /^Change / });
  for (const button of buttons) await user.click(button);
  expect(new Set(chosen.mock.calls.flat())).toEqual(new Set(path.segments.map((j) => j.id)));
});
