import { Box, Button, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useState } from 'react';
import { Link } from 'react-router';
import type { ActivitySheet, CourseSheet } from '@kymar/core/forecast';
import { explainProbability } from '../state/models';
import { traitsOf } from '@kymar/core/job';
import { forecastSaid, moreSaid, targetSaid } from '@kymar/core/statements';
import { blockedAt } from '../state/derived';
import { useForecast } from '../state/forecast';
import { useSituation } from '../state/situation';
import { Figure } from '../ui/figure';
import { Told } from '../ui/told';
import { WorthFindingOut } from '../ui/worth';
import { useJob, usePlace } from '../ui/job';
import { Panel } from '../ui/panel';
import { Compare } from './compare';
import { CoursePanel, Drivers } from './course';
import { Freeze } from './frozen';
import { LifeLine, Years } from './life';
import { Cells } from '../ui/cells';
import { Tasks } from './tasks';
import { Stack } from '../ui/layout';

/** A column that a phone has no room for. */
const wide = { display: { xs: 'none', sm: 'table-cell' } };

const hasCourse = (a: ActivitySheet): a is ActivitySheet & { course: CourseSheet } => a.course !== null;

const unworkable = (problem: string) =>
  `This brief cannot be worked out: ${problem} Look at the sizes and rates in it.`;

/** How the work will run, before anything is measured. */
export function Forecast() {
  const { job } = useJob();
  const at = usePlace();
  const situation = useSituation(at);
  const { sheet: forecast, fresh, problem } = useForecast(situation);
  const [chosen, setChosen] = useState<string | null>(null);
  const blocks = at.build ? blockedAt(at) : [];
  if (!at.build || blocks.length > 0)
    return (
      <Panel title="Nothing to forecast yet" sx={{ maxWidth: 640 }}>
        <Typography sx={{ mb: 2 }}>
          {at.build
            ? `Something blocks it: ${blocks.map(({ title }) => title).join('; ')}. Fix it first.`
            : 'Choose the parts first: drive, what it sits in, cable and port.'}
        </Typography>
        <Button component={Link} to={`/jobs/${job.id}/path${at.search}`} variant="contained">
          Go to the path
        </Button>
      </Panel>
    );
  if (!forecast)
    return (
      <Panel title="How long it will take" aria-busy>
        <Typography color={problem ? 'error' : 'textSecondary'}>
          {problem ? unworkable(problem) : 'Working it out …'}
        </Typography>
      </Panel>
    );
  const shown =
    forecast.activities.find((a) => a.activity.id === chosen) ??
    forecast.activities.find(hasCourse) ??
    forecast.activities[0];
  return (
    <Stack gap={2}>
      <Panel title="How long it will take" aria-busy={!fresh && !problem}>
        {problem && (
          <Typography color="error" role="alert" sx={{ mb: 1 }}>
            {unworkable(problem)} What stands here is the last that could be.
          </Typography>
        )}
        {forecast.activities.length === 0 ? (
          <Typography>
            {job.activities.length === 0
              ? 'The brief names no activity.'
              : `Nothing is done on ${at.host.name}: it only has to work there.`}{' '}
            <Link to={`/jobs/${job.id}/brief${at.search}`}>Describe an activity</Link> to see its forecast.
          </Typography>
        ) : (
          <Table size="small" data-cards>
            <TableHead>
              <TableRow>
                <TableCell>Activity</TableCell>
                <TableCell align="right">Expected</TableCell>
                <TableCell align="right">90 % range</TableCell>
                <TableCell align="right" sx={wide}>
                  Average rate
                </TableCell>
                <TableCell align="right">Target time</TableCell>
                <TableCell align="right">Probability</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {forecast.activities.map((a) => (
                <Row
                  key={a.activity.id}
                  of={a}
                  selected={a === shown}
                  onChoose={forecast.activities.length > 1 ? () => setChosen(a.activity.id) : null}
                />
              ))}
            </TableBody>
          </Table>
        )}
        <WorthFindingOut situation={situation} />
      </Panel>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 2fr) minmax(0, 1fr)' },
          alignItems: 'start',
        }}
      >
        <Stack gap={2}>
          {shown &&
            (hasCourse(shown) ? (
              <CoursePanel key={shown.activity.id} at={at} of={shown} />
            ) : (
              <Parts of={shown} />
            ))}
          {shown && <Compare job={job} at={at} activity={shown.activity} />}
          <LifeLine at={at} forecast={forecast} />
          <Years at={at} />
        </Stack>
        <Stack gap={2}>
          <Freeze job={job} />
          <Tasks at={at} forecast={forecast} />
          {shown && hasCourse(shown) && <Drivers activity={shown.activity} course={shown.course} />}
        </Stack>
      </Box>
    </Stack>
  );
}

function Row({
  of: a,
  selected,
  onChoose,
}: {
  of: ActivitySheet;
  selected: boolean;
  onChoose: (() => void) | null;
}) {
  const { activity, figure, rate, more, probability } = a;
  const said = forecastSaid(a);
  const beside = rate ?? more[0];
  return (
    <TableRow
      hover={onChoose !== null}
      selected={selected}
      onClick={onChoose ?? undefined}
      sx={onChoose ? { cursor: 'pointer' } : {}}
    >
      <TableCell sx={{ fontWeight: 600 }}>
        {onChoose && !selected ? (
          <Box
            component="button"
            type="button"
            sx={{
              all: 'unset',
              cursor: 'pointer',
              '&:focus-visible': { outline: 2, outlineColor: 'primary.main', outlineOffset: 2 },
            }}
          >
            <span data-named>{activity.name}</span>
          </Box>
        ) : (
          <span data-named>{activity.name}</span>
        )}
        <Typography variant="caption" color="textSecondary" sx={{ ml: 1 }}>
          {traitsOf(activity).words.answer}
        </Typography>
        {said.today && (
          <Typography variant="caption" component="div">
            <Told of={said.today} />
          </Typography>
        )}
      </TableCell>
      <TableCell align="right" data-head="Expected">
        <Figure of={figure} said={said.expected} />
      </TableCell>
      <TableCell align="right" data-head="90 % range">
        <Told of={said.range} />
      </TableCell>
      <TableCell align="right" data-head="Average rate" sx={wide}>
        {beside && <Figure of={beside} said={said.beside} />}
      </TableCell>
      <TableCell align="right" data-head="Target time">
        <Told of={targetSaid(activity).target} />
      </TableCell>
      <TableCell
        align="right"
        data-head="Probability"
        sx={{ color: probability !== null && probability < 0.5 ? 'error.main' : undefined, fontWeight: 600 }}
      >
        {probability !== null && (
          <Figure of={() => explainProbability(a.activity, a)!} said={said.probability} />
        )}
      </TableCell>
    </TableRow>
  );
}

/** What is behind the figure of anything but a move. */
function Parts({ of: { activity, figure, more } }: { of: ActivitySheet }) {
  return (
    <Panel title={activity.name}>
      <Cells
        of={[figure, ...more]}
        keyOf={(e) => e.because.name}
        heads={false}
        sx={{ '& tr:last-child td': { borderBottom: 0 } }}
        columns={({ left, right }) => [
          left('', (e) => <span data-named>{e.because.name.replace(/^./, (c) => c.toUpperCase())}</span>, {
            pl: 0,
          }),
          right('', (e) => <Figure of={e} said={moreSaid(activity, e).figure} />),
          right('', (e) => <Told of={moreSaid(activity, e).range} />, { pr: 0 }),
        ]}
      />
    </Panel>
  );
}
