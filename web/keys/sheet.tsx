import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useSettings } from '../state/settings';
import { OTHER_KEYS, STAGE_KEYS, VIEW_KEYS } from './table';

/** A key as it looks. */
const Key = ({ children }: { children: string }) => (
  <Box
    component="kbd"
    sx={{
      border: 1,
      borderColor: 'divider',
      borderRadius: 0.5,
      px: 0.75,
      fontFamily: 'inherit',
      whiteSpace: 'nowrap',
    }}
  >
    {children}
  </Box>
);

function Group({ title, rows }: { title: string; rows: readonly (readonly [string, string])[] }) {
  return (
    <Box component="section">
      <Typography variant="h3" sx={{ mb: 1 }}>
        {title}
      </Typography>
      <Box
        component="dl"
        sx={{ display: 'grid', gridTemplateColumns: 'max-content 1fr', gap: '6px 12px', m: 0 }}
      >
        {rows.map(([keys, does]) => (
          <Box key={keys} sx={{ display: 'contents' }}>
            <dt>
              <Key>{keys}</Key>
            </dt>
            <Typography component="dd" variant="body2" sx={{ m: 0 }}>
              {does}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** All keys on one sheet. */
export function Sheet({ onShut }: { onShut(): void }) {
  const isOff = useSettings((s) => s.singleKeys) === false;
  const others = (group: string) =>
    OTHER_KEYS.flatMap(([keys, does, of]) => (of === group ? [[keys, does] as const] : []));
  return (
    <Dialog open onClose={onShut} maxWidth="md" fullWidth aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Box sx={{ display: 'grid', gap: 3, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
          <Group title="Anywhere" rows={others('anywhere')} />
          <Group title="At the clock" rows={others('clock')} />
          <Group
            title="To a view"
            rows={VIEW_KEYS.map(([letter, , name]) => [`G ${letter.toUpperCase()}`, name])}
          />
          <Group
            title="To a stage of the job"
            rows={STAGE_KEYS.map(([letter, , name]) => [`G ${letter.toUpperCase()}`, name])}
          />
        </Box>
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {isOff
            ? 'Single keys are switched off in Settings: of these only those with Ctrl or ⌘ work.'
            : 'None works while you type in a field, but those with Ctrl or ⌘. Single keys can be switched off in Settings.'}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onShut}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
