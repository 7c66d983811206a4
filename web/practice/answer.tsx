import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { Rig, Step } from '@kymar/core/practice';
import { answerTo } from '../state/gate';
import { Panel } from '../ui/panel';
import { practice } from '../workers';
import { name } from './play';

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
  steps: readonly Step[];
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
      <Box sx={{ display: 'grid', gap: 1.5 }}>
        <TextField
          select
          label="The cause"
          value={cause}
          onChange={(e) => setCause(e.target.value)}
          helperText={level === 4 ? 'Where there are two, either will do.' : undefined}
        >
          {rig.causes.map(({ id, title }) => (
            <MenuItem key={id} value={id} sx={{ whiteSpace: 'normal' }}>
              {title}
            </MenuItem>
          ))}
        </TextField>
        {!isSound && (
          <TextField
            select
            label="What is done about it"
            value={fix}
            onChange={(e) => setFix(e.target.value)}
          >
            {rig.fixes.map((words) => (
              <MenuItem key={words} value={words} sx={{ whiteSpace: 'normal' }}>
                {words}
              </MenuItem>
            ))}
            <MenuItem value={NOTHING}>Nothing needs to be done</MenuItem>
          </TextField>
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
      </Box>
    </Panel>
  );
}
