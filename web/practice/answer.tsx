import { Button, Typography } from '@mui/material';
import { useState } from 'react';
import type { Rig, PracticeStep } from '@kymar/core/practice';
import { answerTo } from '../state/gate';
import { Panel } from '../ui/panel';
import { practice } from '../workers';
import { name } from './play';
import { Pick } from '../ui/pick';
import { Stack } from '../ui/layout';

const HEALTHY = 'healthy';
const NOTHING = 'nothing';

/** The cause and the way out are named: that ends the round. */
export function AnswerForm({
  rig,
  level,
  seed,
  steps,
}: {
  rig: Rig;
  level: number;
  seed: number;
  steps: readonly PracticeStep[];
}) {
  const [cause, setCause] = useState('');
  const [fix, setFix] = useState('');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const isSound = cause === HEALTHY;
  const answer = async () => {
    const named = { cause, fix: isSound || fix === NOTHING ? null : fix };
    setBusy(true);
    try {
      const { isRight, isRightFix, minutes, best } = await answerTo(
        practice.debrief(level, seed, steps, named),
      );
      name(named, { level, seed, won: isRight && isRightFix, minutes, best });
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  };
  return (
    <Panel title="Name it">
      <Stack>
        <Pick
          label="The cause"
          value={cause}
          options={rig.causes.map(({ id, title }) => [id, title])}
          onValue={setCause}
          helperText={level === 4 ? 'Where there are two, either will do.' : undefined}
        />
        {!isSound && (
          <Pick
            label="What is done about it"
            value={fix}
            options={[...rig.fixes, NOTHING].map((words) => [
              words,
              words === NOTHING ? 'Nothing needs to be done' : words,
            ])}
            onValue={setFix}
          />
        )}
        <Button
          variant="contained"
          disabled={busy || cause === '' || (!isSound && fix === '')}
          onClick={() => void answer()}
        >
          {busy ? 'Looking …' : 'That is it'}
        </Button>
        {problem && (
          <Typography color="error" role="alert">
            {problem}
          </Typography>
        )}
      </Stack>
    </Panel>
  );
}
