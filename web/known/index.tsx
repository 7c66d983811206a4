import { Box, Typography } from '@mui/material';
import { useMemo } from 'react';
import { Link } from 'react-router';
import {
  knownSaid,
  OBSERVED,
  observationsOf,
  observedAt,
  CONCERNS,
  type Observation,
  type Concern,
} from '@kymar/core/statements';
import { calendarDay, shortMoment } from '@kymar/core/units';
import { useVerdict } from '../state/verdict';
import { Cells, oneLine } from '../ui/cells';
import { useJob } from '../ui/job';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';
import { Waiting } from '../ui/waiting';

const NAMES: Record<Concern, string> = {
  forecast: 'Forecast',
  life: 'Life',
  verdict: 'Verdict',
  causes: 'Causes',
  protocol: 'Protocol',
  handover: 'Handover',
};

/** All that is known of the real thing: each with when, where, by whom, and what it changed. */
export function Known() {
  const { job } = useJob();
  const found = useVerdict(job);
  const list = useMemo(() => found && observationsOf(job, found), [job, found]);
  if (!list) return <Waiting>Gathering what is known …</Waiting>;
  if (list.length === 0)
    return (
      <Panel title="Nothing is known of the real thing yet" sx={{ maxWidth: 640 }}>
        <Typography>
          Runs, looks, health pages, checkpoints and what it takes today stand here, each with what it
          changed. <Link to={`/jobs/${job.id}/bench`}>Time the first run</Link>, or read a health page in{' '}
          <Link to={`/jobs/${job.id}/setup`}>Set-up</Link>.
        </Typography>
      </Panel>
    );
  const isSeveral = job.devices.length > 1;
  return (
    <Panel title="What is known">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Everything that was timed, read, looked at or told, the newest first, and what follows from it.
      </Typography>
      <Cells
        of={list}
        keyOf={({ id }) => id}
        label="What is known"
        sx={{ '& td': { verticalAlign: 'top' } }}
        columns={({ left }) => [
          left(
            'When',
            ({ at }) => (
              <time>{at === null ? 'not noted' : at.length > 10 ? shortMoment(at) : calendarDay(at)}</time>
            ),
            oneLine,
          ),
          left('What', (one) => (
            <>
              <Box component="span" sx={{ fontWeight: 600 }}>
                {OBSERVED[one.kind]}
              </Box>
              <Typography variant="body2">
                <Told of={knownSaid(one).title} />
              </Typography>
              <Typography variant="caption" color="textSecondary" data-named>
                {[isSeveral && observedAt(job, one), one.by].filter(Boolean).join(', ')}
              </Typography>
            </>
          )),
          left('What it changed', (one) => <Effects of={one} />),
        ]}
      />
    </Panel>
  );
}

function Effects({ of }: { of: Observation }) {
  const { effects } = of;
  const said = knownSaid(of);
  const [some, no] = [true, false].map((does) => CONCERNS.filter((room) => effects[room].does === does)) as [
    Concern[],
    Concern[],
  ];
  return (
    <>
      {some.map((room) => (
        <Typography key={room} variant="body2">
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {NAMES[room]}:
          </Box>{' '}
          <Told of={said[room]} />
        </Typography>
      ))}
      {no.length > 0 && (
        <Box component="details" sx={{ '& summary': { cursor: 'pointer' } }}>
          <Typography component="summary" variant="caption" color="textSecondary">
            Nothing in {no.map((room) => NAMES[room].toLowerCase()).join(', ')}
          </Typography>
          {no.map((room) => (
            <Typography key={room} variant="caption" component="div">
              {NAMES[room]}: <Told of={said[room]} />
            </Typography>
          ))}
        </Box>
      )}
    </>
  );
}
