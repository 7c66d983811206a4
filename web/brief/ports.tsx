import { AddIcon, DeleteOutlineIcon } from '../ui/icons';
import { Box, Button, IconButton, MenuItem, TextField } from '@mui/material';
import { LINKS, linkById } from '@kymar/core/catalog/links';
import { Connector, type Host } from '@kymar/core/catalog/parts';
import { newId } from '../state/id';
import { Pick } from '../ui/pick';
import { NameField } from '../ui/field';
import { Stack } from '../ui/layout';

/** Modes that a connector of each shape can stand for. */
const OFFERED: Record<Connector, (id: string) => boolean> = {
  'M.2': (id) => /^pcie[3-5]x[24]$|^sata-6$/.test(id),
  SATA: (id) => id.startsWith('sata'),
  'PCIe slot': (id) => id.startsWith('pcie'),
  'USB-A': (id) => ['usb-2', 'usb-5', 'usb-10'].includes(id),
  'USB-C': (id) => /^(usb|tb-3|usb4)/.test(id),
  'Micro-B': (id) => ['usb-2', 'usb-5', 'usb-10'].includes(id),
  'USB-B': (id) => ['usb-2', 'usb-5', 'usb-10'].includes(id),
  'Mini DP': (id) => /^tb-[12]$/.test(id),
  SAS: (id) => /^(sas|sata)/.test(id),
  Card: (id) => /^(uhs|cfexpress)/.test(id),
};

const COLUMNS = {
  plug: 'minmax(0, 2fr) 106px minmax(0, 1.7fr) 32px',
  slot: 'minmax(0, 2fr) 106px 74px minmax(0, 1.2fr) 32px',
};
const EDGES = [1, 4, 8, 16] as const;
const isSlot = ({ connector }: Host['ports'][number]): boolean => connector === 'PCIe slot';

/** The host's ports: where each is, its shape and the modes it runs. */
export function PortsPanel({
  host,
  used,
  onHost,
}: {
  host: Host;
  used: readonly string[];
  onHost(host: Host): void;
}) {
  const set = (id: string, part: Partial<Host['ports'][number]>) =>
    onHost({ ...host, ports: host.ports.map((p) => (p.id === id ? { ...p, ...part } : p)) });
  const reshape = (id: string, connector: Connector) =>
    set(id, {
      connector,
      modes: [LINKS.filter((l) => OFFERED[connector](l.id)).at(connector === 'PCIe slot' ? 14 : 0)!.id],
    });
  return (
    <Stack gap={1}>
      {host.ports.map((port) => (
        <Box
          key={port.id}
          sx={{ display: 'grid', gridTemplateColumns: COLUMNS[isSlot(port) ? 'slot' : 'plug'], gap: 1 }}
        >
          <NameField label="Where" value={port.position} onName={(position) => set(port.id, { position })} />
          <Pick
            label="Shape"
            value={port.connector}
            options={Connector.options.map((c) => [c, c])}
            onValue={(v) => reshape(port.id, v)}
          />
          {isSlot(port) && (
            <Pick
              label="Length"
              value={port.slot?.edge ?? ''}
              options={EDGES.map((edge) => [edge, `×${edge}`])}
              onValue={(edge) => edge && set(port.id, { slot: { ...port.slot, edge } })}
            />
          )}
          <TextField
            select
            label={isSlot(port) ? 'Wired' : 'Can do'}
            value={port.modes}
            onChange={(e) =>
              (e.target.value as unknown as string[]).length > 0 &&
              set(port.id, { modes: e.target.value as unknown as string[] })
            }
            slotProps={{
              select: {
                multiple: true,
                renderValue: (ids) => (ids as string[]).map((id) => linkById(id).name).join(', '),
              },
            }}
          >
            {LINKS.filter((l) => OFFERED[port.connector](l.id)).map((l) => (
              <MenuItem key={l.id} value={l.id}>
                {l.name}
              </MenuItem>
            ))}
          </TextField>
          <IconButton
            size="small"
            disabled={host.ports.length === 1 || used.includes(port.id)}
            title={used.includes(port.id) ? 'The path uses this port' : 'Remove (can be undone)'}
            aria-label={`Remove ${port.position}`}
            onClick={() => onHost({ ...host, ports: host.ports.filter((p) => p.id !== port.id) })}
          >
            <DeleteOutlineIcon fontSize="small" />
          </IconButton>
        </Box>
      ))}
      <Button
        startIcon={<AddIcon />}
        sx={{ justifySelf: 'start' }}
        disabled={host.ports.length >= 64}
        onClick={() =>
          onHost({
            ...host,
            ports: [
              ...host.ports,
              {
                id: newId('port'),
                position: `Port ${host.ports.length + 1}`,
                connector: 'USB-C',
                modes: ['usb-10'],
              },
            ],
          })
        }
      >
        Add a port or slot
      </Button>
    </Stack>
  );
}
