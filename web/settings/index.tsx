import { AsidePanel } from './aside';
import { BackupPanel } from './backup';
import { BinPanel } from './bin';
import { MannersPanel } from './manners';
import { RatesPanel } from './rates';
import { StoragePanel } from './storage';
import { Stack, TwoColumns } from '../ui/layout';
import { WhoPanel } from './who';

/** What this browser keeps, and how to keep it safe. */
export function SettingsView() {
  return (
    <TwoColumns
      title="Settings"
      about="What this browser keeps, how it is kept safe, and how the page behaves."
      widest={1280}
    >
      <AsidePanel />
      <Stack gap={2}>
        <WhoPanel />
        <MannersPanel />
        <BackupPanel />
        <RatesPanel />
      </Stack>
      <Stack gap={2}>
        <StoragePanel />
        <BinPanel />
      </Stack>
    </TwoColumns>
  );
}
