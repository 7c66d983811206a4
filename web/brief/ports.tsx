import { AddIcon, DeleteOutlineIcon } from '../ui/icons';
import { Box, Button, IconButton, MenuItem, TextField } from '@mui/material';
import { LINKS, linkById } from '@kymar/core/catalog/links';
import { canStandFor, Connector, reshaped, usualPort, type Host } from '@kymar/core/catalog/parts';
import { newId } from '../state/id';
import { Pick } from '../ui/pick';
import { NameField } from '../ui/field';
import { Stack } from '../ui/layout';
import { drawnAs, Sides } from './sides';

/** Two lines where there is no room for one. */
const LINES = {
  display: 'grid',
  gap: 1,
  gridTemplate: '"where bin" "what what" / minmax(0, 1fr) auto',
  '@container (min-width: 560px)': { gridTemplate: '"where what bin" / minmax(0, 1fr) minmax(0, 1fr) auto' },
};
const EDGES = [1, 4, 8, 16] as const;
type OnePort = Host['ports'][number];
const isSlot = ({ connector }: OnePort): boolean => connector === 'PCIe slot';

/**
 * The host's ports: where each is, its shape and the modes it runs.
 * @param used ports that the path uses
 * @param drawn whether they may be ticked on a picture too
 */
export function PortsPanel({
  host,
  used,
  drawn,
  onHost,
}: {
  host: Host;
  used: readonly string[];
  drawn: boolean;
  onHost(host: Host): void;
}) {
  const { ports } = host;
  const put = (list: OnePort[]) => list.length > 0 && onHost({ ...host, ports: list });
  return (
    <Box sx={{ containerType: 'inline-size' }}>
      <Stack gap={1.5}>
        {drawn && <Sides drawn={drawnAs(host)} ports={ports} used={used} onPorts={put} />}
        {ports.map((port) => (
          <PortLine
            key={port.id}
            port={port}
            used={used.includes(port.id)}
            onPort={(next) => put(ports.map((p) => (p.id === port.id ? next : p)))}
            {...(ports.length > 1 && { onRemove: () => put(ports.filter((p) => p.id !== port.id)) })}
          />
        ))}
        <Button
          startIcon={<AddIcon />}
          sx={{ justifySelf: 'start' }}
          disabled={ports.length >= 64}
          onClick={() =>
            put([
              ...ports,
              { id: newId('port'), position: `Port ${ports.length + 1}`, ...usualPort('USB-C') },
            ])
          }
        >
          Add a port or slot
        </Button>
      </Stack>
    </Box>
  );
}

function PortLine({
  port,
  used,
  onPort,
  onRemove,
}: {
  port: OnePort;
  used: boolean;
  onPort(port: OnePort): void;
  /** Missing where it is the only one. */
  onRemove?: () => void;
}) {
  return (
    <Box sx={LINES}>
      <NameField
        label="Where"
        value={port.position}
        onName={(position) => onPort({ ...port, position })}
        sx={{ gridArea: 'where' }}
      />
      <Box sx={{ gridArea: 'what', display: 'flex', gap: 1, '& > :last-child': { flex: 1, minWidth: 0 } }}>
        <Pick
          label="Shape"
          value={port.connector}
          options={Connector.options.map((c) => [c, c])}
          onValue={(v) => onPort(reshaped(port, v))}
          sx={{ width: 106, flex: 'none' }}
        />
        {isSlot(port) && (
          <Pick
            label="Length"
            value={port.slot?.edge ?? ''}
            options={EDGES.map((edge) => [edge, `×${edge}`])}
            onValue={(edge) => edge && onPort({ ...port, slot: { ...port.slot, edge } })}
            sx={{ width: 74, flex: 'none' }}
          />
        )}
        <TextField
          select
          label={isSlot(port) ? 'Wired' : 'Can do'}
          value={port.modes}
          onChange={(e) => {
            const modes = e.target.value as unknown as string[];
            if (modes.length > 0) onPort({ ...port, modes });
          }}
          slotProps={{
            select: {
              multiple: true,
              renderValue: (ids) => (ids as string[]).map((id) => linkById(id).name).join(', '),
            },
          }}
        >
          {LINKS.filter(({ id }) => canStandFor(port.connector, id) || port.modes.includes(id)).map((l) => (
            <MenuItem key={l.id} value={l.id}>
              {l.name}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <IconButton
        size="small"
        disabled={!onRemove || used}
        title={used ? 'The path uses this port' : 'Remove (can be undone)'}
        aria-label={`Remove ${port.position}`}
        onClick={onRemove}
        sx={{ gridArea: 'bin', alignSelf: 'center' }}
      >
        <DeleteOutlineIcon fontSize="small" />
      </IconButton>
    </Box>
  );
}
