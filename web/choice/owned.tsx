import { Autocomplete, createFilterOptions, TextField, Typography } from '@mui/material';
import { useMemo } from 'react';
import { nameOf } from '@kymar/core/catalog/parts';
import type { Job } from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { useShop } from '../state/shop';
import { Fold } from '../ui/fold';
import { UsedDrivePanel } from './used';

const KINDS = ['drives', 'bridges', 'cables', 'accessories'] as const;
const GROUP = {
  drives: 'Drives',
  bridges: 'Enclosures and cards',
  cables: 'Cables',
  accessories: 'Small parts',
};

interface Option {
  key: string;
  name: string;
  group: string;
}
/** As many are listed; of a larger library what is typed says which. */
const listed = createFilterOptions<Option>({ limit: 80 });

/** What the customer or the shelf has: costs nothing, and is offered first. */
export function Owned({ job, turn }: { job: Job; turn: number }) {
  const shop = useShop();
  const options = useMemo(
    () =>
      KINDS.flatMap((kind): Option[] =>
        shop[kind].map((part) => ({ key: `${kind}/${part.id}`, name: nameOf(part), group: GROUP[kind] })),
      ),
    [shop],
  );
  const owned = job.owned ?? [];
  const chosen = owned.flatMap((key) => options.find((o) => o.key === key) ?? []);
  return (
    <Fold name="choice.owned" title="Already there" about="parts that cost nothing">
      <Autocomplete
        multiple
        size="small"
        options={options}
        value={chosen}
        filterOptions={listed}
        groupBy={({ group }) => group}
        getOptionLabel={({ name }) => name}
        getOptionKey={({ key }) => key}
        isOptionEqualToValue={(a, b) => a.key === b.key}
        onChange={(_, list) => {
          const owned = list.map(({ key }) => key);
          const isThere = ({ drive }: { drive: string }) => owned.includes(`drives/${drive}`);
          changeJob(job.id, (j) => ({ ...j, owned, ...(j.used ? { used: j.used.filter(isThere) } : {}) }));
        }}
        renderInput={(params) => (
          <TextField
            {...params}
            label="Of the customer or on the shelf"
            placeholder={chosen.length === 0 ? 'drive, enclosure, cable' : ''}
          />
        )}
      />
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.75 }}>
        Costs nothing in every build, but what is asked for a used drive.
      </Typography>
      {chosen
        .filter(({ key }) => key.startsWith('drives/'))
        .map(({ key, name }) => (
          <UsedDrivePanel key={key} job={job} turn={turn} drive={key.slice('drives/'.length)} name={name} />
        ))}
    </Fold>
  );
}
