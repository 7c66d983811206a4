import { Autocomplete, Box, Button, TextField, Typography } from '@mui/material';
import { lacking, type Copy } from '@kymar/core/models/copies';
import type { Fact } from '@kymar/core/evidence';
import {
  DEFAULT_POLICIES,
  FileSystem,
  POLICIES,
  type DeviceNeeds,
  type Job,
  type PolicyId,
} from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { System } from '@kymar/core/catalog/parts';
import { FactField, NameField } from '../ui/field';
import { ROLE_NAMES } from '../ui/roles';
import { Pick } from '../ui/pick';
import { Panel } from '../ui/panel';

const FAMILY = (family: string) => (family === 'own' ? 'Its own' : family);
const YES_NO: Record<'bootDrive' | 'portable' | 'movesLater' | 'onlyCopy', string> = {
  bootDrive: 'Boot drive',
  portable: 'Portable',
  movesLater: 'Moves to a faster machine later',
  onlyCopy: 'Only copy of the data',
};
const POLICY_IDS = Object.keys(POLICIES) as PolicyId[];

/** What a device is for, and its requirements. Nothing asked here must be answered. */
export function NeedsPanel({ needs, onNeeds }: { needs: DeviceNeeds; onNeeds(needs: DeviceNeeds): void }) {
  const set = <K extends keyof DeviceNeeds>(key: K, value: DeviceNeeds[K] | undefined) => {
    const { [key]: _, ...rest } = needs;
    onNeeds(value === undefined ? rest : { ...rest, [key]: value });
  };
  const half = { gridColumn: 'span 3' };
  return (
    <>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(6, minmax(0, 1fr))' }}>
        <Asked
          label="Role"
          value={needs.role}
          options={ROLE_NAMES}
          onValue={(role) => set('role', role)}
          sx={half}
        />
        <Autocomplete
          multiple
          size="small"
          options={System.shape.family.options}
          value={needs.systems ?? []}
          getOptionLabel={FAMILY}
          onChange={(_, list) => set('systems', list.length > 0 ? list.slice(0, 5) : undefined)}
          renderInput={(params) => <TextField {...params} label="Must work with" />}
          sx={half}
        />
        {(Object.keys(YES_NO) as (keyof typeof YES_NO)[]).map((key) => (
          <Asked
            key={key}
            label={YES_NO[key]}
            value={needs[key] === undefined ? undefined : needs[key] ? 'yes' : 'no'}
            options={{ yes: 'yes', no: 'no' }}
            onValue={(v) => set(key, v === undefined ? undefined : v === 'yes')}
            sx={half}
          />
        ))}
        <Asked
          label="File system"
          value={needs.fileSystem}
          options={Object.fromEntries(FileSystem.options.map((o) => [o, o])) as Record<FileSystem, string>}
          onValue={(v) => set('fileSystem', v)}
          sx={half}
        />
        <Asked
          label="Partition table"
          value={needs.table}
          options={{ GPT: 'GPT', MBR: 'MBR' }}
          onValue={(v) => set('table', v)}
          sx={half}
        />
        <FactField
          label="Largest single file"
          dimension="bytes"
          fact={needs.largestFile ?? { value: null, source: { kind: 'unknown' } }}
          onFact={(fact) => set('largestFile', fact.value === null ? undefined : fact)}
          sx={half}
        />
        <FactField
          label="How full in everyday use, %"
          dimension="percent"
          fact={needs.fill ?? NOT_SAID}
          onFact={(fact) => set('fill', fact.value === null ? undefined : within(fact))}
          sx={half}
        />
      </Box>
      <Copies
        list={needs.copies ?? []}
        onList={(list) => set('copies', list.length > 0 ? list : undefined)}
      />
    </>
  );
}

/** Which policies the job follows where practitioners disagree. */
export function PolicyPanel({ job }: { job: Job }) {
  const { policies = {} } = job;
  return (
    <Panel title="Where practitioners disagree, this job follows">
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(3, minmax(0, 1fr))' }}>
        {POLICY_IDS.map((id) => (
          <Pick
            label={POLICIES[id].question}
            value={policies[id] ?? DEFAULT_POLICIES[id]}
            words={POLICIES[id].answers}
            onValue={(v) => changeJob(job.id, (j) => ({ ...j, policies: { ...j.policies, [id]: v } }))}
            key={id}
          />
        ))}
      </Box>
    </Panel>
  );
}

const NOT_SAID = { value: null, source: { kind: 'unknown' } } as const;
/** A share stays one: what is above 1 was meant in per cent. */
const within = (fact: Fact): Fact => {
  const share = (v: number) => Math.min(1, v > 1 ? v / 100 : v);
  return {
    ...fact,
    value: Array.isArray(fact.value)
      ? [share(fact.value[0]), share(fact.value[1]), share(fact.value[2])]
      : fact.value === null
        ? null
        : share(fact.value),
  };
};

const MEDIUM: Record<Copy['medium'], string> = {
  flash: 'flash',
  disk: 'disk',
  array: 'array',
  tape: 'tape',
  optical: 'optical disc',
  network: 'another machine',
  cloud: 'cloud',
};

/** The copies of the data that are planned, held against the usual rule. */
function Copies({ list, onList }: { list: readonly Copy[]; onList(list: Copy[]): void }) {
  const set = (i: number, part: Partial<Copy>) =>
    onList(list.map((c, k) => (k === i ? { ...c, ...part } : c)));
  const lack = list.length > 0 ? lacking(list) : [];
  return (
    <Box sx={{ mt: 2 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', mb: 1 }}>
        <Typography variant="h3" sx={{ flex: 1 }}>
          Copies of the data
        </Typography>
        <Button
          size="small"
          disabled={list.length >= 20}
          onClick={() =>
            onList([...list, { name: `Copy ${list.length + 1}`, medium: 'disk', offSite: false }])
          }
        >
          Add a copy
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gap: 1 }}>
        {list.map((copy, i) => (
          <Box
            key={i}
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: 'minmax(0, 3fr) minmax(0, 2fr) minmax(0, 2fr) auto',
              alignItems: 'center',
            }}
          >
            <NameField label="Copy" value={copy.name} onName={(name) => set(i, { name })} />
            <Pick label="On" value={copy.medium} words={MEDIUM} onValue={(v) => set(i, { medium: v })} />
            <Pick
              label="Where"
              value={copy.offSite ? 'elsewhere' : 'here'}
              options={[
                ['here', 'here'],
                ['elsewhere', 'elsewhere'],
              ]}
              onValue={(v) => set(i, { offSite: v === 'elsewhere' })}
            />
            <Button
              size="small"
              aria-label={`Remove ${copy.name}`}
              onClick={() => onList(list.filter((_, k) => k !== i))}
            >
              Remove
            </Button>
          </Box>
        ))}
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: list.length > 0 ? 1 : 0 }}>
        {list.length === 0
          ? 'None are planned yet. The usual rule (common practice): three copies, on two media, one elsewhere; an array is one copy.'
          : lack.length === 0
            ? 'Keeps the usual rule: three copies, two media, one elsewhere.'
            : lack.join(' ')}
      </Typography>
    </Box>
  );
}

function Asked<T extends string>({
  label,
  value,
  options,
  onValue,
  sx,
}: {
  label: string;
  value: T | undefined;
  options: Record<T, string>;
  onValue(value: T | undefined): void;
  sx: object;
}) {
  return (
    <Pick
      label={label}
      value={value ?? ''}
      options={[
        [
          '',
          <Box component="span" sx={{ color: 'text.secondary' }}>
            not asked
          </Box>,
        ],
        ...(Object.entries(options) as [T, string][]),
      ]}
      onValue={(v) => onValue(v || undefined)}
      sx={sx}
    />
  );
}
