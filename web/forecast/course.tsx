import { Box, Button, Slider, Typography } from '@mui/material';
import { Suspense, useMemo, useState } from 'react';
import type { Fact } from '@kymar/core/evidence';
import type { ActivitySheet, Change, CourseSheet, ProfilePoint } from '@kymar/core/forecast';
import type { Activity, Move } from '@kymar/core/job';
import type { Placed } from '../state/placed';
import { courseSaid, driverSaid, shareSaid } from '@kymar/core/statements';
import { format, numeral, rangeBehind } from '@kymar/core/units';
import { useForecast } from '../state/forecast';
import { useSituation } from '../state/situation';
import { Fold } from '../ui/fold';
import { Panel } from '../ui/panel';
import { patientLazy } from '../ui/lazy';
import { Cells } from '../ui/cells';
import { Told } from '../ui/told';
import { OpeningView } from '../ui/waiting';

const Chart = patientLazy(() => import('./chart'));

/** How far a slider tries the size, as a power of two of the brief's own. */
const SIZES = 3;

/** A fact, so many times. */
function scaled(fact: Fact, times: number): Fact {
  const { value } = fact;
  if (value === null) return fact;
  if (!Array.isArray(value)) return { ...fact, value: value * times };
  const [low, expected, high] = value;
  return { ...fact, value: [low * times, expected * times, high * times] };
}

/** One move alone, with another size (as a power of two of its own) or another fill of the drive. */
const trySize =
  (move: Move, size: number, fill: number | null): Change =>
  (situation) => {
    const { besides: _, ...alone } = move;
    const times = 2 ** size;
    const { bytes, files } = alone;
    const sized = size === 0 ? alone : { ...alone, bytes: scaled(bytes, times), files: scaled(files, times) };
    const filled = fill === null ? {} : { fill: { value: fill, source: { kind: 'entered' as const } } };
    return { ...situation, activities: [sized], needs: { ...situation.needs, ...filled } };
  };

/** One move whole: its course, where the time goes; and, by two sliders, as it would be with another size or a fuller drive. */
export function CoursePanel({ at, of }: { at: Placed; of: ActivitySheet & { course: CourseSheet } }) {
  const [asTable, setAsTable] = useState(false);
  const [size, setSize] = useState(0);
  const [fill, setFill] = useState<number | null>(null);
  const trying = size !== 0 || fill !== null;
  const { activity } = of;
  const situation = useSituation(at);
  const tried = useMemo(
    () => (situation && trying ? trySize(activity as Move, size, fill)(situation) : null),
    [situation, activity, size, fill, trying],
  );
  const { sheet } = useForecast(tried);
  const attempt = trying ? sheet?.activities.find((a) => a.activity.id === activity.id) : undefined;
  const shown = attempt?.course ? { ...attempt, course: attempt.course } : of;
  const { course, figure } = shown;
  const told = courseSaid(activity, course, figure.expected);
  return (
    <Panel
      title={`Speed over the copy: ${activity.name}`}
      aside={
        <Button size="small" onClick={() => setAsTable(!asTable)}>
          {asTable ? 'Show the chart' : 'Show as a table'}
        </Button>
      }
    >
      {asTable ? (
        <CourseTable bands={course.profile} />
      ) : (
        <Box sx={{ height: course.profile.warmth ? 316 : 236 }}>
          <Suspense fallback={<OpeningView />}>
            <Chart course={course} />
          </Suspense>
        </Box>
      )}
      <Typography variant="body2" sx={{ mt: 1 }}>
        {trying ? (
          told.phases?.words
        ) : (
          <>
            <Told of={told.phases} /> Line: every input at its middle value, each file’s own cost included;
            band: its range. <Told of={told.bar} figures={[course.bar]} />{' '}
            <Told
              of={told.warm}
              figures={[
                course.hottest && { words: format(course.hottest.expected, '°C', 2), of: course.hottest },
                course.energy,
              ]}
            />
          </>
        )}
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'minmax(0, 1fr) minmax(0, 1fr) auto' },
          columnGap: 3,
          alignItems: 'center',
          mt: 1.5,
        }}
      >
        <Try
          label="Try another size"
          value={size}
          least={-SIZES}
          most={SIZES}
          step={0.25}
          words={size === 0 ? 'as in the brief' : `${format(2 ** size, 'ratio', 2)} times`}
          onValue={setSize}
        />
        <Try
          label="Try a fuller drive"
          value={fill ?? 0}
          least={0}
          most={0.95}
          step={0.05}
          words={fill === null ? 'as in the brief' : `${format(fill, '%')} in use`}
          onValue={setFill}
        />
        <Box sx={{ textAlign: 'right', minWidth: 150 }} aria-live="polite">
          {trying ? (
            <>
              <Typography variant="body2" sx={{ fontWeight: 640 }}>
                {format(figure.expected, 's')}
                {rangeBehind(figure, 's')}
              </Typography>
              <Button
                size="small"
                sx={{ p: 0 }}
                onClick={() => {
                  setSize(0);
                  setFill(null);
                }}
              >
                Back to the brief
              </Button>
            </>
          ) : null}
        </Box>
      </Box>
      <Causes activity={activity} list={course.causes} isTried={trying} />
    </Panel>
  );
}

function Try({
  label,
  value,
  least,
  most,
  step,
  words,
  onValue,
}: {
  label: string;
  value: number;
  least: number;
  most: number;
  step: number;
  words: string;
  onValue(value: number): void;
}) {
  return (
    <Box>
      <Typography variant="caption" sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <span>{label}</span>
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {words}
        </Box>
      </Typography>
      <Slider
        size="small"
        aria-label={label}
        value={value}
        min={least}
        max={most}
        step={step}
        onChange={(_, v) => onValue(v)}
        sx={{ py: 1 }}
      />
    </Box>
  );
}

/** Where the time goes: one bar, its parts named on it or beneath. */
function Causes({
  activity,
  list,
  isTried,
}: {
  activity: Activity;
  list: CourseSheet['causes'];
  /** It is of another size or fill than the job's: tried, and said nowhere else. */
  isTried: boolean;
}) {
  const tones = ['flow', 'info.main', 'warning.main', 'measured', 'text.secondary'];
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        What the time is spent on
      </Typography>
      <Box
        sx={{ display: 'flex', height: 14, borderRadius: 0.5, overflow: 'hidden', gap: '2px' }}
        aria-hidden
      >
        {list.map(({ cause, share }, i) => (
          <Box
            key={cause}
            sx={{
              flexGrow: share,
              flexBasis: 0,
              bgcolor: tones[Math.min(i, tones.length - 1)],
              minWidth: '2px',
            }}
          />
        ))}
      </Box>
      <Box
        component="ul"
        sx={{ m: 0, mt: 0.75, p: 0, listStyle: 'none', display: 'flex', flexWrap: 'wrap', columnGap: 2.5 }}
      >
        {list.map(({ cause, share }, i) => (
          <Typography
            component="li"
            variant="body2"
            key={cause}
            sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}
          >
            <Box
              component="span"
              sx={{ width: 9, height: 9, borderRadius: 0.25, bgcolor: tones[Math.min(i, tones.length - 1)] }}
              aria-hidden
            />
            {isTried ? (
              shareSaid(activity, { cause, share }).share!.words
            ) : (
              <Told of={shareSaid(activity, { cause, share }).share} />
            )}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}

function CourseTable({
  bands: { speed, warmth },
}: {
  bands: { speed: ProfilePoint[]; warmth: ProfilePoint[] | null };
}) {
  return (
    <Box sx={{ maxHeight: 316, overflow: 'auto' }}>
      <Cells
        of={speed.flatMap((p, i) => (i % 5 === 0 ? [{ ...p, warm: warmth?.[i]!.expected ?? null }] : []))}
        keyOf={({ bytes }) => bytes}
        sticky
        columns={({ right }) => [
          right('Moved, GB', ({ bytes }) => (bytes / 1e9).toFixed(1)),
          right('5 %, MB/s', ({ low }) => numeral(low / 1e6, 0)),
          right('Middle, MB/s', ({ expected }) => numeral(expected / 1e6, 0)),
          right('95 %, MB/s', ({ high }) => numeral(high / 1e6, 0)),
          ...(warmth ? [right('Drive, °C', ({ warm }) => Math.round(warm!))] : []),
        ]}
      />
    </Box>
  );
}

/** Most rows of the ranking that are shown. */
const ROWS = 6;

/** Which input moves the answer most: each from its low to its high point, all others at their middle. */
export function Drivers({ activity, course }: { activity: Activity; course: CourseSheet }) {
  const list = course.drivers;
  const shown = list.slice(0, ROWS);
  const [least, most] = [
    Math.min(...shown.flatMap((s) => s.at.map((a) => a.seconds))),
    Math.max(...shown.flatMap((s) => s.at.map((a) => a.seconds))),
  ];
  const at = (v: number) => (most > least ? (100 * (v - least)) / (most - least) : 0);
  return (
    <Fold name="forecast.course" title="What drives this result">
      {shown.length === 0 ? (
        <Typography variant="body2">Every input is known exactly: nothing is left open.</Typography>
      ) : (
        <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1 }}>
          {shown.map((driver) => {
            const { id, name, at: points, swing } = driver;
            const a = Math.min(...points.map((p) => p.seconds));
            const b = a + swing;
            return (
              <li key={id}>
                <Typography variant="body2" sx={{ lineHeight: 1.3 }}>
                  <span data-named>{name.charAt(0).toUpperCase() + name.slice(1)}</span>
                </Typography>
                <Box
                  sx={{ position: 'relative', height: 8, my: 0.4, bgcolor: 'sunken', borderRadius: 0.5 }}
                  aria-hidden
                >
                  <Box
                    sx={{
                      position: 'absolute',
                      top: 0,
                      bottom: 0,
                      left: `${at(a)}%`,
                      width: `max(3px, ${at(b) - at(a)}%)`,
                      bgcolor: 'flow',
                      borderRadius: 0.5,
                    }}
                  />
                </Box>
                <Typography variant="caption" color="textSecondary" component="div" sx={{ lineHeight: 1.3 }}>
                  <Told of={driverSaid(activity, driver).moves} />
                </Typography>
              </li>
            );
          })}
        </Box>
      )}
      {list.length > ROWS && (
        <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1, mb: 0 }}>
          All others move it by less.
        </Typography>
      )}
    </Fold>
  );
}
