import { Box, Button, Checkbox, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { tickOf, nextStep, PHASES, type ListedStep, type StepPhase } from '@kymar/core/fitting';
import type { Situation } from '@kymar/core/forecast';
import type { Fitting } from '@kymar/core/job';
import { placeId, stepSaid, stepsSaid, workOn, workSaid } from '@kymar/core/statements';
import { shortMoment } from '@kymar/core/units';
import type { Placed } from '../state/placed';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';
import { changeFitting } from './fitting';

const PHASE: Record<StepPhase, string> = {
  before: 'Before anything is opened',
  fitting: 'Fitting',
  'first start': 'Power and first start',
  format: 'Making it ready',
  contents: 'Contents',
  after: 'When it works',
};

/** The steps of setting a device up, each with how, why and its caution; done, or left out with a reason. */
export function Checklist({
  at,
  title,
  steps,
  fitting,
  situation,
}: {
  at: Placed;
  title: string;
  steps: readonly ListedStep[];
  fitting: Fitting | undefined;
  situation: Situation;
}) {
  const { work } = workSaid(placeId(at.place), workOn(situation));
  const done = steps.filter((step) => tickOf(step, fitting).mark).length;
  const next = nextStep(steps, fitting);
  const mark = ({ id, title: said }: ListedStep, skipped?: string) =>
    changeFitting(at, (f) => ({
      ...f,
      steps: [
        ...f.steps.filter((s) => s.id !== id),
        { id, at: new Date().toISOString(), said, ...(skipped === undefined ? {} : { skipped }) },
      ],
    }));
  const unmark = (id: string) =>
    changeFitting(at, (f) => ({ ...f, steps: f.steps.filter((s) => s.id !== id) }));
  return (
    <Panel
      title={`Checklist: ${at.build!.drive.model} on ${at.host.name}`}
      aside={
        <Button size="small" className="no-print" onClick={() => print()}>
          Print
        </Button>
      }
      sx={{ '@media print': { border: 0, p: 0, overflow: 'visible' } }}
    >
      <Typography variant="body2" sx={{ display: 'none', '@media print': { display: 'block', mb: 1 } }}>
        {title}
      </Typography>
      <Typography variant="body2" color="textSecondary" role="status">
        <Told of={stepsSaid(at.place, done, steps.length).done} />{' '}
        {next ? (
          <>
            Next: {next.title}. In all <Told of={work} />.
          </>
        ) : (
          'All through: on to the bench.'
        )}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Local electrical codes, the makers’ instructions and licensed or certified practice come first.
      </Typography>
      {PHASES.map((phase) => {
        const list = steps.filter((s) => s.phase === phase);
        if (list.length === 0) return null;
        return (
          <Box component="section" key={phase} aria-label={PHASE[phase]} sx={{ mt: 1.5 }}>
            <Typography variant="h3" sx={{ mb: 0.5 }}>
              {PHASE[phase]}
            </Typography>
            {list.map((step) => (
              <Row
                key={step.id}
                at={at}
                step={step}
                {...tickOf(step, fitting)}
                isNext={step.id === next?.id}
                onMark={(skipped) => mark(step, skipped)}
                onUnmark={() => unmark(step.id)}
              />
            ))}
          </Box>
        );
      })}
    </Panel>
  );
}

function Row({
  at,
  step,
  mark: marked,
  fell,
  isNext,
  onMark,
  onUnmark,
}: {
  at: Placed;
  step: ListedStep;
  mark: Fitting['steps'][number] | undefined;
  /** What it said when it was ticked, where it says something else now. */
  fell: string | null;
  isNext: boolean;
  onMark(skipped?: string): void;
  onUnmark(): void;
}) {
  const [why, setWhy] = useState<string | null>(null);
  const said = stepSaid(at.place, step);
  const leaveOut = () => {
    if (!why?.trim()) return;
    onMark(why.trim());
    setWhy(null);
  };
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '38px minmax(0, 1fr) auto',
        alignItems: 'start',
        borderTop: 1,
        borderColor: 'divider',
        py: 0.5,
        breakInside: 'avoid',
        ...(isNext ? { boxShadow: 'inset 3px 0 var(--mui-palette-primary-main)' } : {}),
      }}
    >
      <Checkbox
        size="small"
        checked={marked !== undefined}
        onChange={(_, checked) => (checked ? onMark() : onUnmark())}
        slotProps={{ input: { 'aria-label': step.title } }}
      />
      <Box sx={{ pt: 0.75 }}>
        <Typography sx={{ fontWeight: 600, textDecoration: marked?.skipped ? 'line-through' : 'none' }}>
          <Told of={said.title} />
        </Typography>
        <Typography variant="body2" color="textSecondary">
          <Told of={said.how} />
        </Typography>
        {step.caution && (
          <Typography variant="body2" sx={{ color: 'warning.main', fontWeight: 560 }}>
            <Told of={said.caution} />
          </Typography>
        )}
        {fell !== null && (
          <Typography variant="body2" role="status" sx={{ color: 'warning.main', fontWeight: 560 }}>
            Ticked when it said “{fell}”: look at it again.
          </Typography>
        )}
        {marked && (
          <Typography variant="caption" color="textSecondary">
            {marked.skipped ? (
              `Left out: ${marked.skipped}`
            ) : (
              <>
                Done <time>{shortMoment(marked.at)}</time>
              </>
            )}
          </Typography>
        )}
        {why !== null && (
          <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
            <TextField
              autoFocus
              fullWidth
              size="small"
              label="Why is it left out?"
              value={why}
              onChange={(e) => setWhy(e.target.value.slice(0, 400))}
              onKeyDown={(e) => {
                if (e.key === 'Enter') leaveOut();
                if (e.key === 'Escape') setWhy(null);
              }}
            />
            <Button variant="outlined" disabled={why.trim() === ''} onClick={leaveOut}>
              Leave out
            </Button>
          </Box>
        )}
      </Box>
      {!marked && why === null && (
        <Button
          size="small"
          className="no-print"
          aria-label={`Leave out: ${step.title}`}
          onClick={() => setWhy('')}
          sx={{ mt: 0.5, minWidth: 0, color: 'text.secondary' }}
        >
          Leave out …
        </Button>
      )}
    </Box>
  );
}
