import { Box, Button, LinearProgress, Typography } from '@mui/material';
import { LEVELS, type PracticeStep } from '@kymar/core/practice';
import { useAnswer } from '../state/gate';
import { useSettings } from '../state/settings';
import { Panel } from '../ui/panel';
import { practice } from '../workers';
import { AnswerForm } from './answer';
import { DebriefPanel } from './debrief';
import { beginRound, leave, step, usePractice } from './play';
import { Record } from './record';
import { PracticeBench } from './bench';
import { Row } from '../ui/layout';

/** Rigs with a hidden fault or none: looks and tests cost simulated minutes, then the cause is named. */
export function PracticeView() {
  const { going } = usePractice();
  return (
    <Box
      component="main"
      sx={{
        px: { xs: 1.5, sm: 3 },
        py: 3,
        maxWidth: 1280,
        width: '100%',
        mx: 'auto',
        display: 'grid',
        gap: 2,
      }}
    >
      <Row gap={2} align="baseline" wrap>
        <Typography variant="h1">Practice</Typography>
        <Typography color="textSecondary" sx={{ flex: { xs: '1 0 100%', sm: 1 }, order: { xs: 2, sm: 0 } }}>
          A rig that may hide a fault. Look, time, name the cause. No clock but the simulated one.
        </Typography>
        {going && <Button onClick={leave}>Leave this round</Button>}
      </Row>
      {going ? <Going key={`${going.level} ${going.seed}`} {...going} /> : <Start />}
      <Record />
    </Box>
  );
}

function Start() {
  const record = useSettings((s) => s.practice?.record) ?? [];
  return (
    <Panel title="Start a round">
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '1fr 1fr', md: 'repeat(4, minmax(0, 1fr))' },
        }}
      >
        {LEVELS.map(({ id, title }) => {
          const own = record.filter((r) => r.level === id);
          const won = own.filter((r) => r.won).length;
          return (
            <Box
              key={id}
              sx={{
                border: 1,
                borderColor: 'divider',
                borderRadius: 1,
                p: 1.5,
                display: 'grid',
                gap: 1,
                gridTemplateRows: '1fr auto auto',
              }}
            >
              <Typography sx={{ fontWeight: 620 }}>
                {id}. {title}
              </Typography>
              <Typography variant="body2" color="textSecondary">
                {own.length === 0 ? 'Not played yet' : `${won} of ${own.length} named rightly`}
              </Typography>
              <Button
                variant={id === 1 && record.length === 0 ? 'contained' : 'outlined'}
                aria-label={`Start a round of level ${id}`}
                onClick={() => beginRound(id)}
              >
                Start
              </Button>
            </Box>
          );
        })}
      </Box>
    </Panel>
  );
}

function Going({ level, seed, steps, named }: NonNullable<ReturnType<typeof usePractice>['going']>) {
  const { data: rig, problem } = useAnswer(practice.rig(level, seed, steps));
  if (problem) return <Panel title="It cannot be played now">{problem}</Panel>;
  if (!rig) return <LinearProgress aria-label="Setting up the rig" />;
  const done = (next: PracticeStep) => step(next);
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        alignItems: 'start',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(0, 2fr)' },
      }}
    >
      <PracticeBench rig={rig} level={level} onStep={named ? null : done} />
      {named ? (
        <DebriefPanel level={level} seed={seed} steps={steps} named={named} rig={rig} />
      ) : (
        <AnswerForm rig={rig} level={level} seed={seed} steps={steps} />
      )}
    </Box>
  );
}
