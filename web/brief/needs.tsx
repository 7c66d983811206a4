import { Box, Button, Typography } from '@mui/material';
import type { Copy } from '@kymar/core/models';
import { lacking } from '../state/models';
import type { Fact } from '@kymar/core/evidence';
import { DEFAULT_POLICIES, DeviceNeeds, POLICIES, type Job, type PolicyId } from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { NameField } from '../ui/field';
import { SchemaForm } from '../ui/form';
import { Pick } from '../ui/pick';
import { Fold } from '../ui/fold';
import { Columns, Stack } from '../ui/layout';

const POLICY_IDS = Object.keys(POLICIES) as PolicyId[];

/** What a device is for, and its requirements. Nothing asked here must be answered. */
export function NeedsPanel({ needs, onNeeds }: { needs: DeviceNeeds; onNeeds(needs: DeviceNeeds): void }) {
  const set = (next: DeviceNeeds) =>
    onNeeds(next.fill && next.fill !== needs.fill ? { ...next, fill: within(next.fill) } : next);
  return (
    <>
      <Columns of={2}>
        <SchemaForm of={DeviceNeeds} values={needs} onValues={set} unsaid="not asked" />
      </Columns>
      <Copies
        list={needs.copies ?? []}
        onList={(list) => {
          const { copies: _, ...rest } = needs;
          onNeeds(list.length > 0 ? { ...rest, copies: list } : rest);
        }}
      />
    </>
  );
}

/** Which policies the job follows where practitioners disagree. */
export function PolicyPanel({ job }: { job: Job }) {
  const { policies = {} } = job;
  const own = POLICY_IDS.flatMap((id) => {
    const answer = policies[id];
    if (answer === undefined || answer === DEFAULT_POLICIES[id]) return [];
    return (POLICIES[id].answers as Record<string, string>)[answer] ?? [];
  });
  return (
    <Fold
      name="brief.policies"
      title="Where practitioners disagree"
      said={own.length === 0 ? 'the usual answers' : own.join(', ')}
    >
      <Columns of={3}>
        {POLICY_IDS.map((id) => (
          <Pick
            label={POLICIES[id].question}
            value={policies[id] ?? DEFAULT_POLICIES[id]}
            words={POLICIES[id].answers}
            onValue={(v) => changeJob(job.id, (j) => ({ ...j, policies: { ...j.policies, [id]: v } }))}
            key={id}
          />
        ))}
      </Columns>
    </Fold>
  );
}

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

const HOLDS: Record<NonNullable<Copy['holds']>, string> = {
  'kept up': 'kept up',
  'an older state': 'older state',
  'given away': 'given away',
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
      <Stack gap={1}>
        {list.map((copy, i) => (
          <Box
            key={i}
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: 'minmax(0, 3fr) minmax(0, 2fr) minmax(0, 2fr) minmax(0, 2fr) auto',
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
            <Pick
              label="Holds"
              value={copy.holds ?? 'kept up'}
              words={HOLDS}
              onValue={(holds) => set(i, { holds: holds === 'kept up' ? undefined : holds })}
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
      </Stack>
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
