import { Button } from '@mui/material';
import { useState } from 'react';
import { entering, withEntered, type Values } from '@kymar/core/diagnosis';
import { heldByOne, placeOf, type Job } from '@kymar/core/job';
import { changeJob } from '../../state/jobs';
import { QuantityField, WholeScope } from '../../ui/field';
import { Row } from '../../ui/layout';

/** Lets the forecast go by what a look showed, once what it leaves open is typed. */
export function Enter({
  job,
  noted,
  activity,
}: {
  job: Job;
  noted: NonNullable<Job['looks']>[number];
  activity: string;
}) {
  const [values, setValues] = useState<Values>({});
  if (noted.entered) return <>The forecast goes by it.</>;
  const asked = entering(noted);
  if (!asked) return null;
  const of = job.activities.find(({ id }) => id === activity);
  const at = new Date().toISOString();
  const isPossible = withEntered(job, noted, activity, values, at) !== null;
  if (!isPossible && asked.asks.length === 0) return null;
  return (
    <Row align="center" wrap>
      <WholeScope value={of && heldByOne(job.devices.find((d) => d.id === placeOf(job, of)?.device))}>
        {asked.asks.map(({ key, label, dimension, bare }) => (
          <QuantityField
            key={key}
            label={label}
            dimension={dimension}
            {...(bare ? { bare } : {})}
            optional
            value={values[key] ?? null}
            onValue={(value) => setValues({ ...values, [key]: value })}
            sx={{ width: 190 }}
          />
        ))}
      </WholeScope>
      <Button
        size="small"
        variant="outlined"
        disabled={!isPossible}
        onClick={() =>
          changeJob(job.id, (j) => withEntered(j, noted, activity, values, new Date().toISOString()) ?? j)
        }
      >
        Forecast with {asked.thing} as seen
      </Button>
    </Row>
  );
}
