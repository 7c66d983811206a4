import { Box, Button, LinearProgress, Typography } from '@mui/material';
import type { Named, Rig, PracticeStep } from '@kymar/core/practice';
import { formatProbability } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { Panel } from '../ui/panel';
import { practice } from '../workers';
import { gave, minutesWords } from './bench';
import { Cells, oneLine } from '../ui/cells';
import { beginRound } from './play';

/** What was hidden, what each test told of it, and the shortest way there. */
export function DebriefPanel({
  level,
  seed,
  steps,
  named,
  rig,
}: {
  level: number;
  seed: number;
  steps: readonly PracticeStep[];
  named: Named;
  rig: Rig;
}) {
  const { data: found, problem } = useAnswer(practice.debrief(level, seed, steps, named));
  if (problem) return <Panel title="It cannot be gone through now">{problem}</Panel>;
  if (!found) return <LinearProgress aria-label="Going through it" />;
  const isWon = found.isRight && found.isRightFix;
  const said = rig.causes.find(({ id }) => id === named.cause)?.title ?? named.cause;
  return (
    <Panel title={isWon ? 'Rightly named' : found.isRight ? 'Right cause, wrong way out' : 'Not that one'}>
      <Typography sx={{ mb: 1 }}>
        {found.truth ? (
          <>
            It was: <b>{found.truth}.</b> {found.fix}
          </>
        ) : (
          'Nothing was wrong: all was as forecast.'
        )}
      </Typography>
      {!found.isRight && (
        <Typography variant="body2" sx={{ mb: 1 }}>
          You said: {said}.
        </Typography>
      )}
      {found.steps.length > 0 ? (
        <Cells
          of={found.steps}
          label="What each step told"
          columns={({ left, right }) => [
            left('What you did', ({ title, minutes }) => (
              <>
                {title}
                <Typography variant="caption" component="div" color="textSecondary">
                  {minutesWords(minutes)}
                </Typography>
              </>
            )),
            right('It gave', gave),
            right(
              'The truth, before and after',
              ({ before, after }) => `${formatProbability(before)} → ${formatProbability(after)}`,
              oneLine,
            ),
          ]}
        />
      ) : (
        <Typography variant="body2">You named it without a look.</Typography>
      )}
      <Typography variant="h3" sx={{ mt: 2 }}>
        The shortest way
      </Typography>
      {found.shortest.length === 0 ? (
        <Typography variant="body2">What was timed beforehand told it.</Typography>
      ) : (
        <Box component="ol" sx={{ m: 0, pl: 2.5, typography: 'body2' }}>
          {found.shortest.map(({ title, minutes }) => (
            <li key={title}>
              {title} ({minutesWords(minutes)})
            </li>
          ))}
        </Box>
      )}
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        {found.minutes === 0 ? 'You spent nothing' : `You spent ${minutesWords(found.minutes)}`}
        {found.best > 0 ? `; this way takes ${minutesWords(found.best)}.` : '.'}
      </Typography>
      <Button variant="contained" onClick={() => beginRound(level)}>
        Another one
      </Button>
    </Panel>
  );
}
