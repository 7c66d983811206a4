import { Box, Button, LinearProgress, Typography } from '@mui/material';
import { counted, format } from '@kymar/core/units';
import type { Going } from '../../state/runs';
import { stopRun } from '../../state/server';
import { FlowLine } from '../flowline';
import { WAYS, type WayId } from './ways';
import { Row } from '../../ui/layout';

/** A run that goes on: its rate as it comes, how far it is, how to stop it. */
export function GoingRun({ going, onProblem }: { going: Going; onProblem(words: string): void }) {
  const last = going.samples.at(-1);
  const total = going.total ?? 1;
  return (
    <>
      <FlowLine samples={going.samples} total={total} />
      <LinearProgress
        variant="determinate"
        value={last ? Math.min(100, (100 * last.bytes) / total) : 0}
        aria-label="Progress of the run"
      />
      <Row gap={2} align="center">
        <Typography role="status" sx={{ flex: 1 }}>
          {going.direction === 'write' ? 'Writing' : 'Reading'} in {going.run.folder}:{' '}
          {format(last?.bytes ?? 0, 'B')} of {format(total, 'B')}
          {last && last.t > 0.3 ? `, ${format(last.bytes / last.t, 'B/s')}` : ''}
        </Typography>
        <Button
          variant="outlined"
          color="error"
          onClick={() => void stopRun(going.run.id).catch((e: Error) => onProblem(e.message))}
        >
          Stop and clean up
        </Button>
      </Row>
    </>
  );
}

const wayOf = ({ run: { request } }: Going): string => {
  const id = request.kind === 'sequential' ? request.mode : request.kind;
  return id in WAYS ? WAYS[id as WayId].label : id;
};

/** Runs whose turn has not come. */
export function Queue({ list, onProblem }: { list: readonly Going[]; onProblem(words: string): void }) {
  if (list.length === 0) return null;
  return (
    <Box component="section" aria-label="In the queue">
      <Typography variant="h3">In the queue</Typography>
      {[...list]
        .sort((a, b) => (a.waiting ?? 0) - (b.waiting ?? 0))
        .map((going) => (
          <Row key={going.run.id} align="center">
            <Typography variant="body2" sx={{ flex: 1 }}>
              {wayOf(going)} in {going.run.folder}
              {going.waiting ? `, after ${counted(going.waiting, 'run')}` : ''}
            </Typography>
            <Button
              size="small"
              onClick={() => void stopRun(going.run.id).catch((e: Error) => onProblem(e.message))}
            >
              Take out
            </Button>
          </Row>
        ))}
    </Box>
  );
}
