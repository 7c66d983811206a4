import { Alert, Box, Button, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { freeze, isLife, isUntouched, type ActivityForecast } from '@kymar/core/forecast';
import { chance } from '@kymar/core/handover';
import type { FrozenForecast, Job } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { newId } from '../jobs/new';
import { forecastOf, stagesOf } from '../state/derived';
import { changeJob } from '../state/jobs';
import { Figure } from '../ui/figure';
import { useJob } from '../ui/job';
import { Panel } from '../ui/panel';

const Chart = lazy(() => import('./chart'));

/** How the work will run, before anything is measured. */
export function Forecast() {
  const { job } = useJob();
  const forecast = forecastOf(job);
  const [chosen, setChosen] = useState<string | null>(null);
  if (!forecast)
    return (
      <Panel title="Nothing to forecast yet" sx={{ maxWidth: 640 }}>
        <Typography sx={{ mb: 2 }}>{job.build ? 'The path is blocked: mend it first.' : 'Choose the parts first: drive, what it sits in, cable and port.'}</Typography>
        <Button component={Link} to={`/jobs/${job.id}/path`} variant="contained">
          Go to the path
        </Button>
      </Panel>
    );
  const shown = forecast.activities.find((a) => a.activity.id === chosen) ?? forecast.activities[0];
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Panel title="How long it will take">
        {forecast.activities.length === 0 ? (
          <Typography>
            The brief names no activity. <Link to={`/jobs/${job.id}/brief`}>Describe one</Link> to see its forecast.
          </Typography>
        ) : (
          <Table size="small">
            <TableHead>
              <TableRow>
                <TableCell>Activity</TableCell>
                <TableCell align="right">Expected</TableCell>
                <TableCell align="right">In nine cases of ten</TableCell>
                <TableCell align="right">Average, MB/s</TableCell>
                <TableCell align="right">Wanted within</TableCell>
                <TableCell align="right">Chance</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {forecast.activities.map((a) => (
                <TableRow key={a.activity.id} hover selected={a === shown && forecast.activities.length > 1} onClick={() => setChosen(a.activity.id)} sx={{ cursor: 'pointer' }}>
                  <TableCell sx={{ fontWeight: 600 }}>{a.activity.name}</TableCell>
                  <TableCell align="right">
                    <Figure of={a.time} />
                  </TableCell>
                  <TableCell align="right">
                    {format(a.time.low, 's')} to {format(a.time.high, 's')}
                  </TableCell>
                  <TableCell align="right">
                    <Figure of={a.rate}>{Math.round(a.rate.expected / 1e6).toLocaleString('en-GB')}</Figure>
                  </TableCell>
                  <TableCell align="right">{a.activity.wish === null ? 'no wish' : format(a.activity.wish, 's')}</TableCell>
                  <TableCell align="right" sx={{ color: a.probability !== null && a.probability < 0.5 ? 'error.main' : undefined, fontWeight: 600 }}>
                    {a.probability === null ? '' : chance(a.probability)}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        )}
      </Panel>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 2fr) minmax(0, 1fr)' }, alignItems: 'start' }}>
        {shown && <Course key={shown.activity.id} forecast={shown} />}
        <Box sx={{ display: 'grid', gap: 2 }}>
          <Freeze job={job} />
          <LifeLine job={job} />
        </Box>
      </Box>
    </Box>
  );
}

function Course({ forecast }: { forecast: ActivityForecast }) {
  const [asTable, setAsTable] = useState(false);
  const { activity, phases } = forecast;
  return (
    <Panel
      title={`Speed over the copy: ${activity.name}`}
      aside={
        <Button size="small" onClick={() => setAsTable(!asTable)}>
          {asTable ? 'Show the chart' : 'Show as a table'}
        </Button>
      }
    >
      {asTable ? (
        <CourseTable forecast={forecast} />
      ) : (
        <Box sx={{ height: 236 }}>
          <Suspense fallback={null}>
            <Chart forecast={forecast} />
          </Suspense>
        </Box>
      )}
      <Typography variant="body2" sx={{ mt: 1 }}>
        {phases.map((p, i) => `${i === 0 ? 'First' : 'then'} ${format(p.to.bytes - p.from.bytes, 'B')} at ${format(p.rate, 'B/s')} (${p.name})`).join(', ')}. Line: every input at its middle value, each file’s own cost included; band: 5 to 95 %.
      </Typography>
    </Panel>
  );
}

function CourseTable({ forecast }: { forecast: ActivityForecast }) {
  const points = forecast.profile().filter((_, i) => i % 5 === 0);
  return (
    <Box sx={{ maxHeight: 236, overflow: 'auto' }}>
      <Table size="small" stickyHeader>
        <TableHead>
          <TableRow>
            <TableCell align="right">Moved, GB</TableCell>
            <TableCell align="right">5 %, MB/s</TableCell>
            <TableCell align="right">Middle, MB/s</TableCell>
            <TableCell align="right">95 %, MB/s</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {points.map((p) => (
            <TableRow key={p.bytes}>
              <TableCell align="right">{(p.bytes / 1e9).toFixed(1)}</TableCell>
              {[p.low, p.expected, p.high].map((rate, i) => (
                <TableCell key={i} align="right">
                  {Math.round(rate / 1e6)}
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function Freeze({ job }: { job: Job }) {
  const state = stagesOf(job).find((s) => s.stage === 'forecast')!.state;
  const add = () => changeJob(job.id, (j) => ({ ...j, forecasts: [...j.forecasts, freeze(j, newId('forecast'), new Date().toISOString())] }));
  return (
    <Panel title="Frozen forecasts">
      <Typography variant="body2" sx={{ mb: 1.25 }}>
        {state === 'done' ? 'The forecast stands as frozen. Runs are held against it.' : state === 'attention' ? 'Brief or build changed since: freeze the new forecast too. The old one stays beside it.' : 'Freeze it before you measure: a forecast made afterwards proves nothing.'}
      </Typography>
      <Button variant={state === 'done' ? 'outlined' : 'contained'} onClick={add} disabled={job.activities.length === 0 || state === 'done'}>
        Freeze this forecast
      </Button>
      <Box component="ol" sx={{ pl: 2.5, mb: 0 }}>
        {job.forecasts.map((f) => (
          <FrozenRow key={f.id} frozen={f} />
        ))}
      </Box>
    </Panel>
  );
}

function FrozenRow({ frozen }: { frozen: FrozenForecast }) {
  return (
    <Box component="li" sx={{ mb: 0.75 }}>
      <Typography variant="body2">
        {new Date(frozen.at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}, hash {frozen.hash.slice(0, 10)}
      </Typography>
      {frozen.results.map((r) => (
        <Typography key={r.activity} variant="caption" color="textSecondary" component="div">
          {frozen.activities.find((a) => a.id === r.activity)?.name}: <Figure of={r.time} /> ({format(r.time.low, 's')} to {format(r.time.high, 's')})
        </Typography>
      ))}
      {!isUntouched(frozen) && (
        <Alert severity="error" variant="outlined" sx={{ mt: 0.5 }}>
          Its content no longer matches its hash: it was changed after freezing.
        </Alert>
      )}
    </Box>
  );
}

function LifeLine({ job }: { job: Job }) {
  const life = forecastOf(job)!.life;
  const wanted = job.serviceYears.value;
  const years = Array.isArray(wanted) ? wanted[1] : wanted;
  if (!isLife(life))
    return (
      <Panel title="How long it lasts">
        <Typography variant="body2">{life.problem}</Typography>
      </Panel>
    );
  return (
    <Panel title="How long it lasts">
      {life.fromNew && life.rate ? (
        <>
          <Typography variant="body2">
            The rated writes last <Figure of={life.fromNew} /> at <Figure of={life.rate} />.
          </Typography>
          {years !== null && (
            <Typography variant="body2" sx={{ fontWeight: 600, color: life.fromNew.low < years ? 'error.main' : 'success.main' }}>
              {life.fromNew.low < years ? `They may run out within the ${years} years wanted.` : `The ${years} years wanted are covered.`}
            </Typography>
          )}
        </>
      ) : (
        <Typography variant="body2">No activity writes to it: the rating does not run out.</Typography>
      )}
      <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
        Allowed: <Figure of={life.allowed} />; <Figure of={life.dwpd}>{format(life.dwpd.expected, 'ratio', 2)}</Figure> drive writes a day. {life.notes.join(' ')}
      </Typography>
    </Panel>
  );
}
