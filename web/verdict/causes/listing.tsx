import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { judgeLink, readListing } from '@kymar/core/catalog/negotiated';
import { Row } from '../../ui/layout';

/** What the customer's machine told, pasted: each drive found in it with what it negotiated. */
export function Listing({ onLink }: { onLink(link: string): void }) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const found = text.trim() === '' ? [] : readListing(text);
  if (!open)
    return (
      <Button size="small" onClick={() => setOpen(true)} sx={{ px: 0, mt: 0.5, display: 'block' }}>
        Or paste what the customer’s machine says of its links
      </Button>
    );
  return (
    <Box sx={{ mt: 1, display: 'grid', gap: 1 }}>
      <TextField
        label="Listing of PCI or USB devices, or kernel messages (Linux)"
        multiline
        minRows={3}
        maxRows={8}
        value={text}
        onChange={(e) => setText(e.target.value)}
        error={text.trim() !== '' && found.length === 0}
        helperText={
          text.trim() !== '' && found.length === 0
            ? 'No drive with a negotiated link in it. Paste the long PCI listing (with “LnkSta”), the USB tree, or the kernel’s messages.'
            : undefined
        }
      />
      {found.map((device) => (
        <Row key={device.id} align="baseline">
          <Typography variant="body2" sx={{ flex: 1 }}>
            <b>{device.name}</b> {judgeLink(device).words}
          </Typography>
          <Button
            size="small"
            aria-label={`It is this one: ${device.name}`}
            onClick={() => onLink(device.link!)}
          >
            It is this one
          </Button>
        </Row>
      ))}
    </Box>
  );
}
