import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { CAUSES, HEALTHY, NO_CAUSE, NONE, PRIORS } from '@kymar/core/diagnosis';
import { setSetting, useSettings } from '../../state/settings';
import { QuantityField } from '../../ui/field';

const ALL = [
  { id: HEALTHY, title: NO_CAUSE[HEALTHY]!, prior: PRIORS.healthy },
  ...CAUSES,
  { id: NONE, title: NO_CAUSE[NONE]!, prior: PRIORS.none },
];

/** How often each cause is the one, relative to the others: shown, and each the shop's to change. */
export function Priors() {
  const own = useSettings((s) => s.priors) ?? {};
  const [open, setOpen] = useState(false);
  const set = (id: string, value: number | null) => {
    const { [id]: _, ...rest } = own;
    setSetting('priors', value === null || value <= 0 ? rest : { ...rest, [id]: value });
  };
  const count = Object.keys(own).length;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)} sx={{ px: 0 }}>
        How often each is the cause{count > 0 ? ` (${count} of your own)` : ' (from memory)'}
      </Button>
      {open && (
        <>
          <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
            Of so many jobs, relative to one another. An empty field takes what it comes with.
          </Typography>
          <Box
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'repeat(2, minmax(0, 1fr))' },
            }}
          >
            {ALL.map(({ id, title, prior }) => (
              <QuantityField
                key={id}
                label={title}
                dimension="number"
                optional
                value={own[id] ?? null}
                onValue={(value) => set(id, value)}
                placeholder={String(prior)}
                slotProps={{ inputLabel: { shrink: true } }}
              />
            ))}
          </Box>
          {count > 0 && (
            <Button size="small" onClick={() => setSetting('priors', undefined)} sx={{ mt: 1, px: 0 }}>
              Take them all back
            </Button>
          )}
        </>
      )}
    </Box>
  );
}
