import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { readSentence, saidName, type Sentence } from '@kymar/core/brief';
import { addMachine, FIRST_PLACE, type Job } from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { newId } from '../state/id';
import { belongsTo, type Placed } from '../state/placed';
import { useShop } from '../state/shop';
import { Row } from '../ui/layout';
import { blank, UNKNOWN } from './kinds';

const EXAMPLE = '170 GB in 13000 files every evening within 20 min, portable, 230 EUR';

/** What a line says, laid over a job: another activity, and what was said of the machine, the device and the money. */
function withSaid(
  job: Job,
  at: Placed | null,
  said: Sentence,
  hosts: ReturnType<typeof useShop>['hosts'],
): Job {
  const { kind, name, given, needs, budget, serviceYears, machine } = said;
  const isNew = machine !== null && !job.machines.some((m) => m.id === machine);
  const host = isNew ? hosts.find((h) => h.id === machine) : undefined;
  const on = host ? addMachine(job, host) : job;
  const named = machine === null ? undefined : host ? on.machines.at(-1)!.id : machine;
  const common = {
    id: newId('activity'),
    name,
    perDay: UNKNOWN,
    ...belongsTo(on, at),
    ...(named && on.machines.length > 1 && { machine: named }),
  };
  const [first = { id: FIRST_PLACE.device, name: '', parts: null }, ...others] = on.devices;
  const isAsked = Object.keys(needs).length > 0;
  return {
    ...on,
    activities: [...on.activities, { ...blank(kind, common), ...given }],
    ...(isAsked ? { devices: [{ ...first, needs: { ...first.needs, ...needs } }, ...others] } : {}),
    ...(budget ? { budget } : {}),
    ...(serviceYears ? { serviceYears } : {}),
  };
}

/** The whole brief in one line, as a customer says it. What is not understood stays, and is said. */
export function InOneLine({ job, at }: { job: Job; at: Placed | null }) {
  const [typed, setTyped] = useState('');
  const { hosts } = useShop();
  const here = job.machines.map(({ id, host }) => ({ id, name: host.name }));
  const said = readSentence(typed, [
    ...here,
    ...hosts.filter(({ name }) => !here.some((m) => m.name === name)).map(({ id, name }) => ({ id, name })),
  ]);
  const isFull = job.activities.length >= 50;
  const add = () => {
    if (!said || isFull) return;
    changeJob(job.id, (j) => withSaid(j, at, said, hosts));
    setTyped(said.unread.join(', '));
  };
  return (
    <Box sx={{ mb: 2 }}>
      <Row align="start">
        <TextField
          fullWidth
          // A new job begins with what the customer says.
          autoFocus={job.revision === 1 && job.activities.length === 0}
          label="In one line"
          placeholder={EXAMPLE}
          value={typed}
          onChange={(e) => setTyped(e.target.value.slice(0, 400))}
          onKeyDown={(e) => e.key === 'Enter' && add()}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Button
          variant="outlined"
          onClick={add}
          disabled={!said || isFull}
          sx={{ flex: 'none', minHeight: 38 }}
        >
          Add it
        </Button>
      </Row>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }} role="status">
        {said ? (
          <>
            {said.understood
              .map(({ what, words }) => [saidName(what), words].filter(Boolean).join(' '))
              .join(' · ')}
            {said.unread.length > 0 && (
              <Typography component="span" variant="body2" color="error">
                {' '}
                Not understood: {said.unread.map((text) => `“${text}”`).join(', ')}.
              </Typography>
            )}
          </>
        ) : typed.trim() === '' ? (
          'How much, how often, how long it may take. A range (140 to 260 GB) or “not known” is fine: the forecast widens and says so.'
        ) : (
          'No size, rate or number of files in it yet.'
        )}
      </Typography>
    </Box>
  );
}
