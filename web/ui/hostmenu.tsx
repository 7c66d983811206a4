import { AddIcon } from './icons';
import { Button, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { unknownHost, usualPort, type Host } from '@kymar/core/catalog/parts';
import { newId } from '../state/id';
import { useShop } from '../state/shop';

/** A machine of which nothing is known but that it has a port. */
const blankHost = (): Host => ({
  ...unknownHost(newId('host'), 'Another machine'),
  ports: [{ id: 'port-1', position: 'Port', ...usualPort('USB-C') }],
});

/** A button with the shop's machines behind it, and one that nothing is known of. */
export function HostMenu({
  label,
  variant,
  disabled,
  onHost,
  onDescribe,
}: {
  label: string;
  variant?: 'contained';
  disabled?: boolean;
  onHost(host: Host): void;
  /** Asks for one that is described in another way than field by field. */
  onDescribe?: () => void;
}) {
  const { hosts } = useShop();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [taken, setTaken] = useState<Host | null>(null);
  const take = (host: Host) => {
    setAnchor(null);
    setTaken(host);
  };
  // Not before the menu has gone: what it hid of the page is shown again by then, whatever the choice takes away.
  const gone = () => {
    if (taken === null) return;
    setTaken(null);
    onHost(taken);
  };
  return (
    <>
      <Button
        size={variant ? 'medium' : 'small'}
        variant={variant ?? 'text'}
        startIcon={<AddIcon />}
        disabled={disabled}
        aria-haspopup="menu"
        onClick={(e) => setAnchor(e.currentTarget)}
      >
        {label}
      </Button>
      <Menu
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => setAnchor(null)}
        slotProps={{ transition: { onExited: gone } }}
      >
        {hosts.map((host) => (
          <MenuItem key={host.id} onClick={() => take(host)}>
            {host.name}
          </MenuItem>
        ))}
        <MenuItem onClick={() => take(blankHost())}>Another machine, described by hand</MenuItem>
        {onDescribe && (
          <MenuItem
            onClick={() => {
              setAnchor(null);
              onDescribe();
            }}
          >
            Another machine, pasted or its ports ticked
          </MenuItem>
        )}
      </Menu>
    </>
  );
}
