import { Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { BEFALLEN, type BefallenId, type Fitting } from '@kymar/core/job';
import { befallenSaid } from '@kymar/core/statements';
import type { Placed } from '../state/placed';
import { DateField } from '../ui/date';
import { Columns, Row, Stack } from '../ui/layout';
import { Pick } from '../ui/pick';
import { Told } from '../ui/told';
import { changeFitting } from './fitting';

const today = () => new Date().toLocaleDateString('sv-SE');
const WHAT = Object.fromEntries(
  Object.entries(BEFALLEN).map(([id, words]) => [id, words.replace(/^./, (c) => c.toUpperCase())]),
) as Record<BefallenId, string>;

/** What befell the unit: a log, and what follows from it. */
export function BefallenLog({ at, fitting }: { at: Placed; fitting: Fitting | undefined }) {
  const [open, setOpen] = useState(false);
  const [what, setWhat] = useState<BefallenId>('dropped');
  const [on, setOn] = useState(today);
  const [note, setNote] = useState('');
  const { log, risk } = befallenSaid(at.place.device, fitting ?? {});
  const { befallen = [] } = fitting ?? {};
  const add = () => {
    const one = { on, what, ...(note.trim() ? { note: note.trim().slice(0, 200) } : {}) };
    const inOrder = [...befallen, one].sort((a, b) => a.on.localeCompare(b.on));
    changeFitting(at, (f) => ({ ...f, befallen: inOrder }));
    setNote('');
    setOpen(false);
  };
  const remove = (i: number) =>
    changeFitting(at, (f) => ({ ...f, befallen: befallen.filter((_, k) => k !== i) }));
  return (
    <Stack gap={1}>
      {log.map(({ entry }, i) => (
        <Row key={entry!.id} align="baseline">
          <Typography variant="body2" sx={{ flex: 1 }}>
            <Told of={entry} />
          </Typography>
          <Button size="small" aria-label={`Remove: ${entry!.words}`} onClick={() => remove(i)}>
            Remove
          </Button>
        </Row>
      ))}
      {risk && (
        <Typography variant="body2" sx={{ color: 'warning.main', fontWeight: 560 }}>
          <Told of={risk} />
        </Typography>
      )}
      {open ? (
        <>
          <Columns of={2}>
            <Pick label="What befell it" value={what} words={WHAT} onValue={setWhat} />
            <DateField label="On" value={on} onDay={(day) => day && setOn(day)} />
            <TextField
              label="Note"
              value={note}
              onChange={(e) => setNote(e.target.value)}
              sx={{ gridColumn: '1 / -1' }}
            />
          </Columns>
          <Row>
            <Button size="small" variant="outlined" onClick={add}>
              Enter it
            </Button>
            <Button size="small" onClick={() => setOpen(false)}>
              Cancel
            </Button>
          </Row>
        </>
      ) : (
        <Button size="small" onClick={() => setOpen(true)} sx={{ px: 0, justifySelf: 'start' }}>
          Something befell it: dropped, wet …
        </Button>
      )}
    </Stack>
  );
}
