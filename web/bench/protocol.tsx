import { Box, Button, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { protocolOf, type ProtocolTest } from '@kymar/core/measure';
import { doubtsOf, lateFor, type Job } from '@kymar/core/job';
import { mindSaid, protocolSaid, testSaid } from '@kymar/core/statements';
import { counted } from '@kymar/core/units';
import { placedWhere } from '../state/placed';
import { Notice } from '../ui/notice';
import { Cells, oneLine } from '../ui/cells';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';

/** The tests that prove what was frozen, how far they are, what is still to come, and each taken up with a press. */
export function ProtocolPanel({ job, onTake }: { job: Job; onTake(test: ProtocolTest): void }) {
  const protocol = useMemo(() => protocolOf(job), [job]);
  const { tests } = protocol;
  const [shown, setShown] = useState<string | null>(null);
  if (tests.length === 0) return null;
  const isDone = (test: ProtocolTest) => test.done >= test.wanted;
  const open = tests.filter((test) => !isDone(test));
  const isSeveral = new Set(tests.map((t) => `${t.place.machine} ${t.place.device}`)).size > 1;
  const next = open[0];
  const frozen = job.forecasts.at(-1);
  const late = frozen ? lateFor(job, frozen) : 0;
  const doubts = doubtsOf(job).filter(({ what, id }) => what === 'forecast' && id === frozen?.id);
  return (
    <Panel title="Protocol">
      <Typography variant="body2" color="textSecondary" role="status" sx={{ mb: 1 }}>
        <Told of={protocolSaid(protocol).left} />
        {job.forecasts.length === 0
          ? ' No forecast is frozen: these prove nothing that was said before.'
          : ''}
      </Typography>
      {frozen && late > 0 && (
        <Notice severity="warning" sx={{ mb: 1 }}>
          The forecast was frozen late: {counted(late, 'run was', 'runs were')} made before it. For those it
          proves nothing.
        </Notice>
      )}
      {doubts.map(({ words }) => (
        <Notice key={words} severity="error" sx={{ mb: 1 }}>
          {words}
        </Notice>
      ))}
      <Cells
        of={tests}
        keyOf={({ id }) => id}
        label="Tests of the protocol"
        rowSx={(test) => (isDone(test) ? { '& td': { color: 'text.secondary' } } : undefined)}
        columns={({ left, right }) => [
          left('Test', (test) => (
            <>
              <Told of={testSaid(test).title} />
              {isSeveral && (
                <Typography variant="caption" component="div" color="textSecondary">
                  <span data-named>{placedWhere(job, test.place)?.name}</span>
                </Typography>
              )}
              {(shown === test.id || test.id === next?.id) && (
                <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.25 }}>
                  {test.minds.map((mind) => (
                    <Typography component="li" variant="caption" key={mind.id}>
                      <Told of={mindSaid(test, mind).mind} />
                    </Typography>
                  ))}
                </Box>
              )}
            </>
          )),
          right('One run, with its rest', (test) => <Told of={testSaid(test).takes} />, oneLine),
          right('Runs', (test) => <Told of={testSaid(test).runs} />, oneLine),
          left(
            '',
            (test) => (
              <Button
                size="small"
                variant={test.id === next?.id ? 'outlined' : 'text'}
                aria-label={`${isDone(test) ? 'Repeat' : 'Take up'}: ${testSaid(test).title!.words}`}
                onClick={() => {
                  setShown(test.id);
                  onTake(test);
                }}
              >
                {isDone(test) ? 'Repeat' : 'Take up'}
              </Button>
            ),
            { p: 0 },
          ),
        ]}
      />
    </Panel>
  );
}
