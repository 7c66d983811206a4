import { Box, Button, Typography } from '@mui/material';
import { Link, useNavigate } from 'react-router';
import { LOOKS, type Diagnosis } from '@kymar/core/diagnosis';
import type { Job } from '@kymar/core/job';
import { isCalm, lookSaid, lookTitle, seenWords, toldSaid } from '@kymar/core/statements';
import { changeJob } from '../../state/jobs';
import { byWhom } from '../../state/settings';
import { Enter } from './enter';
import { Listing } from './listing';
import { Cells, oneLine } from '../../ui/cells';
import { Row } from '../../ui/layout';
import { Told } from '../../ui/told';

const LINK = 'look at the link';

/** Keeps what was seen at a look; a second one counts beside the first. */
const note = (job: Job, look: string, seen: string): void =>
  changeJob(job.id, (j) => ({
    ...j,
    looks: [...(j.looks ?? []), { look, seen, at: new Date().toISOString(), ...byWhom() }],
  }));

/** The look or test that tells most for its minutes, with what would be seen under each cause. */
export function Next({ job, found }: { job: Job; found: Diagnosis }) {
  const navigate = useNavigate();
  const [next] = found.next;
  const said = lookSaid(found);
  if (!next || !said) return null;
  const { sights: labels } = next;
  const takeUp = () => {
    const at = new Date().toISOString();
    const activity = found.worst;
    changeJob(job.id, (j) => ({
      ...j,
      tests: [...(j.tests ?? []).filter((t) => t.look !== next.id), { look: next.id, activity, at }],
    }));
    void navigate(`/jobs/${job.id}/bench`);
  };
  const isTaken = job.tests?.some((t) => t.look === next.id) ?? false;
  return (
    <Box component="section" aria-label="Next" sx={{ mt: 2, pt: 1.5, borderTop: 1, borderColor: 'divider' }}>
      <Typography variant="h3">
        {isCalm(found) ? 'To be surer' : 'Next'}: {lookTitle(next)}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 0.5 }}>
        <Told of={said.minutes} />
      </Typography>
      <Cells
        of={said.outcomes}
        keyOf={({ result }) => result!.id}
        label="What each result would mean"
        sx={{ mb: 1, '& td': { verticalAlign: 'top' } }}
        columns={({ left }) => [
          left(
            labels.length > 0 ? 'If you see' : 'If it takes',
            ({ result }) => <Told of={result} />,
            oneLine,
          ),
          left('then it is', ({ means }) => <Told of={means} />),
        ]}
      />
      {labels.length > 0 ? (
        <>
          <Row align="center" wrap>
            <Typography variant="body2">Seen:</Typography>
            {labels.map((seen) => (
              <Button
                key={seen}
                size="small"
                variant="outlined"
                onClick={() => note(job, next.id, seen)}
                data-named
              >
                {seenWords(seen)}
              </Button>
            ))}
          </Row>
        </>
      ) : isTaken ? (
        <Button component={Link} to={`/jobs/${job.id}/bench`} variant="outlined" size="small">
          It is in the protocol: go to the bench
        </Button>
      ) : (
        <Button variant="outlined" size="small" onClick={takeUp}>
          Take it up on the bench
        </Button>
      )}
      {found.next.some(({ id }) => id === LINK) && <Listing onLink={(link) => note(job, LINK, link)} />}
      {said.then && (
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1 }}>
          <Told of={said.then} />
        </Typography>
      )}
    </Box>
  );
}

const thingOf = (look: string): string => LOOKS.find(({ id }) => id === look)?.thing ?? look;

/** What was looked at and tested, what each told of what leads now; a look can be taken back. */
export function Looked({ job, found }: { job: Job; found: Diagnosis }) {
  const looks = job.looks ?? [];
  const tests = found.told.filter(({ look }) => !looks.some((l) => l.look === look));
  if (looks.length === 0 && tests.length === 0) return null;
  const remove = (at: string) =>
    changeJob(job.id, (j) => ({ ...j, looks: (j.looks ?? []).filter((l) => l.at !== at) }));
  return (
    <Box component="section" aria-label="Looked at" sx={{ mt: 1.5 }}>
      {looks.map(({ look, seen, at, ...noted }, i) => (
        <Typography key={at} variant="body2" component="div">
          <span data-named>
            {thingOf(look)}: {seenWords(seen)}.
          </span>{' '}
          {!looks.slice(i + 1).some((later) => later.look === look) && (
            <Told of={toldSaid(found, look).told} />
          )}{' '}
          <Button size="small" aria-label={`Take back: ${look}`} onClick={() => remove(at)}>
            Take back
          </Button>
          {found.worst && <Enter job={job} noted={{ look, seen, at, ...noted }} activity={found.worst} />}
        </Typography>
      ))}
      {tests.map(({ look, title: made }) => (
        <Typography key={`${look} ${made}`} variant="body2">
          <span data-named>Tested: {made}.</span> <Told of={toldSaid(found, look).told} />
        </Typography>
      ))}
    </Box>
  );
}
