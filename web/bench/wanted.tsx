import { Alert, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { LOOKS } from '@kymar/core/diagnosis';
import { caseOf } from '../state/models';
import type { Job, Move, Load } from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import type { Placed } from '../state/placed';
import { useSituation } from '../state/situation';
import { Panel } from '../ui/panel';
import type { Conditions } from './conditions';
import { Row } from '../ui/layout';

/** A test that was taken up to find a cause. */
export type WantedTest = NonNullable<Job['tests']>[number];

const titleOf = (look: string): string => LOOKS.find(({ id }) => id === look)?.title ?? look;

/** Conditions of what is made as it is built again. */
export const asItIs = ({ look: _, ...conditions }: Conditions): Conditions => conditions;

/** What is timed under a test: its size, its files, its direction, and whether memory takes the other end; null where nothing changes. */
export function useTested(
  at: Placed | null,
  activity: Move | Load | null,
  look: string | undefined,
): { activity: Move | Load; toMemory: boolean } | null {
  const situation = useSituation(at);
  return useMemo(() => {
    const test = LOOKS.find(({ id }) => id === look);
    if (!situation || !activity || !test?.change) return null;
    if (!situation.activities.some(({ id }) => id === activity.id)) return null;
    const of = test.change(caseOf(situation, activity.id));
    return { activity: of.activity as Move | Load, toMemory: of.requestShape?.toMemory ?? false };
  }, [situation, activity, look]);
}

/** What is done differently in the next run. */
export const LookLine = ({ look, onLeave }: { look: string; onLeave(): void }) => (
  <Alert
    severity="info"
    variant="outlined"
    sx={{ mb: 1.5 }}
    action={
      <Button size="small" color="inherit" onClick={onLeave}>
        Cancel
      </Button>
    }
  >
    To find the cause: {titleOf(look).charAt(0).toLowerCase() + titleOf(look).slice(1)}. The next run counts
    for this test alone.
  </Alert>
);

/** Tests that a cause wants, until each is made. */
export function WantedPanel({
  job,
  looking,
  onTake,
}: {
  job: Job;
  looking: string | undefined;
  onTake(wanted: WantedTest): void;
}) {
  const { tests = [] } = job;
  if (tests.length === 0) return null;
  const isMade = ({ look, activity }: WantedTest) =>
    job.runs.some((r) => r.conditions.look === look && r.activity === activity && r.ended === 'done');
  const remove = ({ look }: WantedTest) =>
    changeJob(job.id, (j) => ({ ...j, tests: (j.tests ?? []).filter((t) => t.look !== look) }));
  return (
    <Panel title="To find the cause">
      {tests.map((test) => (
        <Row key={test.look} align="center">
          <Typography variant="body2" sx={{ flex: 1, color: isMade(test) ? 'text.secondary' : undefined }}>
            {titleOf(test.look)}
            {test.activity ? `: ${job.activities.find(({ id }) => id === test.activity)?.name ?? ''}` : ''}
            {isMade(test) ? ' (made)' : ''}
          </Typography>
          <Button
            size="small"
            variant={isMade(test) || looking === test.look ? 'text' : 'outlined'}
            aria-label={`${isMade(test) ? 'Repeat' : 'Take up'}: ${titleOf(test.look)}`}
            disabled={looking === test.look}
            onClick={() => onTake(test)}
          >
            {isMade(test) ? 'Repeat' : 'Take up'}
          </Button>
          <Button size="small" aria-label={`Remove: ${titleOf(test.look)}`} onClick={() => remove(test)}>
            Remove
          </Button>
        </Row>
      ))}
    </Panel>
  );
}
