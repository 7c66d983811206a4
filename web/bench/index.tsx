import { Box, Tab, Tabs, Typography } from '@mui/material';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  isAt,
  isLoad,
  isMove,
  placeOf,
  Run,
  samePlace,
  type Activity,
  type Job,
  type Move,
  type Load,
  type Place,
  heldByOne,
} from '@kymar/core/job';
import { LOOKS } from '@kymar/core/diagnosis';
import type { ProtocolTest } from '@kymar/core/measure';
import { newId } from '../state/id';
import { changeJob } from '../state/jobs';
import { byWhom } from '../state/settings';
import { placedWhere } from '../state/placed';
import { elsewhere, ownPlaces, pathBy } from '../state/where';
import { useWatch } from '../state/watch';
import { WholeScope } from '../ui/field';
import { EntryScope, scopeOf } from '../ui/entries';
import { useJob } from '../ui/job';
import { FINGER, useNarrow } from '../ui/narrow';
import { Panel } from '../ui/panel';
import { ByHand } from './byhand';
import { ConditionFields, NO_CONDITIONS, type Conditions } from './conditions';
import { LearnedPanel } from './learned';
import { ProtocolPanel } from './protocol';
import { RealBench } from './real';
import { RigPanel } from './rig';
import { RunList } from './runs';
import { StopwatchPanel } from './stopwatch';
import type { Taken } from './taken';
import { TracePanel } from './trace';
import { asItIs, LookLine, useTested, WantedPanel, type WantedTest } from './wanted';
import { Pick } from '../ui/pick';
import { Watching } from './watching';
import { Stack } from '../ui/layout';

const WAYS = [
  ['watch', 'Watch a device'],
  ['stopwatch', 'Stopwatch'],
  ['real', 'Run on this machine'],
  ['rig', 'Simulated rig'],
  ['hand', 'Enter a figure'],
  ['trace', 'Read a trace'],
] as const;
type Way = (typeof WAYS)[number][0];

/** What a clock can time: a copy that ends, a load. */
const isTimeable = (activity: Activity): activity is Move | Load => isMove(activity) || isLoad(activity);

/** Time it: by thumb, on this machine, on the simulated rig, or as read off elsewhere. */
export function BenchView() {
  const { job, at: looked } = useJob();
  const [way, setWay] = useState<Way>('stopwatch');
  const timeable = job.activities.filter(isTimeable);
  const { watch } = useWatch();
  const timed = watch?.job === job.id ? watch.activity : null;
  const [chosenActivity, setActivity] = useState<string | null>(null);
  const [chosenWhere, setWhere] = useState<{ at: string; key: string } | null>(null);
  const [conditions, setConditions] = useState(NO_CONDITIONS);
  const narrow = useNarrow();
  const navigate = useNavigate();
  // What is timed happens at the place that is looked at; a clock that runs is about one activity: that one is shown.
  const here = looked ? timeable.filter((a) => isAt(job, a, looked.place)) : timeable;
  const asBuilt =
    timeable.find((a) => a.id === timed) ??
    here.find((a) => a.id === chosenActivity) ??
    here[0] ??
    timeable[0] ??
    null;
  const place = asBuilt && placeOf(job, asBuilt);
  const at = (place && placedWhere(job, place)) ?? looked;
  const tested = useTested(at, asBuilt, conditions.look);
  const activity = tested?.activity ?? asBuilt;
  const own = ownPlaces(job);
  const others = at ? elsewhere(job, at) : [];
  const known = (key: string | undefined) => key === 'none' || [...own, ...others].some((w) => w.key === key);
  // Where it is built, unless somebody says otherwise for this place.
  const usual = own.find((w) => at && samePlace(w.path as Place, at.place))?.key ?? own[0]?.key ?? 'none';
  const where =
    chosenWhere && chosenWhere.at === at?.name && known(chosenWhere.key) ? chosenWhere.key : usual;
  const choose = (id: string) => {
    setActivity(id);
    const next = placeOf(
      job,
      timeable.find((a) => a.id === id)!,
    );
    const there = next && placedWhere(job, next);
    if (there) void navigate({ search: there.search }, { replace: true });
  };
  const keep = (taken: Taken) => {
    const made = tested?.toMemory ? { ...taken, otherEnd: 'memory' as const } : taken;
    changeJob(job.id, (j) => ({ ...j, runs: [...j.runs, runOf(j, made, where, conditions)] }));
    setConditions(asItIs);
  };
  const frozen = job.forecasts.length > 0;
  const [size, setSize] = useState<number | null>(null);
  /** A test of the protocol is set up on the left: its activity, its size, the way that fits it. */
  const takeUp = ({ practice, activity: of, place: there, bytes }: ProtocolTest) => {
    if (of) choose(of.id);
    else {
      const shown = placedWhere(job, there);
      if (shown) void navigate({ search: shown.search }, { replace: true });
    }
    setSize(practice === 'synthetic' ? bytes : null);
    setWay(practice === 'synthetic' ? 'real' : 'watch');
  };
  /** A test that a cause wants: the same activity, one thing done differently, and the next run says so. */
  const takeTest = ({ look, activity: of }: WantedTest) => {
    if (of) choose(of);
    setConditions((now) => ({ ...now, look }));
    setWay(LOOKS.find(({ id }) => id === look)?.timedBy ?? 'stopwatch');
  };
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 5fr) minmax(0, 6fr)' },
        alignItems: 'start',
      }}
    >
      <Panel>
        {!frozen && own.length > 0 && (
          <Typography variant="body2" sx={{ mb: 1.5, color: 'warning.main', fontWeight: 560 }}>
            No forecast is frozen yet. Freeze it first, or these runs can only be held against one made
            afterwards.
          </Typography>
        )}
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: 'repeat(4, minmax(0, 1fr))',
            gap: 1.5,
            mb: 1.5,
            '& > *': { gridColumn: 'span 2' },
          }}
        >
          <Pick
            label="What is timed"
            value={activity?.id ?? ''}
            options={timeable.map((a) => [a.id, a.name])}
            onValue={choose}
            disabled={timeable.length === 0 || timed !== null}
            helperText={
              timeable.length === 0
                ? 'The brief names nothing that is moved or opened'
                : timed
                  ? 'Bound to the clock'
                  : undefined
            }
          />
          <Pick
            label="Where it runs"
            value={where}
            options={[
              ...[...own, ...others].map(({ key, name }) => [key, name] as const),
              ['none', 'Another machine, path not described'],
            ]}
            onValue={(v) => setWhere({ at: at?.name ?? '', key: v })}
          />
        </Box>
        {conditions.look && <LookLine look={conditions.look} onLeave={() => setConditions(asItIs)} />}
        <EntryScope value={scopeOf(job.id, 'bench', 'conditions')}>
          <WholeScope value={heldByOne(job.devices.find((d) => d.id === looked?.place.device))}>
            <ConditionFields
              value={conditions}
              onValue={setConditions}
              portable={
                at?.host.kind === 'laptop' || at?.host.kind === 'tablet' || at?.host.kind === 'handheld'
              }
            />
          </WholeScope>
        </EntryScope>
        <Tabs
          value={way}
          onChange={(_, value: Way) => setWay(value)}
          // All of them in sight where there is room: what is scrolled away is not found. On a phone the clock comes first.
          variant={narrow ? 'scrollable' : 'standard'}
          scrollButtons={false}
          slotProps={{ indicator: { sx: { display: 'none' } } }}
          sx={{
            mb: 2,
            minHeight: 36,
            borderBottom: 1,
            borderColor: 'divider',
            '& .MuiTabs-list': { flexWrap: narrow ? 'nowrap' : 'wrap' },
            '& .MuiTab-root': {
              minHeight: 36,
              [FINGER]: { minHeight: 44 },
              textTransform: 'none',
              px: 1.25,
              py: 0.5,
            },
            '& .Mui-selected': { boxShadow: 'inset 0 -2px currentColor' },
          }}
        >
          {WAYS.map(([value, label]) => (
            <Tab key={value} value={value} label={label} />
          ))}
        </Tabs>
        {way === 'stopwatch' && (
          <StopwatchPanel
            key={`${activity?.id} ${conditions.look}`}
            job={job.id}
            activity={activity}
            onTaken={keep}
          />
        )}
        {way === 'watch' && (
          <Watching job={job} at={at} activity={activity} where={where} conditions={conditions} />
        )}
        {way === 'real' && (
          <RealBench
            key={size}
            size={size}
            activity={isMove(activity) ? activity : null}
            job={job}
            at={at}
            where={where}
            conditions={conditions}
          />
        )}
        {way === 'rig' && (
          <RigPanel
            job={job}
            at={at}
            activity={isMove(activity) ? activity : null}
            looking={conditions.look}
            onTaken={keep}
          />
        )}
        {way === 'trace' && <TracePanel at={at} activity={activity} onTaken={keep} />}
        {way === 'hand' && <ByHand job={job.id} activity={activity} onTaken={keep} />}
      </Panel>
      <Stack gap={2}>
        <WantedPanel job={job} looking={conditions.look} onTake={takeTest} />
        <ProtocolPanel job={job} onTake={takeUp} />
        <LearnedPanel job={job} />
        <RunList />
      </Stack>
    </Box>
  );
}

function runOf(job: Job, taken: Taken, where: string, stated: Conditions): Run {
  const { conditions, path, ...rest } = taken;
  return Run.parse({
    id: newId('run'),
    at: new Date().toISOString(),
    ended: 'done',
    samples: [],
    ...byWhom(),
    ...rest,
    path: path === undefined ? pathBy(job, where) : path,
    conditions: { ...stated, ...conditions },
  });
}
