import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import type { Job } from '@kymar/core/job';
import { shortMoment } from '@kymar/core/units';
import { changeJob } from '../state/jobs';
import { fromPasted } from '../state/models';
import { HealthField, HealthRead } from '../ui/health';
import { Columns, Row } from '../ui/layout';
import { usedSaid } from '@kymar/core/statements';
import { useAnswer } from '../state/gate';
import { DateField } from '../ui/date';
import { MoneyField } from '../ui/moneyfield';
import { Told } from '../ui/told';
import { choose } from '../workers';

/** The health page of a drive that is there already: what is left of its rating counts, and one that fails is not offered. */
export function UsedDrivePanel({
  job,
  turn,
  drive,
  name,
}: {
  job: Job;
  /** Of the search that says what it is worth. */
  turn: number;
  drive: string;
  name: string;
}) {
  const [text, setText] = useState<string | null>(null);
  const kept = job.used?.find((one) => one.drive === drive);
  const read = kept ? fromPasted(kept.text) : null;
  const told = text?.trim() ? fromPasted(text) : null;
  const keep = (page: string | null) => {
    const others = (job.used ?? []).filter((one) => one.drive !== drive);
    const at = new Date().toISOString();
    const used = page === null ? others : [...others, { ...kept, drive, at, text: page.slice(0, 40_000) }];
    changeJob(job.id, (j) => ({ ...j, used }));
    setText(null);
  };
  return (
    <Box sx={{ mt: 1 }}>
      <Row align="baseline" wrap>
        <Typography variant="body2" sx={{ flex: 1 }}>
          <span data-named>{name}</span>
          {kept && (
            <>
              : health page of <time>{shortMoment(kept.at)}</time>
            </>
          )}
        </Typography>
        {text === null && (
          <Button size="small" aria-label={`Paste the health page of ${name}`} onClick={() => setText('')}>
            {kept ? 'Paste a newer one' : 'Used? Paste its health page'}
          </Button>
        )}
        {kept && (
          <Button size="small" aria-label={`Remove the health page of ${name}`} onClick={() => keep(null)}>
            Remove
          </Button>
        )}
      </Row>
      {read?.ok && <HealthRead counters={read.counters} of={drive} />}
      {kept && <OnOffer job={job} turn={turn} kept={kept} />}
      {text !== null && (
        <>
          <HealthField label={`Health page of ${name}`} text={text} told={told} onText={setText} />
          <Row>
            <Button size="small" variant="outlined" disabled={!told?.ok} onClick={() => keep(text)}>
              Keep it
            </Button>
            <Button size="small" onClick={() => setText(null)}>
              Cancel
            </Button>
          </Row>
        </>
      )}
    </Box>
  );
}

type Used = NonNullable<Job['used']>[number];

/** What is asked for a used drive, how long it is warranted, and whether it is worth that. */
function OnOffer({ job, turn, kept }: { job: Job; turn: number; kept: Used }) {
  const { data: words = null } = useAnswer(choose.used(turn, kept));
  const set = (part: Partial<Used>) =>
    changeJob(job.id, (j) => ({
      ...j,
      used: j.used?.map((one) => {
        if (one.drive !== kept.drive) return one;
        const said = Object.entries({ ...one, ...part }).filter(([, value]) => value !== undefined);
        return Object.fromEntries(said) as Used;
      }),
    }));
  const { advice } = usedSaid(kept.drive, words);
  return (
    <>
      <Columns of={2}>
        <MoneyField
          label="Asked for it"
          value={kept.asked}
          usual={job.budget?.currency}
          onValue={(asked) => set({ asked })}
        />
        <DateField
          label="Warranty until"
          value={kept.warrantyUntil ?? ''}
          fullWidth
          onDay={(day) => set({ warrantyUntil: day ?? undefined })}
        />
      </Columns>
      {advice && (
        <Typography variant="body2" sx={{ mt: 1, fontWeight: 600 }}>
          <Told of={advice} />
        </Typography>
      )}
    </>
  );
}
