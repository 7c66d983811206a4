import { BlockIcon, InfoOutlinedIcon, SouthIcon, WarningAmberIcon } from '../ui/icons';
import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import type { Fix } from '@kymar/core/choice';
import type { Finding, Severity, PathState } from '@kymar/core/fit';
import type { Direction } from '@kymar/core/catalog/links';
import { otherAnswer, policyWords, type Job, type Place } from '@kymar/core/job';
import { findingSaid, fixSaid } from '@kymar/core/statements';
import { changeJob } from '../state/jobs';
import { useWorking } from '../ui/figure';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';
import { Cheapest } from './fixes';
import { Small } from '../ui/small';

const LOOK: Record<Severity, { word: string; color: string; Icon: typeof BlockIcon }> = {
  blocks: { word: 'Blocks', color: 'error.main', Icon: BlockIcon },
  limits: { word: 'Limits', color: 'var(--mui-palette-narrow)', Icon: SouthIcon },
  caution: { word: 'Caution', color: 'warning.main', Icon: WarningAmberIcon },
  note: { word: 'Good to know', color: 'info.main', Icon: InfoOutlinedIcon },
};

const STATE: Record<PathState, { words: string; color: string }> = {
  blocked: { words: 'Something blocks it as it stands', color: 'error.main' },
  limited: { words: 'It works; something holds it down', color: 'var(--mui-palette-narrow)' },
  unknown: { words: 'It works; what limits its speed is not known', color: 'warning.main' },
  fine: { words: 'It works, as fast as these parts go', color: 'primary.main' },
};

/** Notes beyond these are folded away, what blocks or limits never. */
const SHOWN_NOTES = 2;

/** How the path stands, and what blocks, limits or deserves caution, each with reason and fix. */
export function Findings({
  job,
  at,
  direction,
  list,
  state,
  fixes,
}: {
  job: Job;
  at: Place;
  direction: Direction;
  list: readonly Finding[];
  state: PathState;
  fixes: readonly Fix[] | null;
}) {
  const [all, setAll] = useState(false);
  const notes = list.filter((f) => f.severity === 'note');
  const shown = all ? list : [...list.filter((f) => f.severity !== 'note'), ...notes.slice(0, SHOWN_NOTES)];
  const { words, color } = STATE[state];
  return (
    <Panel
      title={
        <Box component="span" data-state={state} sx={{ color }}>
          {words}
        </Box>
      }
    >
      {list.length === 0 && (
        <Typography>Nothing stands in the way: every link runs at the best mode these parts have.</Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1.25 }}>
        {shown.map((finding) => (
          <Line
            key={finding.id}
            job={job}
            at={at}
            direction={direction}
            finding={finding}
            said={findingSaid(at, finding, direction)}
            fixes={fixes}
          />
        ))}
      </Box>
      {notes.length > SHOWN_NOTES && (
        <Button size="small" sx={{ mt: 1 }} onClick={() => setAll(!all)}>
          {all ? 'Fewer' : 'More good to know'}
        </Button>
      )}
    </Panel>
  );
}

function Line({
  job,
  at,
  direction,
  finding: { id, severity, policy, figure },
  said,
  fixes,
}: {
  job: Job;
  at: Place;
  direction: Direction;
  finding: Finding;
  said: ReturnType<typeof findingSaid>;
  fixes: readonly Fix[] | null;
}) {
  const show = useWorking((s) => s.show);
  const { word, color, Icon } = LOOK[severity];
  return (
    <Box
      component="li"
      data-finding={id}
      sx={{ display: 'grid', gridTemplateColumns: '24px minmax(0, 1fr)', gap: 1 }}
    >
      <Icon sx={{ color, fontSize: 20, mt: '2px' }} />
      <div>
        <Typography variant="h3">
          <Box component="span" sx={{ color }}>
            {word}:
          </Box>{' '}
          <Told of={said.title} />
        </Typography>
        <Typography variant="body2">
          <Told of={said.reason} />
        </Typography>
        <Typography variant="body2" sx={{ fontWeight: 560 }}>
          {said.fix ? (
            <Told of={said.fix} />
          ) : (
            <Cheapest list={fixes} said={(one) => fixSaid(at, one, direction).fix} />
          )}
        </Typography>
        {(policy || figure) && (
          <Typography
            variant="caption"
            color="textSecondary"
            component="div"
            sx={{ display: 'flex', gap: 1, alignItems: 'baseline', flexWrap: 'wrap' }}
          >
            {policy && <span>Policy followed: {policyWords(policy.id, policy.followed)}.</span>}
            {policy && (
              <Small
                onClick={() =>
                  changeJob(job.id, (j) => ({
                    ...j,
                    policies: { ...j.policies, [policy.id]: otherAnswer(policy.id, policy.followed) },
                  }))
                }
              >
                Follow the other
              </Small>
            )}
            {figure && (
              <Small
                onClick={() => {
                  const estimate = figure();
                  if (estimate) show(estimate);
                }}
              >
                Show the working
              </Small>
            )}
          </Typography>
        )}
      </div>
    </Box>
  );
}
