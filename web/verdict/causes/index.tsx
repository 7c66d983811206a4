import { Box, Button, LinearProgress, Typography } from '@mui/material';
import { Suspense } from 'react';
import type { Diagnosis, ToldCause } from '@kymar/core/diagnosis';
import { putRight, type Job, type PutRight } from '@kymar/core/job';
import {
  fixedSaid,
  gainSaid,
  groupsSaid,
  isCalm,
  payingFor,
  payingSaid,
  settledSaid,
  type SaidGroup,
} from '@kymar/core/statements';
import type { Verdict } from '@kymar/core/verdict';
import { changeJob } from '../../state/jobs';
import { byWhom } from '../../state/settings';
import { useVerdict } from '../../state/verdict';
import { fileName, saveFile } from '../../ui/files';
import { patientLazy } from '../../ui/lazy';
import { Notice } from '../../ui/notice';
import { More } from '../../ui/fold';
import { Panel } from '../../ui/panel';
import { Told } from '../../ui/told';
import { AgainstTable } from './against';
import { Looked, Next } from './next';
import { usePrice } from './price';
import { Priors } from './priors';
import { useDiagnosis } from './use';

const CourseChart = patientLazy(() => import('./coursechart'));

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
  const [first, ...others] = groupsSaid(found);
  const isHealthy = isCalm(found);
  const { sentence } = gainSaid(found);
  const { settled } = settledSaid(found);
  const { aside } = fixedSaid(job, found);
  return (
    <Panel title={isHealthy ? 'How sure that is' : 'Likely causes'} aria-busy={isBusy}>
      {/* Its place is kept; the bar itself is not there at rest, for one that is hidden is still animated. */}
      <Box sx={{ height: 2, mt: -0.75, mb: 0.75 }}>
        {isBusy && (
          <LinearProgress aria-label="Holding causes against what was measured" sx={{ height: 2 }} />
        )}
      </Box>
      {first && <GroupOf job={job} group={first} />}
      {settled && (
        <Typography variant="body2" sx={{ mb: 1.5 }}>
          <Told of={settled} />
        </Typography>
      )}
      {!isHealthy && aside && (
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.75 }}>
          <Told of={aside} />
        </Typography>
      )}
      {!isHealthy && <Gain job={job} found={found} />}
      {!isHealthy && <WhoPays job={job} found={found} />}
      <Next job={job} found={found} />
      <Looked job={job} found={found} />
      {others.length > 0 && (
        <Box sx={{ mt: 2, pt: 1, borderTop: 1, borderColor: 'divider' }}>
          <More name="verdict.others" title="What else it could be">
            {others.map((group) => (
              <GroupOf key={group.id} job={job} group={group} />
            ))}
          </More>
        </Box>
      )}
      <Box sx={{ mt: 2, pt: 1, borderTop: 1, borderColor: 'divider' }}>
        <More name="verdict.against" title="What speaks for and against">
          {found.shown.course.length > 0 && !isHealthy && (
            <Suspense fallback={<Box sx={{ height: 240, mb: 1.5 }} />}>
              <CourseChart found={found} />
            </Suspense>
          )}
          <AgainstTable found={found} />
        </More>
      </Box>
      {sentence && !isHealthy && (
        <Box sx={{ mt: 1.5 }}>
          <Typography variant="body2">
            For the customer: “<Told of={sentence} />”
          </Typography>
          <Button size="small" onClick={() => onWords(sentence.words)} sx={{ px: 0 }}>
            Put it into the decision
          </Button>
        </Box>
      )}
      <Priors />
    </Panel>
  );
}

/** The cause as it is kept once it is put right. */
const madeRight = ({ id, title, fix, probability }: ToldCause): PutRight => ({
  cause: id,
  title,
  fix: fix ?? title,
  probability,
  at: new Date().toISOString(),
  ...byWhom(),
});

function GroupOf({ job, group: { causes, together, untested, then } }: { job: Job; group: SaidGroup }) {
  return (
    <Box sx={{ mb: 1.5 }}>
      {together && (
        <Typography variant="body2" color="textSecondary">
          <Told of={together} />
        </Typography>
      )}
      {causes.map((cause) => (
        <Box key={cause.id} sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', mt: 0.25 }}>
          <Typography variant="body2" sx={{ flex: 1 }} data-named>
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
            <Told of={cause.share} />
          </Typography>
        </Box>
      ))}
      {then && (
        <Typography variant="body2">
          <Told of={then} />
        </Typography>
      )}
      {untested && (
        <Typography variant="caption" color="textSecondary" component="p">
          <Told of={untested} />
        </Typography>
      )}
    </Box>
  );
}

/** Who pays for the part at fault; the letter with which it goes back is written out of the evidence. */
function WhoPays({ job, found }: { job: Job; found: Diagnosis }) {
  const judged = useVerdict(job);
  const [first] = groupsSaid(found)[0]?.causes ?? [];
  if (!first) return null;
  const on = new Date().toISOString().slice(0, 10);
  const paying = payingFor(job, first, found.worst, on);
  const { pays } = payingSaid(job, paying);
  if (!pays) return null;
  const goesBack = paying.payer === 'seller' || paying.payer === 'maker';
  const write = async (of: Verdict) => {
    const { returnLetter, toHtml } = await import('@kymar/core/handover');
    const page = toHtml(returnLetter(job, of, found, paying, on), 'customer');
    saveFile(fileName(`Return ${job.title}`, 'html'), page, 'text/html');
  };
  return (
    <Typography variant="body2" sx={{ mb: 1.5 }}>
      <Told of={pays} />{' '}
      {goesBack && judged && (
        <Button size="small" onClick={() => void write(judged)} sx={{ py: 0 }}>
          Write the return letter
        </Button>
      )}
    </Typography>
  );
}

/** What putting it right brings, and what it costs. */
function Gain({ job, found }: { job: Job; found: Diagnosis }) {
  const { gain } = gainSaid(found);
  const [first] = groupsSaid(found)[0]?.causes ?? [];
  const price = usePrice(job, first?.takes ?? null);
  if (!gain) return null;
  return (
    <Typography variant="body2" sx={{ mb: 1.5 }}>
      <Told of={gain} /> <span data-typed>{price}</span>
    </Typography>
  );
}
