import { Box, Button, LinearProgress, Typography } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { isLinkId, linkById } from '@kymar/core/catalog/links';
import type { Diagnosis, NextTest } from '@kymar/core/diagnosis';
import type { Job } from '@kymar/core/job';
import { format, formatProbability } from '@kymar/core/units';
import { changeJob } from '../state/jobs';
import { useSettings } from '../state/settings';
import { unbroken } from '../ui/figure';
import { Panel } from '../ui/panel';
import { diagnosisOf } from '../workers';

/** As many groups of causes are told, and causes of a test's outcomes. */
const MOST = 4;
/** A group less probable than this is not told. */
const LEAST = 0.02;

const seenWords = (seen: string): string => (isLinkId(seen) ? linkById(seen).name : seen);

/** What is the cause, as far as the measurements tell; undefined until it is worked out. */
function useDiagnosis(job: Job): Diagnosis | null | undefined {
  const own = useSettings((s) => s.ownRanges);
  const { runs, looks, forecasts, machines, devices, connections, activities } = job;
  // Words, decisions and notes of a job change nothing of its causes.
  const key = useMemo(
    () => ({ runs, looks, forecasts, machines, devices, connections, activities, own }),
    [runs, looks, forecasts, machines, devices, connections, activities, own],
  );
  const [found, setFound] = useState<{ key: object; diagnosis: Diagnosis | null }>();
  useEffect(() => {
    let current = true;
    diagnosisOf(job, own).then(
      (diagnosis) => current && setFound({ key, diagnosis }),
      () => undefined,
    );
    return () => {
      current = false;
    };
    // The key says all of the job that counts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return found?.key === key ? found.diagnosis : undefined;
}

/** The likeliest causes of what was measured, what to do about them, and the one look or test that tells most for its minutes. */
export function Causes({ job }: { job: Job }) {
  const found = useDiagnosis(job);
  if (found === null) return null;
  return (
    <Panel title="Likely causes" aria-busy={found === undefined}>
      {found === undefined ? (
        <LinearProgress aria-label="Holding causes against what was measured" />
      ) : (
        <>
          {found.groups
            .filter(({ probability }, i) => i === 0 || (probability >= LEAST && i < MOST))
            .map(({ ids, probability }) => {
              const causes = ids
                .map((id) => found.causes.find((c) => c.id === id))
                .filter((c) => c !== undefined);
              const shown = causes.filter((c, i) => i === 0 || c.probability >= LEAST);
              return (
                <Box key={ids.join()} sx={{ mb: 1.5 }}>
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
                      <Typography
                        variant="body2"
                        sx={{ fontWeight: 620, fontVariantNumeric: 'tabular-nums' }}
                      >
                        {formatProbability(cause.probability)}
                      </Typography>
                    </Box>
                  ))}
                </Box>
              );
            })}
          <Next job={job} found={found} />
          <Looked job={job} />
          <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1 }}>
            Each cause is a change of the job, forecast again and held against all that was measured (
            {found.by.length}
            ), times how often it is the cause (from memory).
          </Typography>
        </>
      )}
    </Panel>
  );
}

/** The look or test that tells most for its minutes, with what would be seen under each cause. */
function Next({ job, found }: { job: Job; found: Diagnosis }) {
  const [next, ...others] = found.next;
  if (!next) return null;
  const title = (id: string) => found.causes.find((c) => c.id === id)?.title ?? id;
  const labels = [...new Set(next.outcomes.flatMap(({ seen }) => seen ?? []))];
  const note = (seen: string) =>
    changeJob(job.id, (j) => ({
      ...j,
      looks: [...(j.looks ?? []), { look: next.id, seen, at: new Date().toISOString() }],
    }));
  return (
    <Box component="section" aria-label="Next" sx={{ mt: 2, pt: 1.5, borderTop: 1, borderColor: 'divider' }}>
      <Typography variant="h3">Next: {next.title}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 0.5 }}>
        {minutesOf(next)}
      </Typography>
      <Box component="ul" sx={{ m: 0, mb: 1, pl: 2.25, typography: 'body2' }}>
        {next.outcomes.slice(0, MOST).map(({ id, seconds, seen }) => (
          <li key={id}>
            {title(id)}:{' '}
            {unbroken(
              seconds
                ? `${format(seconds.expected, 's')} (${format(seconds.low, 's')} to ${format(seconds.high, 's')})`
                : seenWords(seen!),
            )}
          </li>
        ))}
      </Box>
      {labels.length > 0 ? (
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
          <Typography variant="body2">Seen:</Typography>
          {labels.map((seen) => (
            <Button key={seen} size="small" variant="outlined" onClick={() => note(seen)}>
              {seenWords(seen)}
            </Button>
          ))}
        </Box>
      ) : (
        <Button component={Link} to={`/jobs/${job.id}/bench`} variant="outlined" size="small">
          Go to the bench
        </Button>
      )}
      {others.length > 0 && (
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1 }}>
          Then:{' '}
          {others
            .slice(0, 2)
            .map((o) => `${o.title.toLowerCase()} (${minutesOf(o)})`)
            .join('; ')}
          .
        </Typography>
      )}
    </Box>
  );
}

const minutesOf = ({ minutes }: NextTest): string =>
  minutes < 1.5 ? 'a minute' : unbroken(`about ${format(minutes * 60, 's', 2)}`);

/** What was looked at already; each can be taken back. */
function Looked({ job }: { job: Job }) {
  const looks = job.looks ?? [];
  if (looks.length === 0) return null;
  const remove = (at: string) =>
    changeJob(job.id, (j) => ({ ...j, looks: (j.looks ?? []).filter((l) => l.at !== at) }));
  return (
    <Box component="section" aria-label="Looked at" sx={{ mt: 1.5 }}>
      {looks.map(({ look, seen, at }) => (
        <Typography key={at} variant="body2">
          Looked at ({look}): {seenWords(seen)}.{' '}
          <Button size="small" aria-label={`Take back: ${look}`} onClick={() => remove(at)}>
            Take back
          </Button>
        </Typography>
      ))}
    </Box>
  );
}
