import { isAsked } from '@kymar/core/job';
import { Box, Button, ButtonBase, LinearProgress, Link as MuiLink, Typography } from '@mui/material';
import { Link } from 'react-router';
import { activitiesOf, SURE, type SaidAnswer, type Wanted } from '@kymar/core/choice';
import { answerSaid, searchSaid, builtSaid } from '@kymar/core/statements';
import { numeral } from '@kymar/core/units';
import { setSetting, useSettings } from '../state/settings';
import { QuantityField } from '../ui/field';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';
import type { Searching } from './search';
import { Settles } from './settles';
import { Row } from '../ui/layout';

const KIND: Record<SaidAnswer['kind'], string> = {
  knee: 'Meets every target, much better for a little more',
  meets: 'Meets every target at least cost',
  nearest: 'Comes nearest',
  frugal: 'Least money within 5 % of the quickest',
  within: 'Quickest within the budget',
};

/** Of what has no price nothing is said of money. */
const WITHOUT_PRICE: Partial<Record<SaidAnswer['kind'], string>> = {
  meets: 'Meets every target',
  frugal: 'Within 5 % of the quickest',
};
const kindWords = ({ kind, cost }: SaidAnswer): string =>
  (cost === null ? WITHOUT_PRICE[kind] : undefined) ?? KIND[kind];

/** The answers, the first of them large; each with its reason. */
export function AnswersPanel({
  searching,
  wanted,
  chosen,
  onChoose,
}: {
  searching: Searching;
  wanted: Wanted;
  chosen: string | null;
  onChoose(id: string): void;
}) {
  const { found, progress, problem, stop, again } = searching;
  const sure = useSettings((s) => s.sure) ?? SURE;
  const asksSure = activitiesOf(wanted).some(isAsked);
  // One build may be several answers: it is told once, with all that it is.
  const told = new Map<string, SaidAnswer[]>();
  for (const answer of found?.answers ?? []) told.set(answer.id, [...(told.get(answer.id) ?? []), answer]);
  const [first, ...others] = [...told.values()];
  return (
    <Panel
      title="What to buy"
      aria-busy={progress !== null}
      aside={
        asksSure && (
          <QuantityField
            label="Probability of each target"
            dimension="percent"
            value={sure}
            onValue={(p) => p !== null && p > 0 && p < 1 && setSetting('sure', p)}
            sx={{ width: 190 }}
          />
        )
      }
    >
      {problem && (
        <Typography color="error" role="alert" sx={{ mb: 1 }}>
          {problem}
        </Typography>
      )}
      {!found && !problem && !progress && (
        <Button variant="contained" onClick={again}>
          Search
        </Button>
      )}
      {found?.nothing && (
        <Typography sx={{ mb: 1.5, fontWeight: 600 }}>
          <Told of={searchSaid(found, null).nothing} />
        </Typography>
      )}
      {found?.overBudget && (
        <Typography variant="body2" sx={{ mb: 1, color: 'error.main', fontWeight: 560 }}>
          <Told of={searchSaid(found, null).overBudget} />
        </Typography>
      )}
      {first?.[0] && <Answer large said={first} chosen={chosen} onChoose={onChoose} />}
      {found && !first && (
        <Typography role="status">
          {found.looked === 0
            ? 'No part in the library goes with this machine. Add parts, or look below at why the others fell out.'
            : found.refused === null
              ? 'Nothing in the library works here. Below is why each fell out.'
              : ''}
          <Told of={searchSaid(found, null).refused} />
        </Typography>
      )}
      {others.map((said) => (
        <Answer key={said[0]!.id} said={said} chosen={chosen} onChoose={onChoose} />
      ))}
      {found?.ownBays && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          <Told of={searchSaid(found, null).ownBays} />
        </Typography>
      )}
      {found?.dear && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          <Told of={searchSaid(found, null).dear} />
        </Typography>
      )}
      {found && <Settles turn={searching.turn} />}
      {found?.builtFell && (
        <Typography variant="body2" sx={{ mt: 1, color: 'warning.main', fontWeight: 560 }}>
          <Told of={builtSaid(found.builtFell).built} />
        </Typography>
      )}
      {found && found.works > 0 && found.points.length === 0 && (
        <Typography variant="body2" sx={{ mt: 1, color: 'warning.main', fontWeight: 560 }}>
          No price is known{wanted.currency === null ? '' : ` in ${wanted.currency}`}, so nothing can be
          called cheapest. Enter dated prices under{' '}
          <MuiLink component={Link} to="/parts/prices">
            Parts
          </MuiLink>
          , by hand or as CSV.
        </Typography>
      )}
      {/* As high while it is searched as afterwards: what is pressed below stays where it is. */}
      <Box sx={{ mt: 1, minHeight: 48 }}>
        {progress ? (
          <Box role="status">
            <Row gap={1.5} align="center">
              <LinearProgress
                variant="determinate"
                value={(100 * progress.progress.drives) / Math.max(1, progress.progress.of)}
                sx={{ flex: 1 }}
                aria-label="Drives looked at"
              />
              <Button size="small" onClick={stop}>
                Cancel
              </Button>
            </Row>
            <Typography variant="caption" color="textSecondary" component="p" noWrap>
              {numeral(progress.progress.looked)} builds looked at.
              {progress.first ? ` So far: ${progress.first}.` : ''}
            </Typography>
          </Box>
        ) : (
          found && (
            <Typography variant="caption" color="textSecondary" component="p">
              <Told of={searchSaid(found, asksSure ? sure : null).looked} />
            </Typography>
          )
        )}
      </Box>
    </Panel>
  );
}

function Answer({
  said,
  chosen,
  onChoose,
  large = false,
}: {
  said: readonly SaidAnswer[];
  chosen: string | null;
  onChoose(id: string): void;
  large?: boolean;
}) {
  const first = said[0]!;
  const isChosen = first.id === chosen;
  return (
    <ButtonBase
      onClick={() => onChoose(first.id)}
      aria-pressed={isChosen}
      sx={{
        display: 'block',
        width: '100%',
        textAlign: 'left',
        p: 1.25,
        mb: 1,
        borderRadius: 1,
        border: 1,
        borderColor: isChosen ? 'primary.main' : 'divider',
        bgcolor: isChosen ? 'sunken' : 'transparent',
        '&:hover': { borderColor: 'primary.main' },
      }}
    >
      <Typography variant="caption" color="textSecondary" component="div" data-named>
        {said.map(kindWords).join('; also: ')}
      </Typography>
      <Row gap={2} align="baseline">
        <Typography variant={large ? 'h2' : 'h3'} component="div" sx={{ flex: 1 }}>
          <span data-named>{first.words}</span>
        </Typography>
        <Typography
          variant={large ? 'h2' : 'h3'}
          component="div"
          sx={{ whiteSpace: 'nowrap', ...(first.money.includes('not known') ? { fontWeight: 500 } : {}) }}
        >
          <Told of={answerSaid(first).money} />
        </Typography>
      </Row>
      <Typography variant="body2" component="div">
        <Told of={answerSaid(first).reason} /> Port: <span data-named>{first.port}</span>.
      </Typography>
    </ButtonBase>
  );
}
