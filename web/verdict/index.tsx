import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { Suspense, useState } from 'react';
import { Link } from 'react-router';
import { explainMeasured } from '@kymar/core/measure';
import { isAsked, isLoad, type Decision, type Job } from '@kymar/core/job';
import type { Claim, Verdict } from '@kymar/core/verdict';
import {
  judgedSaid,
  measuredSaid,
  refusedSaid,
  targetSaid,
  verdictSaid,
  type Statement,
} from '@kymar/core/statements';
import { counted } from '@kymar/core/units';
import { whereWords } from '../state/placed';
import { idle } from '../state/idle';
import { useVerdict } from '../state/verdict';
import { changeJob } from '../state/jobs';
import { byWhom } from '../state/settings';
import { OpeningView, Waiting } from '../ui/waiting';
import { useJob } from '../ui/job';
import { patientLazy } from '../ui/lazy';
import { Notice } from '../ui/notice';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';
import { Band } from './band';
import { Stack } from '../ui/layout';

/** Only where a load was timed at more than one place. */
const FeltPanel = patientLazy(async () => ({ default: (await import('./felt')).FeltPanel }));

/** Only where something was put right. */
const PutRightPanel = patientLazy(async () => ({ default: (await import('./causes/right')).PutRightPanel }));

/** Comes after the claims, and with nothing to do: they are read first. */
const Causes = patientLazy(async () => {
  await idle();
  return { default: (await import('./causes')).Causes };
});

const TONE: Record<string, 'success' | 'error' | 'warning' | 'default'> = {
  yes: 'success',
  'as forecast': 'success',
  better: 'success',
  no: 'error',
  short: 'error',
  impossible: 'error',
  'not proven': 'warning',
  questioned: 'warning',
  'no forecast': 'default',
};
const HEAD = {
  meets: 'It meets the targets',
  'falls short': 'It falls short',
  'not proven': 'Not proven yet',
} as const;

/** Claim by claim: was the forecast right, and is the target met? Then the decision. */
export function VerdictView() {
  const { job } = useJob();
  const found = useVerdict(job);
  const [draft, setDraft] = useState<{ job: string; words: string } | null>(null);
  const setWords = (words: string) => setDraft({ job: job.id, words });
  if (!found) return <Waiting>Holding the runs against the forecast …</Waiting>;
  if (found.claims.length === 0)
    return (
      <Panel title="Nothing to judge yet" sx={{ maxWidth: 640 }}>
        <Typography sx={{ mb: 2 }}>
          A verdict needs at least one finished run. Three of each activity make it firm.
        </Typography>
        <Button component={Link} to={`/jobs/${job.id}/bench`} variant="contained">
          Go to the bench
        </Button>
      </Panel>
    );
  const isSomeOdd = found.claims.some(isOdd);
  const causes = (
    <Suspense fallback={<OpeningView />}>
      <Causes job={job} onWords={setWords} />
    </Suspense>
  );
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 2fr) minmax(0, 1fr)' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ display: 'grid', gap: 2, order: { xs: 2, md: 1 } }}>
        {job.found?.length ? (
          <Suspense fallback={<OpeningView />}>
            <PutRightPanel job={job} />
          </Suspense>
        ) : null}
        {isSomeOdd && causes}
        {found.claims.map((claim) => (
          <ClaimPanel key={claim.key} job={job} claim={claim} />
        ))}
        {!isSomeOdd && causes}
        {job.activities.some(isLoad) && (
          <Suspense fallback={<OpeningView />}>
            <FeltPanel job={job} claims={found.claims} />
          </Suspense>
        )}
        <Unmeasured job={job} claims={found.claims} />
      </Box>
      <DecisionPanel
        key={`${job.id} ${job.decision?.at}`}
        job={job}
        found={found}
        words={draft?.job === job.id ? draft.words : (job.decision?.words ?? '')}
        onWords={setWords}
      />
    </Box>
  );
}

/** Activities with a target that nothing was measured of: open, not met. */
function Unmeasured({ job, claims }: { job: Job; claims: readonly Claim[] }) {
  const open = job.activities.filter(
    (a) => isAsked(a) && a.target !== null && !claims.some((c) => c.activity?.id === a.id && !c.simulated),
  );
  if (open.length === 0) return null;
  return (
    <Panel title="Not measured yet">
      {open.map((a) => (
        <Typography key={a.id}>
          <span data-named>{a.name}</span>: target <Told of={targetSaid(a).target} />, open.
        </Typography>
      ))}
      <Button component={Link} to={`/jobs/${job.id}/bench`} size="small" sx={{ mt: 0.5, px: 0 }}>
        Go to the bench
      </Button>
    </Panel>
  );
}

/** Whether it came out other than forecast, or missed its target: then a cause is looked for. */
const isOdd = ({ right, target }: Claim): boolean =>
  ['short', 'better', 'questioned', 'impossible'].includes(right.answer) || target?.answer === 'no';

function ClaimPanel({ job, claim }: { job: Job; claim: Claim }) {
  const { measured, forecast, right, target, impossible, activity } = claim;
  const said = judgedSaid(claim);
  const inTime = measured?.time && forecast?.time;
  const run = measured?.runs[0] ?? impossible[0]?.run;
  return (
    <Panel
      title={claim.title}
      aside={
        <Typography variant="body2" color="textSecondary">
          {claim.simulated && 'Simulated, '}
          {measured ? <Told of={measuredSaid(claim).runs} /> : 'no usable run'}
          {run && whereWords(job, run) && (
            <>
              , <span data-named>{whereWords(job, run)}</span>
            </>
          )}
        </Typography>
      }
    >
      {measured &&
        (inTime ? (
          <Band
            claim={claim}
            unit="s"
            forecast={forecast.time}
            measured={measured.time!}
            target={activity?.target ?? null}
          />
        ) : (
          <Band
            claim={claim}
            unit={measured.rate ? 'B/s' : 's'}
            forecast={(measured.rate ? forecast?.rate : forecast?.time) ?? null}
            measured={(measured.rate ?? measured.time)!}
            target={null}
          />
        ))}
      <Box
        sx={{
          display: 'grid',
          gap: 1,
          gridTemplateColumns: target ? { xs: 'minmax(0, 1fr)', sm: '1fr 1fr' } : '1fr',
        }}
      >
        <Answer
          question="Was the forecast right?"
          answer={said.right}
          tone={claim.simulated ? 'default' : TONE[right.answer]!}
          words={said.why}
        />
        {target && (
          <Answer
            question="Is the target met?"
            answer={said.target}
            tone={TONE[target.answer]!}
            words={said.because}
          />
        )}
      </Box>
      {(said.today || said.processing) && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          <Told of={said.today} /> <Told of={said.processing} />
        </Typography>
      )}
      {measured && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          <Told
            of={measuredSaid(claim).against}
            figures={[
              {
                words: measuredSaid(claim).middle!.words,
                of: explainMeasured(measured, measured.time ? 's' : 'B/s'),
              },
              inTime ? forecast.time : forecast?.rate,
            ]}
          />
        </Typography>
      )}
      {claim.doubts.map((words) => (
        <Notice key={words} severity="error" sx={{ mt: 1 }}>
          {words}
        </Notice>
      ))}
      {impossible.map(({ run, words }) => (
        <Typography key={run.id} variant="body2" color="error" sx={{ mt: 1 }}>
          <time>{run.at.slice(0, 16).replace('T', ' ')} UTC</time>:{' '}
          <Told of={refusedSaid(run, words).refused} />
        </Typography>
      ))}
    </Panel>
  );
}

function Answer({
  question,
  answer,
  tone,
  words,
}: {
  question: string;
  answer: Statement | undefined;
  tone: 'success' | 'error' | 'warning' | 'default';
  words: Statement | undefined;
}) {
  return (
    <div>
      <Typography variant="h3" component="p">
        {question}{' '}
        <Box
          component="span"
          sx={{
            display: 'inline-block',
            fontSize: '0.8125rem',
            fontWeight: 650,
            lineHeight: '22px',
            px: 1,
            ml: 0.5,
            border: 1,
            borderRadius: 0.75,
            color: tone === 'default' ? 'text.primary' : `${tone}.main`,
          }}
        >
          <Told of={answer} />
        </Box>
      </Typography>
      <Typography variant="body2">
        <Told of={words} />
      </Typography>
    </div>
  );
}

const DECISIONS: Record<Decision['kind'], string> = {
  accept: 'Accept it',
  change: 'Change the build',
  retest: 'Measure again',
  return: 'Send it back',
};

function DecisionPanel({
  job,
  found,
  words,
  onWords,
}: {
  job: Job;
  found: Verdict;
  words: string;
  onWords(words: string): void;
}) {
  const suggested = { meets: 'accept', 'falls short': 'change', 'not proven': 'retest' } as const;
  const [kind, setKind] = useState<Decision['kind']>(job.decision?.kind ?? suggested[found.answer]);
  const said = verdictSaid(found);
  const { decision: had } = job;
  const newer = had ? job.runs.filter((r) => r.at > had.at && r.source !== 'simulated').length : 0;
  const decide = (decision: Decision | null) => changeJob(job.id, (j) => ({ ...j, decision }));
  return (
    <Panel title={HEAD[found.answer]} sx={{ order: { xs: 1, md: 2 } }}>
      {said.margin && (
        <Typography sx={{ mb: 0.75, fontWeight: 600 }}>
          <Told of={said.margin} />
        </Typography>
      )}
      <Typography sx={{ mb: 2 }}>
        <Told of={said.words} /> <Told of={said.advice} />
      </Typography>
      {found.doubts.length > 0 && (
        <Notice severity="error" sx={{ mb: 2 }}>
          Not all evidence is as it was kept: {found.doubts.join(' ')} The chain shows a change; who made it,
          it cannot tell.
        </Notice>
      )}
      {newer > 0 && (
        <Notice severity="warning" sx={{ mb: 1.5 }}>
          {counted(newer, 'run was', 'runs were')} taken since it was decided: look whether it still holds.
        </Notice>
      )}
      {job.decision && (
        <Typography variant="body2" sx={{ mb: 1.5, fontWeight: 600 }}>
          Decided on <time>{job.decision.at.slice(0, 10)}</time>
          {job.decision.by && ` by ${job.decision.by}`}: {DECISIONS[job.decision.kind].toLowerCase()}.
        </Typography>
      )}
      <Stack>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={kind}
          onChange={(_, value: Decision['kind'] | null) => value && setKind(value)}
          aria-label="Decision"
          sx={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
            '& .MuiToggleButton-root': { border: 1, borderColor: 'divider', borderRadius: 0, m: 0 },
          }}
        >
          {Object.entries(DECISIONS).map(([value, label]) => (
            <ToggleButton key={value} value={value}>
              {label}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Box
          component="textarea"
          rows={4}
          placeholder="In words, for the customer"
          aria-label="In words, for the customer"
          value={words}
          onChange={(e) => onWords(e.target.value.slice(0, 2000))}
          sx={{
            font: 'inherit',
            color: 'text.primary',
            bgcolor: 'transparent',
            border: 1,
            borderColor: 'divider',
            borderRadius: 1,
            px: 1.25,
            py: 0.75,
            resize: 'vertical',
            '&::placeholder': { color: 'text.secondary', opacity: 1 },
            '&:focus-visible': { outline: 2, outlineColor: 'primary.main' },
          }}
        />
        <Button
          variant="contained"
          onClick={() => decide({ kind, words, at: new Date().toISOString(), ...byWhom() })}
        >
          {job.decision ? 'Decide anew' : 'Decide'}
        </Button>
        {job.decision && (
          <>
            <Button component={Link} to={`/jobs/${job.id}/handover`} variant="outlined">
              Hand it over
            </Button>
            <Button onClick={() => decide(null)}>Take the decision back</Button>
          </>
        )}
      </Stack>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 2 }}>
        Violet is measured, the pale band is the forecast’s range, its line the expected value.
      </Typography>
    </Panel>
  );
}
