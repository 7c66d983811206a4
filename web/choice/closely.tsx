import { Box, Button, Typography } from '@mui/material';
import { useMemo, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Build } from '@kymar/core/assembly';
import { STALE, activitiesOf, buildKey, placed, type Wanted } from '@kymar/core/choice';
import { middle } from '@kymar/core/evidence';
import { processingWords } from '@kymar/core/statements';
import { format, formatProbability, numeral } from '@kymar/core/units';
import { mustNotStall, traitsOf, type Job } from '@kymar/core/job';
import { unbroken } from '../ui/figure';
import { WorthFindingOut } from '../ui/worth';
import { Panel } from '../ui/panel';
import type { Closely } from '../workers';
import { Hourly } from './hourly';
import { LaterPanel } from './later';
import { Row } from '../ui/layout';

/** One build closely: what must be paid, what it does, which money has no effect, what to mind. */
export function CloselyPanel({
  one,
  wanted,
  built,
  search,
  isFresh,
  job,
  onTake,
}: {
  one: Closely;
  wanted: Wanted;
  built: Build | null;
  /** What names the place in an address. */
  search: string;
  /** Whether it is what was asked for last: until then nothing is taken. */
  isFresh: boolean;
  job: Job;
  onTake(): void;
}) {
  const { candidate } = one;
  const work = activitiesOf(wanted);
  const isBuilt = built !== null && buildKey(built) === one.id;
  const situation = useMemo(() => placed(wanted, wanted.places[0]!, candidate.build), [candidate, wanted]);
  const isOwned = wanted.owned.includes(`drives/${candidate.build.drive.id}`);
  const { years, usable, warranty } = candidate;
  const serviceYears = middle(wanted.places[0]!.serviceYears);
  const isShort = years !== null && serviceYears !== null && years < serviceYears;
  return (
    <Panel
      title={one.words}
      aside={
        <Button variant="contained" disabled={isBuilt || !isFresh} onClick={onTake}>
          {isBuilt ? 'In the job' : 'Take this build'}
        </Button>
      }
    >
      <Box
        component="dl"
        sx={{ m: 0, display: 'grid', gridTemplateColumns: 'max-content 1fr', columnGap: 2, rowGap: 0.5 }}
      >
        <Line name="Where">
          {one.where.map((words) => (
            <div key={words}>{words}</div>
          ))}
        </Line>
        <Line name="To be paid">
          {one.money}
          {one.unpriced.length > 0 &&
            `: no price of ${one.unpriced.map((key) => key.split('/')[1]).join(', ')}`}
        </Line>
        {one.kit.length > 0 && <Line name="With it">{one.kit.join(', ')}</Line>}
        {isOwned && <Line name="Drive">already there, costs nothing</Line>}
        {work.map((activity, i) => {
          const figure = candidate.figures[i];
          if (figure == null) return null;
          const p = one.probabilities[i];
          const target =
            traitsOf(activity).asks === 'target' && activity.target !== null
              ? `, target ${format(activity.target, 's')}`
              : '';
          return (
            <Line key={`${activity.id} ${i}`} name={activity.name}>
              {mustNotStall(activity)
                ? `${format(figure, 'ratio', 2)} times what it needs`
                : unbroken(`${format(figure, 's')}${target}`)}
              {p != null && `: ${formatProbability(p)} probable`}
              {[one.today[i], processingWords(activity, figure)].map(
                (words) =>
                  words && (
                    <Typography key={words} variant="caption" component="div">
                      {unbroken(words)}
                    </Typography>
                  ),
              )}
            </Line>
          );
        })}
        {years !== null && (
          <Line name="Rating written">
            <Box component="span" sx={{ color: isShort ? 'error.main' : undefined }}>
              after {format(years, 'years', 2)} of this work
              {isShort && `, service life ${format(serviceYears, 'years')}`}
            </Box>
          </Line>
        )}
        {usable !== null && <Line name="Usable">{format(usable, 'B')}</Line>}
        {warranty !== null && <Line name="Warranty">{format(warranty, 'years')}</Line>}
      </Box>
      {one.stale.length > 0 && (
        <Typography variant="body2" sx={{ mt: 1, color: 'warning.main', fontWeight: 560 }}>
          Prices older than {STALE} days: {one.stale.join('; ')}. Ask again before it is ordered.
        </Typography>
      )}
      {one.wasted.length > 0 && (
        <Group name="Money without effect">
          {one.wasted.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </Group>
      )}
      {one.against.length > 0 && (
        <Box sx={{ mt: 1.5 }}>
          <Row gap={1.5} align="center">
            <Typography variant="h3" sx={{ flex: 1 }}>
              What it pays
            </Typography>
            <Hourly currency={wanted.currency} />
          </Row>
          <Box component="ul" sx={{ m: 0, pl: 2.25, typography: 'body2', '& li': { mt: 0.25 } }}>
            {one.against.map((words) => (
              <li key={words}>{unbroken(words)}</li>
            ))}
          </Box>
        </Box>
      )}
      {one.sizes.length > 1 && (
        <Group name={`${wanted.currency} per TB, by size`}>
          <li>
            {one.sizes.map(({ name, perTB, own }, i) => (
              <Box component="span" key={name} sx={{ fontWeight: own ? 640 : undefined }}>
                {i > 0 && ' · '}
                {name}: {numeral(perTB, 0)}
              </Box>
            ))}
          </li>
        </Group>
      )}
      {one.cautions.length > 0 && (
        <Group name="To mind">
          {one.cautions.map(({ title, reason }) => (
            <li key={title}>
              <Box component="span" sx={{ fontWeight: 600 }}>
                {title}.
              </Box>{' '}
              {unbroken(reason)}
            </li>
          ))}
        </Group>
      )}
      {wanted.places[0]!.needs?.movesLater && <LaterPanel one={one} wanted={wanted} job={job} />}
      <WorthFindingOut situation={situation} toHand={isBuilt || isOwned} />
      {one.prices.length > 0 && (
        <Group name="Prices">
          {one.prices.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </Group>
      )}
      {isBuilt && (
        <Button component={Link} to={`../forecast${search}`} size="small" sx={{ mt: 1 }}>
          See its forecast
        </Button>
      )}
    </Panel>
  );
}

const Line = ({ name, children }: { name: string; children: ReactNode }) => (
  <>
    <Typography component="dt" variant="body2" color="textSecondary">
      {name}
    </Typography>
    <Typography component="dd" variant="body2" sx={{ m: 0, fontWeight: 560 }}>
      {children}
    </Typography>
  </>
);

const Group = ({ name, children }: { name: string; children: ReactNode }) => (
  <Box sx={{ mt: 1.5 }}>
    <Typography variant="h3">{name}</Typography>
    <Box component="ul" sx={{ m: 0, pl: 2.25, typography: 'body2', '& li': { mt: 0.25 } }}>
      {children}
    </Box>
  </Box>
);
