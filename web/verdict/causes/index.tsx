import { Box, Button, LinearProgress, Typography } from '@mui/material';
import { Suspense } from 'react';
import type { Diagnosis, ToldCause } from '@kymar/core/diagnosis';
import { putRight, runsBefore, type Job, type PutRight } from '@kymar/core/job';
import { counted, format, formatProbability } from '@kymar/core/units';
import { changeJob } from '../../state/jobs';
import { byWhom } from '../../state/settings';
import { unbroken } from '../../ui/figure';
import { patientLazy } from '../../ui/lazy';
import { Notice } from '../../ui/notice';
import { Panel } from '../../ui/panel';
import { AgainstTable } from './against';
import { Looked, Next } from './next';
import { usePrice } from './price';
import { Priors } from './priors';
import { useDiagnosis } from './use';

const CourseChart = patientLazy(() => import('./coursechart'));

/** As many groups of causes are told. */
const MOST = 4;
/** A group less probable than this is not told. */
const LEAST = 0.02;
/** What is lost is worth a sentence from this share on. */
const WORTH = 0.05;

/**
 * The likeliest causes of what was measured, what speaks for and against each, what to do about it, and the one look or test that tells most for its
 * minutes; where all is as forecast, how sure that is.
 */
export function Causes({ job, onWords }: { job: Job; onWords(words: string): void }) {
  const { found, isBusy, problem, again } = useDiagnosis(job);
  if (problem !== null)
    return (
      <Panel title="Likely causes">
        <Notice action={<Button onClick={again}>Try again</Button>}>{problem}</Notice>
      </Panel>
    );
  if (found === null) return null;
  if (found === undefined)
    return (
      <Panel title="Likely causes" aria-busy>
        <LinearProgress aria-label="Holding causes against what was measured" />
      </Panel>
    );
  const [top] = found.groups;
  const isHealthy = top?.ids[0] === 'healthy';
  const groups = found.groups.filter(({ probability }, i) => i === 0 || (probability >= LEAST && i < MOST));
  const words = sentenceOf(found);
  return (
    <Panel title={isHealthy ? 'How sure that is' : 'Likely causes'} aria-busy={isBusy}>
      {/* Its place is kept; the bar itself is not there at rest, for one that is hidden is still animated. */}
      <Box sx={{ height: 2, mt: -0.75, mb: 0.75 }}>
        {isBusy && (
          <LinearProgress aria-label="Holding causes against what was measured" sx={{ height: 2 }} />
        )}
      </Box>
      {groups.map(({ ids, probability }) => (
        <GroupOf key={ids.join()} job={job} found={found} ids={ids} probability={probability} />
      ))}
      {!isHealthy && (
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.75 }}>
          “It was this” sets aside {counted(runsBefore(job).length, 'run')} made so far and asks for new ones.
          It can be taken back at any time.
        </Typography>
      )}
      {!isHealthy && <Gain job={job} found={found} />}
      <Next job={job} found={found} />
      <Looked job={job} found={found} />
      <Typography variant="h3" sx={{ mt: 2, pt: 1.5, mb: 1, borderTop: 1, borderColor: 'divider' }}>
        What speaks for and against
      </Typography>
      {found.shown.course.length > 0 && !isHealthy && (
        <Suspense fallback={<Box sx={{ height: 240, mb: 1.5 }} />}>
          <CourseChart found={found} />
        </Suspense>
      )}
      <AgainstTable found={found} />
      {words && !isHealthy && (
        <Box sx={{ mt: 1.5 }}>
          <Typography variant="body2">For the customer: “{unbroken(words)}”</Typography>
          <Button size="small" onClick={() => onWords(words)} sx={{ px: 0 }}>
            Put it into the decision
          </Button>
        </Box>
      )}
      <Priors />
    </Panel>
  );
}

const toldOf = (found: Diagnosis, ids: readonly string[]): ToldCause[] =>
  ids.map((id) => found.causes.find((c) => c.id === id)).filter((c) => c !== undefined);

/** The cause as it is kept once it is put right. */
const madeRight = ({ id, title, fix, probability }: ToldCause): PutRight => ({
  cause: id,
  title,
  fix: fix ?? title,
  probability,
  at: new Date().toISOString(),
  ...byWhom(),
});

function GroupOf({
  job,
  found,
  ids,
  probability,
}: {
  job: Job;
  found: Diagnosis;
  ids: readonly string[];
  probability: number;
}) {
  const causes = toldOf(found, ids);
  const isHealthy = ids[0] === 'healthy';
  const shown = isHealthy
    ? causes.slice(0, 1)
    : causes.filter((c, i) => i === 0 || c.probability >= LEAST || c.probability >= probability / 4);
  const hidden = isHealthy ? causes.slice(1) : [];
  return (
    <Box sx={{ mb: 1.5 }}>
      {shown.length > 1 && (
        <Typography variant="body2" color="textSecondary">
          {unbroken(
            `One of these, ${formatProbability(probability)} together: what was measured cannot tell them apart.`,
          )}
        </Typography>
      )}
      {shown.map((cause) => (
        <Box key={cause.id} sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', mt: 0.25 }}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            <Box component="span" sx={{ fontWeight: 620 }}>
              {cause.title}.
            </Box>{' '}
            {cause.fix}
          </Typography>
          {cause.fix && (
            <Button
              size="small"
              aria-label={`It was this, and is put right: ${cause.title}`}
              onClick={() => changeJob(job.id, (j) => putRight(j, madeRight(cause)))}
              sx={{ py: 0, minWidth: 0, whiteSpace: 'nowrap' }}
            >
              It was this
            </Button>
          )}
          <Typography variant="body2" sx={{ fontWeight: 620, fontVariantNumeric: 'tabular-nums' }}>
            {formatProbability(shown.length === 1 ? probability : cause.probability)}
          </Typography>
        </Box>
      ))}
      {hidden.length > 0 && (
        <Typography variant="caption" color="textSecondary" component="p">
          Not tested by these runs:{' '}
          {hidden
            .slice(0, 4)
            .map(({ title }) => title.charAt(0).toLowerCase() + title.slice(1))
            .join('; ')}
          .
        </Typography>
      )}
    </Box>
  );
}

/** What putting it right brings, and what it costs. */
function Gain({ job, found }: { job: Job; found: Diagnosis }) {
  const { gain, groups } = found;
  const [first] = toldOf(found, groups[0]?.ids ?? []);
  const price = usePrice(job, first?.takes ?? null);
  if (!gain || !first?.fix || gain.took < gain.healthy * (1 + WORTH)) return null;
  return (
    <Typography variant="body2" sx={{ mb: 1.5 }}>
      {unbroken(
        `Once fixed, ${gain.title} should take about ${format(gain.healthy, 's', 2)} instead of ${format(gain.took, 's', 2)}.`,
      )}{' '}
      {price}
    </Typography>
  );
}

/** What happened and what is done about it, in a sentence that a customer understands. */
function sentenceOf(found: Diagnosis): string | null {
  const { gain, groups } = found;
  const [first] = toldOf(found, groups[0]?.ids ?? []);
  if (!gain || !first?.fix || gain.took < gain.healthy * (1 + WORTH)) return null;
  const cause = first.title.charAt(0).toLowerCase() + first.title.slice(1);
  const sure = groups[0]!.probability > 0.9 ? 'The cause' : 'The likeliest cause';
  return `${gain.title} took ${format(gain.took, 's', 2)}; about ${format(gain.healthy, 's', 2)} is what it should take. ${sure}: ${cause}. ${first.fix}`;
}
