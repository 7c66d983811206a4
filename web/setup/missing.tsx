import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { searchMissing, type MissingAnswers, type StepFacts } from '@kymar/core/fitting';
import { Fold } from '../ui/fold';
import { Panel } from '../ui/panel';
import { Row } from '../ui/layout';

const MOST = 4;

/** A drive that does not appear: the cheapest look first, each answer narrows what it can be. */
export function Missing({ bench }: { bench: StepFacts }) {
  const [open, setOpen] = useState(false);
  const [answers, setAnswers] = useState<MissingAnswers>({});
  const { causes, next } = searchMissing(bench, answers);
  const asked = Object.keys(answers).length;
  if (!open)
    return (
      <Fold name="setup.missing" title="It does not appear" about="cheapest check first">
        <Button variant="outlined" onClick={() => setOpen(true)}>
          Find out why, cheapest look first
        </Button>
      </Fold>
    );
  return (
    <Panel
      title="It does not appear"
      aside={
        <Button size="small" onClick={() => (asked > 0 ? setAnswers({}) : setOpen(false))}>
          {asked > 0 ? 'Start over' : 'Close'}
        </Button>
      }
    >
      {next && (
        <Box role="group" aria-label={next.ask} sx={{ mb: 1.5 }}>
          <Typography sx={{ fontWeight: 600, mb: 0.75 }}>{next.ask}</Typography>
          <Row wrap>
            {next.answers.map(({ id, words }) => (
              <Button key={id} variant="outlined" onClick={() => setAnswers({ ...answers, [next.id]: id })}>
                {words}
              </Button>
            ))}
          </Row>
        </Box>
      )}
      <Typography variant="body2" role="status" color="textSecondary" sx={{ mb: 0.5 }}>
        {causes.length === 1
          ? 'It is this.'
          : `It can be one of ${causes.length} things${next ? '' : ', which looks cannot tell apart'}.`}
      </Typography>
      {causes.slice(0, next && asked === 0 ? 0 : MOST + 2).map(({ id, title, fix }) => (
        <Box key={id} sx={{ mb: 0.75 }}>
          <Typography variant="body2" sx={{ fontWeight: 600 }}>
            {title}
          </Typography>
          {causes.length <= MOST && <Typography variant="body2">{fix}</Typography>}
        </Box>
      ))}
    </Panel>
  );
}
