/** @jest-environment jsdom */
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { unknownHost, usualPort, type Host } from '@kymar/core/catalog/parts';
import { PartSheet } from './sheet';

const port = (id: string, position: string): Host['ports'][number] => ({
  id,
  position,
  ...usualPort('SATA'),
});
const HOST: Host = {
  ...unknownHost('h', 'Tall tower'),
  ports: [port('a', 'Upper bay'), port('b', 'Middle bay'), port('c', 'Lower bay')],
  uplinks: [{ id: 'u', name: 'Chipset', modes: ['pcie3x4'] }],
};

test('what names ports or links of the machine is picked by what they are called', async () => {
  let host = HOST;
  function Sheet() {
    const [part, setPart] = useState(host);
    return <PartSheet kind="hosts" part={part} onPart={(next) => setPart((host = next))} />;
  }
  render(<Sheet />);
  await userEvent.click(screen.getByRole('button', { name: 'Upper bay' }));
  const off = screen.getByRole('combobox', { name: 'Switches off' });
  for (const name of ['Middle bay', 'Lower bay']) {
    await userEvent.click(off);
    await userEvent.click(screen.getByRole('option', { name }));
  }
  await userEvent.click(screen.getByRole('combobox', { name: 'Shares its link with' }));
  await userEvent.click(within(screen.getByRole('listbox')).getByRole('option', { name: 'Chipset' }));
  expect(host.ports[0]).toMatchObject({ switchesOff: ['b', 'c'], uplink: 'u' });
});
