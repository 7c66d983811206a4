import { Alert, Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { doubtsOf, lateFor, overfull, setupOf, type FrozenForecast, type Job } from '@kymar/core/job';
import { frozenFigure, frozenSaid } from '@kymar/core/statements';
import { counted, moment } from '@kymar/core/units';
import { newId } from '../state/id';
import { useStages } from '../state/stages';
import { changeJob } from '../state/jobs';
import { useSettings } from '../state/settings';
import { scopeOf, useWrongIn, wrongWords } from '../ui/entries';
import { Figure } from '../ui/figure';
import { Told } from '../ui/told';
import { Panel } from '../ui/panel';
import { frozenOf } from '../workers';

/** Freezing: time stamp, hash, and every earlier one beside it. */
export function Freeze({ job }: { job: Job }) {
  const state = useStages()(job).find((s) => s.stage === 'forecast')!.state;
  const doubts = doubtsOf(job);
  const wrong = useWrongIn(scopeOf(job.id, 'setup'));
  const full = overfull({ forecasts: [...job.forecasts, null] });
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const add = async () => {
    setBusy(true);
    try {
      const frozen = await frozenOf(
        job,
        newId('forecast'),
        new Date().toISOString(),
        useSettings.getState().ownRanges,
      );
      changeJob(job.id, (j) => ({ ...j, forecasts: [...j.forecasts, frozen] }));
      setProblem(null);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
    setBusy(false);
  };
  return (
    <Panel title="Frozen forecasts">
      <Typography variant="body2" sx={{ mb: 1.25 }}>
        {state === 'done'
          ? 'The forecast stands as frozen. Runs are held against it.'
          : state === 'attention'
            ? 'Brief, build or the shop’s own ranges changed since: freeze the new forecast too. The old one stays beside it.'
            : 'Freeze it before you measure: a forecast made afterwards proves nothing.'}
      </Typography>
      <Button
        variant={state === 'done' ? 'outlined' : 'contained'}
        onClick={() => void add()}
        disabled={
          busy || job.activities.length === 0 || state === 'done' || wrong.length > 0 || full !== null
        }
      >
        Freeze this forecast
      </Button>
      {full !== null && (
        <Typography variant="body2" color="error" role="alert" sx={{ mt: 1 }}>
          {full}
        </Typography>
      )}
      {wrong.length > 0 && (
        <Typography variant="body2" color="error" role="alert" sx={{ mt: 1 }}>
          {wrongWords(wrong)} Correct it in the brief or the path first; the forecast goes by what stood there
          before.
        </Typography>
      )}
      {problem && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {problem}
        </Alert>
      )}
      <Box component="ol" sx={{ pl: 2.5, mb: 0 }}>
        {job.forecasts.map((f) => (
          <FrozenRow
            key={f.id}
            frozen={f}
            late={lateFor(job, f)}
            doubt={doubts.find((d) => d.what === 'forecast' && d.id === f.id)?.words ?? null}
          />
        ))}
      </Box>
    </Panel>
  );
}

function FrozenRow({ frozen, late, doubt }: { frozen: FrozenForecast; late: number; doubt: string | null }) {
  return (
    <Box component="li" sx={{ mb: 0.75 }}>
      <Typography variant="body2">
        <time>{moment(frozen.at)}</time>, hash <span data-named>{frozen.hash.slice(0, 10)}</span>
      </Typography>
      {frozen.results.map((r) => {
        const figure = frozenFigure(r);
        const said = frozenSaid(frozen, r);
        return (
          <Typography key={r.activity} variant="caption" color="textSecondary" component="div">
            <span data-named>{setupOf(frozen).activities.find((a) => a.id === r.activity)?.name}</span>:{' '}
            <Figure of={figure} said={said.expected} /> (
            <Told of={said.range} />)
          </Typography>
        );
      })}
      {late > 0 && (
        <Typography variant="caption" component="div" sx={{ color: 'warning.main' }}>
          Late: {counted(late, 'run was', 'runs were')} made before it; for those it proves nothing.
        </Typography>
      )}
      {doubt && (
        <Alert severity="error" variant="outlined" sx={{ mt: 0.5 }}>
          {doubt}
        </Alert>
      )}
    </Box>
  );
}
