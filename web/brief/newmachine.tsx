import { Box, Button, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useState } from 'react';
import { readMachine } from '@kymar/core/brief';
import { unknownHost, type Host } from '@kymar/core/catalog/parts';
import { counted } from '@kymar/core/units';
import { newId } from '../state/id';
import { HostMenu } from '../ui/hostmenu';
import { Row, Stack } from '../ui/layout';
import { Sides } from './sides';

const WAYS = {
  pasted: 'Paste what it tells',
  laptop: 'Tick a laptop’s ports',
  desktop: 'Tick a desktop’s ports',
};
const EXAMPLE = 'Windows 11\n2x USB-C 10 Gb/s on the left\nUSB-A 3.2 Gen 1\n1 TB NVMe SSD';

/** A machine that is to come: chosen out of the shop’s, pasted, or its ports ticked on a picture. */
export function NewMachine({ onHost, onCancel }: { onHost(host: Host): void; onCancel?: () => void }) {
  const [way, setWay] = useState<keyof typeof WAYS | null>(null);
  return (
    <Stack>
      <Typography>
        Which machine is it for? Its ports, system and built-in drive decide what goes in and how fast it is.
      </Typography>
      <Row wrap align="center">
        <HostMenu label="Choose the machine" variant="contained" onHost={onHost} />
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Or describe it"
          value={way}
          onChange={(_, next: keyof typeof WAYS | null) => setWay(next)}
          sx={{ flexWrap: 'wrap' }}
        >
          {Object.entries(WAYS).map(([id, words]) => (
            <ToggleButton key={id} value={id}>
              {words}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {onCancel && <Button onClick={onCancel}>Cancel</Button>}
      </Row>
      {way === 'pasted' && <Pasted onHost={onHost} />}
      {way !== null && way !== 'pasted' && <Ticked key={way} drawn={way} onHost={onHost} />}
    </Stack>
  );
}

function Pasted({ onHost }: { onHost(host: Host): void }) {
  const [text, setText] = useState('');
  const { host, understood, unread } = readMachine(text, newId('host'));
  return (
    <Box>
      <TextField
        fullWidth
        multiline
        minRows={4}
        autoFocus
        label="Its data sheet, or what it shows of itself"
        placeholder={EXAMPLE}
        value={text}
        onChange={(e) => setText(e.target.value.slice(0, 4000))}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Typography variant="body2" color="textSecondary" role="status" sx={{ my: 0.75 }}>
        {text.trim() === '' ? 'One thing a line, or with commas between.' : understood.join(' · ')}
        {unread.length > 0 && (
          <Typography component="span" variant="body2" color="error">
            {' '}
            Not understood, left out: {unread.map((part) => `“${part}”`).join(', ')}.
          </Typography>
        )}
        {text.trim() !== '' && !host && ' No port in it yet: without one nothing can be connected.'}
      </Typography>
      <Button variant="outlined" disabled={!host} onClick={() => host && onHost(host)}>
        Add this machine
      </Button>
    </Box>
  );
}

function Ticked({ drawn, onHost }: { drawn: 'laptop' | 'desktop'; onHost(host: Host): void }) {
  const [ports, setPorts] = useState<Host['ports']>([]);
  return (
    <Box>
      <Sides drawn={drawn} ports={ports} onPorts={setPorts} />
      <Typography variant="body2" color="textSecondary" sx={{ my: 0.75 }}>
        Tick what it has. Each is taken as it usually is (USB-C 10 Gb/s, USB-A 5 Gb/s); change that where you
        know better.
      </Typography>
      <Button
        variant="outlined"
        disabled={ports.length === 0}
        onClick={() =>
          onHost({ ...unknownHost(newId('host'), `The customer’s ${drawn}`), kind: drawn, ports })
        }
      >
        Add this machine{ports.length > 0 ? `, ${counted(ports.length, 'port', 'ports')}` : ''}
      </Button>
    </Box>
  );
}
