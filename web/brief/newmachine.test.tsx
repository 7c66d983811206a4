/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { Host } from '@kymar/core/catalog/parts';
import { NewMachine } from './newmachine';
import { Sides } from './sides';

const only = (given: Host[]) => {
  expect(given).toHaveLength(1);
  return Host.parse(given[0]);
};

test('ports ticked on a picture make a machine the file takes; ticked again they are gone', () => {
  const given: Host[] = [];
  render(<NewMachine onHost={(host) => given.push(host)} />);
  fireEvent.click(screen.getByRole('button', { name: 'Tick a desktop’s ports' }));
  const add = () => screen.getByRole('button', { name: /^Add this machine/ });
  expect((add() as HTMLButtonElement).disabled).toBe(true);
  for (const name of ['Back, USB-C 1', 'Inside, ×4 slot', 'Inside, M.2 2', 'Back, USB-C 1', 'Front, USB-A 2'])
    fireEvent.click(screen.getByRole('checkbox', { name }));
  expect(screen.getByRole('checkbox', { name: 'Back, USB-C 1' }).getAttribute('aria-checked')).toBe('false');
  fireEvent.click(add());
  const { kind, ports } = only(given);
  expect(kind).toBe('desktop');
  expect(ports.map(({ position, modes, slot }) => [position, modes[0], slot?.edge])).toEqual([
    ['Inside, ×4 slot', 'pcie3x4', 4],
    ['Inside, M.2 2', 'pcie3x4', undefined],
    ['Front, USB-A 2', 'usb-5', undefined],
  ]);
});

test('what a machine tells is pasted: what is not understood is said, without a port nothing comes of it', () => {
  const given: Host[] = [];
  render(<NewMachine onHost={(host) => given.push(host)} />);
  fireEvent.click(screen.getByRole('button', { name: 'Paste what it tells' }));
  const type = (value: string) => fireEvent.change(screen.getByRole('textbox'), { target: { value } });
  type('Workshop laptop');
  screen.getByText(/No port in it yet/);
  type('Workshop laptop, 2 USB-A, a sticker');
  expect(screen.getByRole('status').textContent).toMatch(/2 × USB-A.*Not understood, left out: “a sticker”/);
  fireEvent.click(screen.getByRole('button', { name: 'Add this machine' }));
  expect(only(given)).toMatchObject({ name: 'Workshop laptop', kind: 'laptop' });
});

test('a port that the path uses cannot be ticked away', () => {
  const port = { id: 'drawn-Left-USBC-1', position: 'Left', connector: 'USB-C', modes: ['usb-10'] } as const;
  render(
    <Sides
      drawn="laptop"
      ports={[{ ...port, modes: [...port.modes] }]}
      used={[port.id]}
      onPorts={() => {}}
    />,
  );
  expect((screen.getByRole('checkbox', { name: 'Left side, USB-C 1' }) as HTMLButtonElement).disabled).toBe(
    true,
  );
});
