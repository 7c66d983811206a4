import { Button, Typography } from '@mui/material';
import { Link } from 'react-router';
import { takeBack, type Job, type PutRight } from '@kymar/core/job';
import { rightSaid } from '@kymar/core/statements';
import { changeJob } from '../../state/jobs';
import { Row } from '../../ui/layout';
import { Panel } from '../../ui/panel';
import { Told } from '../../ui/told';

/** What was put right, what that set aside, and the way back. */
export function PutRightPanel({ job }: { job: Job }) {
  const { found = [] } = job;
  if (found.length === 0) return null;
  const isMeasured = (one: PutRight) =>
    job.runs.some((r) => !r.excluded && r.source !== 'simulated' && r.at > one.at);
  return (
    <Panel title="Fixed">
      {found.map((one) => {
        return (
          <Row key={one.at + one.cause} align="baseline">
            <Typography variant="body2" sx={{ flex: 1 }}>
              <strong>{one.title}.</strong> <time>{one.at.slice(0, 10)}</time>
              {one.by && `, ${one.by}`}: <Told of={rightSaid(job, one).aside} />
              {!isMeasured(one) && ' Nothing has been measured since: '}
              {!isMeasured(one) && <Link to={`/jobs/${job.id}/bench`}>time it again</Link>}
            </Typography>
            <Button
              size="small"
              aria-label={`Take back: ${one.title}`}
              onClick={() => changeJob(job.id, (j) => takeBack(j, one))}
            >
              Take back
            </Button>
          </Row>
        );
      })}
    </Panel>
  );
}
