import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { draftDrive } from '@kymar/core/catalog/library';
import type { Drive } from '@kymar/core/catalog/parts';
import { newId } from '../state/id';
import { Answer } from '../reference/decoder';

/** A drive made from a pasted listing: what the line says is shown before it is taken over. */
export function ListingDialog({ take, close }: { take(drive: Drive): void; close(): void }) {
  const [id] = useState(() => newId('drive'));
  const [text, setText] = useState('');
  const { drive, decoded } = draftDrive(text, id);
  return (
    <Dialog open onClose={close} maxWidth="md" fullWidth>
      <DialogTitle>A drive from its listing</DialogTitle>
      <DialogContent>
        <TextField
          autoFocus
          fullWidth
          multiline
          minRows={2}
          label="Paste the line"
          value={text}
          onChange={(e) => setText(e.target.value.slice(0, 500))}
          sx={{ mt: 1, mb: 1.5 }}
          helperText="What it leaves open stays not known, and can be filled in afterwards."
        />
        <Box sx={{ minHeight: 120 }}>
          <Answer found={decoded} />
        </Box>
        {text.trim() !== '' && (
          <Typography sx={{ mt: 1.5 }}>
            Becomes: {drive.maker} {drive.model}, {drive.media === 'disk' ? 'disk' : (drive.cell ?? 'flash')},{' '}
            {drive.form}, {drive.plug}.
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Leave it</Button>
        <Button variant="contained" disabled={text.trim() === ''} onClick={() => take(drive)}>
          Add the drive
        </Button>
      </DialogActions>
    </Dialog>
  );
}
