import { Box, Button, Typography } from '@mui/material';
import { useMemo, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Build } from '@kymar/core/assembly';
import { STALE, activitiesOf, buildKey, placed, type Closely, type Wanted } from '@kymar/core/choice';
import { middle } from '@kymar/core/evidence';
import { closeFigureSaid, closelySaid, workOn, workSaid, type Said } from '@kymar/core/statements';
import type { Job } from '@kymar/core/job';
import { useSettings } from '../state/settings';
import { Told } from '../ui/told';
import { WorthFindingOut } from '../ui/worth';
import { More } from '../ui/fold';
import { Panel } from '../ui/panel';
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
  onOffer,
  onOrder,
  onBeside,
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
  /** Saves it beside the others as an offer, and what is to be ordered for it. */
  onOffer(): void;
  onOrder(): void;
  /** Puts builds side by side. */
  onBeside(ids: readonly string[]): void;
}) {
  const { candidate } = one;
  const activities = activitiesOf(wanted);
  const isBuilt = built !== null && buildKey(built) === one.id;
  const situation = useMemo(() => placed(wanted, wanted.places[0]!, candidate.build), [candidate, wanted]);
  const said = closelySaid(one, wanted);
  const shopHour = useSettings((s) => s.shopHour);
  const work = useMemo(() => workOn(situation, { ...wanted, shopHour }), [situation, wanted, shopHour]);
  const labour = workSaid(one.id, work, wanted.currency);
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
            <div key={words} data-named>
              {words}
            </div>
          ))}
        </Line>
        <Line name="To be paid">
          <Told of={said.paid} />
        </Line>
        <Line name="The shop’s work">
          <Told of={labour.work} />
          {shopHour === undefined && (
            <>
              {' '}
              <Link to="/settings">What an hour costs</Link>
            </>
          )}
        </Line>
        {one.kit.length > 0 && (
          <Line name="With it">
            <span data-named>{one.kit.join(', ')}</span>
          </Line>
        )}
        {isOwned && <Line name="Drive">already there, costs nothing</Line>}
        {activities.map((activity, i) => {
          const { meets, today, processing } = closeFigureSaid(one, activity, i);
          return (
            meets && (
              <Line key={`${activity.id} ${i}`} name={activity.name}>
                <Told of={meets} />
                {[today, processing].map(
                  (words) =>
                    words && (
                      <Typography key={words.id} variant="caption" component="div">
                        <Told of={words} />
                      </Typography>
                    ),
                )}
              </Line>
            )
          );
        })}
        {years !== null && (
          <Line name="Rating written">
            <Box component="span" sx={{ color: isShort ? 'error.main' : undefined }}>
              <Told of={said.written} />
            </Box>
          </Line>
        )}
        {usable !== null && (
          <Line name="Usable">
            <Told of={said.usable} />
          </Line>
        )}
        {said.kept && (
          <Line name="Also asked, and kept">
            <Told of={said.kept} />
          </Line>
        )}
        {warranty !== null && (
          <Line name="Warranty">
            <Told of={said.warranty} />
          </Line>
        )}
      </Box>
      {one.demands.missed.length > 0 && (
        <Group name="It misses">
          <Says list={said.lists.missed} />
        </Group>
      )}
      {one.demands.open.length > 0 && (
        <Group name="Asked, and not known">
          <Says list={said.lists.open} />
        </Group>
      )}
      {one.stale.length > 0 && (
        <Typography variant="body2" sx={{ mt: 1, color: 'warning.main', fontWeight: 560 }}>
          Prices older than {STALE} days: <time>{one.stale.join('; ')}</time>. Ask again before it is ordered.
        </Typography>
      )}
      {one.wasted.length > 0 && (
        <Group name="Money without effect">
          <Says list={said.lists.wasted} />
        </Group>
      )}
      {one.levels.length > 0 && (
        <Group name="Levels of this enclosure">
          <Says list={said.lists.levels} />
          <Button size="small" onClick={() => onBeside(one.levels.map(({ id }) => id))}>
            See the levels side by side
          </Button>
        </Group>
      )}
      {one.cautions.length > 0 && (
        <Group name="Watch out for">
          <Says list={said.lists.cautions} />
        </Group>
      )}
      {wanted.places[0]!.needs?.movesLater && <LaterPanel one={one} wanted={wanted} job={job} />}
      <WorthFindingOut situation={situation} toHand={isBuilt || isOwned} of={one.id} />
      <Box sx={{ mt: 1.5 }}>
        <More name="choice.money" title="What it pays, and each part’s price">
          {one.against.length > 0 && (
            <Box sx={{ mt: 1.5 }}>
              <Row gap={1.5} align="center">
                <Typography variant="h3" sx={{ flex: 1 }}>
                  What it pays
                </Typography>
                <Hourly currency={wanted.currency} />
              </Row>
              <Box component="ul" sx={{ m: 0, pl: 2.25, typography: 'body2', '& li': { mt: 0.25 } }}>
                <Says list={said.lists.against} />
              </Box>
            </Box>
          )}
          {one.sizes.length > 1 && (
            <Group name={`${wanted.currency} per TB, by size`}>
              <li>
                <Told of={said.sizes} />
              </li>
            </Group>
          )}
          {one.prices.length > 0 && (
            <Group name="Prices">
              <Says list={said.lists.prices} />
            </Group>
          )}
        </More>
      </Box>
      <Row gap={1} wrap>
        <Button size="small" onClick={onOffer}>
          Save as an offer
        </Button>
        <Button size="small" onClick={onOrder}>
          Save the order list
        </Button>
      </Row>
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
    <Typography component="dt" variant="body2" color="textSecondary" data-named>
      {name}
    </Typography>
    <Typography component="dd" variant="body2" sx={{ m: 0, fontWeight: 560 }}>
      {children}
    </Typography>
  </>
);

const Says = ({ list }: { list: readonly Said<string>[] }) =>
  list.map(({ says }) => (
    <li key={says!.id}>
      <Told of={says} />
    </li>
  ));

const Group = ({ name, children }: { name: string; children: ReactNode }) => (
  <Box sx={{ mt: 1.5 }}>
    <Typography variant="h3">{name}</Typography>
    <Box component="ul" sx={{ m: 0, pl: 2.25, typography: 'body2', '& li': { mt: 0.25 } }}>
      {children}
    </Box>
  </Box>
);
