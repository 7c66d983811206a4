import { Box, Button, Typography } from '@mui/material';
import { useLocation, useNavigate } from 'react-router';
import { newJob } from '../jobs/new';
import { putJobs } from '../state/jobs';
import { Row } from '../ui/layout';

/** The stops: a stage of the demo's finished job, and what it is for. */
const STOPS = [
  [
    'verdict',
    'A job at its end',
    'This demo job was measured and held against its frozen forecast: the answer is on the ' +
      'right, with how much room is left. The strip above is the path the data takes; where it is ' +
      'narrow, something holds it.',
  ],
  [
    'brief',
    'It began with three questions',
    'What the customer does, on which machine, what it may cost. One line is enough; everything ' +
      'else waits behind folds and comes forward where it would change the answer.',
  ],
  [
    'choice',
    'What to buy, and why',
    'All that plugs together out of the parts you keep was tried. First stands what meets every ' +
      'target at least cost, in a sentence; the rest, and why it fell out, is below.',
  ],
  [
    'forecast',
    'How long it will take',
    'A range, frozen before anything is measured. Press any dotted figure: it opens its ' +
      'working, down to where each number comes from.',
  ],
  [
    'bench',
    'Then the real thing is timed',
    'Watch a device, use the stopwatch, or let this machine copy. Runs lead to the verdict, and ' +
      'that to a document for the customer.',
  ],
] as const;

/** A short way through the demo's own job, beside the page and not over it: each stop is left with one press. */
export function Tour({ job, at }: { job: string; at: number }) {
  const navigate = useNavigate();
  const { pathname, search } = useLocation();
  const stop = STOPS[at];
  if (!stop) return null;
  const [, title, words] = stop;
  const isLast = at === STOPS.length - 1;
  const next = () => void navigate(`/jobs/${job}/${STOPS[at + 1]![0]}`, { state: { tour: at + 1, job } });
  const end = () => void navigate({ pathname, search }, { replace: true, state: null });
  const begin = () => {
    const made = newJob();
    putJobs([made]);
    void navigate(`/jobs/${made.id}/brief`);
  };
  return (
    <Box
      component="aside"
      aria-label="A first look"
      className="no-print"
      sx={{
        position: 'fixed',
        right: { xs: 8, sm: 24 },
        bottom: { xs: 60, sm: 24 },
        left: { xs: 8, sm: 'auto' },
        maxWidth: { sm: 400 },
        zIndex: 'snackbar',
        p: 2,
        bgcolor: 'background.paper',
        border: 2,
        borderColor: 'primary.main',
        borderRadius: 1,
        boxShadow: 6,
      }}
    >
      <Typography variant="caption" color="textSecondary" component="p">
        A first look, {at + 1} of {STOPS.length}
      </Typography>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      <Typography variant="body2" sx={{ mb: 1.5 }}>
        {words}
      </Typography>
      <Row>
        {isLast ? (
          <Button variant="contained" onClick={begin}>
            Begin your own job
          </Button>
        ) : (
          <Button variant="contained" onClick={next}>
            Next: {STOPS[at + 1]![1].toLowerCase()}
          </Button>
        )}
        <Button onClick={end}>{isLast ? 'Close' : 'Skip it'}</Button>
      </Row>
    </Box>
  );
}
