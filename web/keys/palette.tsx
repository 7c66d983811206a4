import { Autocomplete, Box, Dialog, TextField, Typography } from '@mui/material';
import { useMemo } from 'react';
import { nameOf, PART_KINDS, type Part, type PartKind } from '@kymar/core/catalog/parts';
import { useNavigate } from 'react-router';
import { redo, undo } from '../state/history';
import { putJobs, useJobs } from '../state/jobs';
import { useShop } from '../state/shop';
import { newJob } from '../jobs/new';
import { STAGE_KEYS, VIEW_KEYS } from './table';

/** What can be gone to or done: a group, a name, what it is found by beside it, and what is done. */
interface Entry {
  id: string;
  group: string;
  name: string;
  also: string;
  act(): void;
}
/** As many are shown: who looks for more types on. */
const MOST = 60;

/** Finds anything by typing: stages, jobs, parts, views, and what can be done. */
export function Palette({
  job,
  search,
  onShut,
  onKeys,
}: {
  /** The job one is in. */
  job: string | undefined;
  search: string;
  onShut(): void;
  onKeys(): void;
}) {
  const entries = useEntriesOf(job, search, onKeys);
  return (
    <Dialog
      open
      onClose={onShut}
      maxWidth="sm"
      fullWidth
      aria-label="Find and go"
      slotProps={{ paper: { sx: { position: 'absolute', top: 72, m: 0, p: 1.5 } } }}
    >
      <Autocomplete
        open
        autoHighlight
        disablePortal
        options={entries}
        groupBy={({ group }) => group}
        getOptionLabel={({ name }) => name}
        getOptionKey={({ id }) => id}
        filterOptions={(list, { inputValue }) => {
          const words = inputValue.toLowerCase().split(/\s+/).filter(Boolean);
          const holds = ({ name, also, group }: Entry) => {
            const text = `${name} ${also} ${group}`.toLowerCase();
            return words.every((word) => text.includes(word));
          };
          return list.filter(holds).slice(0, MOST);
        }}
        noOptionsText="Nothing by that name"
        onChange={(_, entry) => {
          onShut();
          entry?.act();
        }}
        onClose={(_, why) => why === 'escape' && onShut()}
        renderOption={({ key: _, ...props }, { id, name, also }) => (
          <Box component="li" key={id} {...props} sx={{ display: 'flex', gap: 1 }}>
            <span>{name}</span>
            <Typography component="span" variant="body2" color="textSecondary" noWrap>
              {also}
            </Typography>
          </Box>
        )}
        renderInput={(params) => (
          <TextField
            {...params}
            autoFocus
            label="Find and go"
            placeholder="A job, a part, a view, what to do"
          />
        )}
        slotProps={{
          listbox: { sx: { maxHeight: '60vh' } },
          popper: {
            sx: { position: 'static !important', transform: 'none !important', width: '100% !important' },
          },
        }}
      />
    </Dialog>
  );
}

function useEntriesOf(job: string | undefined, search: string, onKeys: () => void): Entry[] {
  const navigate = useNavigate();
  const jobs = useJobs((s) => s.jobs);
  const shop = useShop();
  return useMemo(() => {
    const to = (path: string, query = '') => void navigate({ pathname: path, search: query });
    const create = () => {
      const made = newJob();
      putJobs([made]);
      to(`/jobs/${made.id}/brief`);
    };
    const one = (group: string, id: string, name: string, also: string, act: () => void): Entry => ({
      id: `${group} ${id}`,
      group,
      name,
      also,
      act,
    });
    return [
      ...(job
        ? STAGE_KEYS.map(([key, stage, name]) =>
            one('This job', stage, name, `G ${key.toUpperCase()}`, () => to(`/jobs/${job}/${stage}`, search)),
          )
        : []),
      ...VIEW_KEYS.map(([key, path, name]) =>
        one('Views', path, name, `G ${key.toUpperCase()}`, () => to(path)),
      ),
      one('Do', 'new', 'New job', '', create),
      one('Do', 'undo', 'Undo', 'Ctrl Z', undo),
      one('Do', 'redo', 'Redo', 'Ctrl Shift Z', redo),
      one('Do', 'keys', 'All keys', '?', onKeys),
      ...Object.values(jobs).map(({ id, title, customer }) =>
        one('Jobs', id, title, customer, () => to(`/jobs/${id}`)),
      ),
      ...(Object.keys(PART_KINDS) as PartKind[]).flatMap((kind) =>
        (shop[kind] as Part[]).map((part) =>
          one('Parts', `${kind}/${part.id}`, nameOf(part), '', () => to(`/parts/${kind}/${part.id}`)),
        ),
      ),
    ];
  }, [job, search, jobs, shop, navigate, onKeys]);
}
