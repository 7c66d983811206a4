import { Tab, Tabs } from '@mui/material';
import { FINGER } from '../ui/narrow';

/** Which of several is looked at; nothing where there is but one. */
export function Which({
  label,
  list,
  chosen,
  onChoose,
}: {
  label: string;
  list: readonly { id: string; name: string }[];
  chosen: string;
  onChoose(id: string): void;
}) {
  if (list.length < 2) return null;
  return (
    <Tabs
      value={chosen}
      onChange={(_, id: string) => onChoose(id)}
      variant="scrollable"
      aria-label={label}
      sx={{
        minHeight: 34,
        mb: 1.5,
        '& .MuiTab-root': { minHeight: 34, [FINGER]: { minHeight: 44 }, textTransform: 'none' },
      }}
    >
      {list.map(({ id, name }) => (
        <Tab key={id} value={id} label={name} />
      ))}
    </Tabs>
  );
}
