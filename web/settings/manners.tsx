import { Checkbox, FormControlLabel } from '@mui/material';
import { ALL_FOLDS, unfoldAll, useFolds } from '../state/folds';
import { setSetting, useSettings } from '../state/settings';
import { Panel } from '../ui/panel';
import { Stack } from '../ui/layout';

/** How the page behaves. */
export function MannersPanel() {
  const singleKeys = useSettings((s) => s.singleKeys) !== false;
  const isOpen = useFolds((folds) => folds[ALL_FOLDS]) === true;
  return (
    <Panel title="How it behaves">
      <Stack gap={0.5}>
        <FormControlLabel
          control={
            <Checkbox checked={singleKeys} onChange={(e) => setSetting('singleKeys', e.target.checked)} />
          }
          label="Single keys work: g and a letter, / and ? (never in a field)"
        />
        <FormControlLabel
          control={<Checkbox checked={isOpen} onChange={(e) => unfoldAll(e.target.checked)} />}
          label="Everything that folds stands open"
        />
      </Stack>
    </Panel>
  );
}
