import { type Spread } from '@kymar/core/stats';
import { Box, Typography } from '@mui/material';
import { middle } from '@kymar/core/evidence';
import type { Life } from '@kymar/core/models';
import type { DaysForecast, JobSheet, LifeForecast } from '@kymar/core/forecast';
import { formatSaid, lifeSaid } from '@kymar/core/statements';
import type { Placed } from '../state/placed';
import { calendarMonth, counted, format, formatRange, rangeBehind, YEAR_DAYS } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { useSituation } from '../state/situation';
import { ArrayFacts } from '../ui/array';
import { Figure } from '../ui/figure';
import { Told } from '../ui/told';
import { Panel } from '../ui/panel';
import { daysOf } from '../workers';
import { CountersOf } from './counters';

/** How long the drive lasts: by what is rated, by its cells, or by a disk's yearly load. */
export function LifeLine({ at, forecast }: { at: Placed; forecast: JobSheet }) {
  const { life, lasting, workload, array, format: whole, copies } = forecast;
  const wanted = middle(at.serviceYears);
  const said = lifeSaid(at.place, forecast);
  return (
    <Panel title="How long it lasts">
      {!isLife(life) && !workload && <Typography variant="body2">{life.problem}</Typography>}
      {workload && (
        <Typography variant="body2" sx={{ color: workload.high > 1 ? 'error.main' : undefined }}>
          Reading and writing use <Figure of={workload} said={said.workload} /> of the disk’s yearly workload
          rating{rangeBehind(workload, '%', 2)}
          {workload.high > 1 ? ': more than it is rated for' : ''}.
        </Typography>
      )}
      {lasting && (
        <>
          <Typography variant="body2">
            {lasting.before}
            <Figure of={lasting.years} said={said.lasts} />
            {lasting.after}
          </Typography>
          <Line life={lasting.years} wanted={wanted} warranty={middle(at.build!.drive.warrantyYears)} />
          {lasting.coversWords && (
            <Typography variant="body2" sx={{ fontWeight: 600, color: COVERS[lasting.covers!] }}>
              <Told of={said.covers} />
            </Typography>
          )}
        </>
      )}
      {isLife(life) && life.byCells && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
          From new, by the cells’ cycles: <Figure of={life.byCells} />
          {rangeBehind(life.byCells, 'years')}.
        </Typography>
      )}
      {isLife(life) && life.byCounters?.left && life.byCounters.rate && (
        <Typography variant="body2" sx={{ mt: 0.75 }}>
          By its own counter it has taken <Figure of={life.byCounters.rate} />:{' '}
          <Figure of={life.byCounters.left} /> left{rangeBehind(life.byCounters.left, 'years')}
          {life.byCounters.runsOut ? until(life.byCounters.runsOut) : ''}.
        </Typography>
      )}
      {isLife(life) && !at.build!.array && <CountersOf at={at} />}
      {isLife(life) && !life.fromNew && (
        <Typography variant="body2">No activity writes to it: the rating does not run out.</Typography>
      )}
      {isLife(life) && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
          {life.allowed && life.dwpd ? (
            <>
              Allowed: <Figure of={life.allowed} said={said.allowed} />;{' '}
              <Figure of={life.dwpd} said={said.writes} /> drive writes a day.
            </>
          ) : (
            'What is allowed a day waits for the warranty’s years: enter them with the part.'
          )}{' '}
          {life.notes.join(' ')}
        </Typography>
      )}
      {whole && (
        <Typography variant="body2" sx={{ mt: 0.75 }}>
          {at.pass?.ended ? 'The full format took' : 'A full format takes about'}{' '}
          <Figure of={whole} said={formatSaid(at.place, forecast).takes} />
          {at.pass?.ended ? '.' : `${rangeBehind(whole, 's')}; its progress can be followed in Set-up.`}
        </Typography>
      )}
      {array && <ArrayFacts array={array} />}
      {copies && (
        <Typography variant="body2" sx={{ mt: 0.75, color: copies.length > 0 ? 'warning.main' : undefined }}>
          {copies.length === 0
            ? 'The planned copies keep the rule: three copies, two media, one elsewhere.'
            : `Copies of the data: ${copies.join(' ')}`}
        </Typography>
      )}
    </Panel>
  );
}

/** Whether it is a life, and not the reason why there is none. */
const isLife = (life: LifeForecast): life is Exclude<LifeForecast, { problem: string }> =>
  !('problem' in life);

/** When the rating runs out. */
const until = ({ expected, earliest, latest }: NonNullable<Life['runsOut']>): string =>
  `, until about ${calendarMonth(expected)} (${calendarMonth(earliest)} to ${calendarMonth(latest)})`;

const COVERS = { yes: 'success.main', perhaps: 'warning.main', no: 'error.main' } as const;

/** Years on a line: the range in which the rating runs out, the service life and the warranty as marks. */
function Line({ life, wanted, warranty }: { life: Spread; wanted: number | null; warranty: number | null }) {
  const marks = [
    ...(wanted === null ? [] : [{ at: wanted, name: 'service life' }]),
    ...(warranty === null || warranty === wanted ? [] : [{ at: warranty, name: 'warranty' }]),
  ];
  const end = Math.max(
    Math.min(life.high, 3 * Math.max(10, ...marks.map((m) => m.at))),
    ...marks.map((m) => m.at * 1.3),
    6,
  );
  const at = (years: number) => `${Math.min(100, (100 * years) / end)}%`;
  const beyond = life.low > end;
  return (
    <Box
      sx={{ position: 'relative', height: 56, my: 1, mx: 0.5 }}
      role="img"
      aria-label={
        `The rating runs out after ${formatRange(life, 'years')}; ` +
        `${marks.map((m) => `${m.name} ${m.at} years`).join(', ')}`
      }
    >
      <Box
        sx={{
          position: 'absolute',
          left: 0,
          right: 0,
          top: 22,
          height: 6,
          bgcolor: 'sunken',
          borderRadius: 0.5,
        }}
      />
      <Box
        sx={{
          position: 'absolute',
          left: 0,
          width: at(life.low),
          top: 22,
          height: 6,
          bgcolor: 'channel',
          borderRadius: 0.5,
        }}
      />
      {!beyond && (
        <Box
          sx={{
            position: 'absolute',
            left: at(life.low),
            width: `max(4px, calc(${at(life.high)} - ${at(life.low)}))`,
            top: 20,
            height: 10,
            bgcolor: 'narrow',
            borderRadius: 0.5,
          }}
        />
      )}
      {marks.map(({ at: years, name }, i) => (
        <Box
          key={name}
          sx={{
            position: 'absolute',
            left: at(years),
            top: 16,
            height: 18,
            borderLeft: 2,
            borderColor: 'text.primary',
          }}
        >
          <Typography
            variant="caption"
            sx={{ position: 'absolute', top: i === 0 ? -17 : 16, ml: '-2px', whiteSpace: 'nowrap' }}
          >
            {name}, {years}
          </Typography>
        </Box>
      ))}
      <Typography variant="caption" color="textSecondary" sx={{ position: 'absolute', bottom: -4, left: 0 }}>
        0
      </Typography>
      <Typography variant="caption" color="textSecondary" sx={{ position: 'absolute', bottom: -4, right: 0 }}>
        {format(end, 'years', 2)}
      </Typography>
    </Box>
  );
}

/** How far ahead the days are lived through when nobody says how long the drive is wanted. */
const AHEAD = 5;

/** The years: when it is full, slow or worn, lived through day by day in a worker. */
export function Years({ at }: { at: Placed }) {
  const situation = useSituation(at);
  const years = Math.min(10, Math.max(1, middle(at.serviceYears) ?? AHEAD));
  const { data: days, problem } = useAnswer(situation && daysOf(situation, years));
  if (days === null || problem !== null) return null;
  const last = days?.days.at(-1);
  const { drive, bridge } = at.build!;
  const withoutTrim = drive.media === 'flash' && bridge?.trim === false;
  return (
    <Panel title={`The next ${years} years`} aria-busy={!days}>
      {!days || !last ? (
        <Typography variant="body2" color="textSecondary">
          Living through the days …
        </Typography>
      ) : (
        <Box component="ul" sx={{ m: 0, pl: 2.25, '& li': { mb: 0.5 } }}>
          <Typography component="li" variant="body2">
            {days.recovers
              ? `The cache is back every time it is needed${withoutTrim ? ', as long as a fifth stays unpartitioned: this enclosure does not pass TRIM' : ''}.`
              : 'The cache is not back every time it is needed: what follows too soon is slower.'}
          </Typography>
          <Typography component="li" variant="body2">
            {fullWords(days, last.fill, years)}
          </Typography>
          {days.ends.slow.map(({ activity, when: at }) => {
            const i = days.activities.findIndex((a) => a.id === activity);
            const [first, end] = [days.days[0]!.seconds[i]!, last.seconds[i]!];
            return (
              <Typography
                component="li"
                variant="body2"
                key={activity}
                sx={{ color: Number.isFinite(at.expected) ? 'error.main' : undefined }}
              >
                {days.activities[i]!.name}:{' '}
                {Number.isFinite(at.low)
                  ? `longer than the target ${when(at, years)}`
                  : 'within the target all the time'}
                {Math.abs(end / first - 1) > 0.01
                  ? `, from ${format(first, 's')} at first to ${format(end, 's')} at the end`
                  : ''}
                .
              </Typography>
            );
          })}
          {days.ends.worn && Number.isFinite(days.ends.worn.low) && days.ends.worn.low < years && (
            <Typography component="li" variant="body2" sx={{ color: 'error.main' }}>
              Written as much as rated {when(days.ends.worn, years)}.
            </Typography>
          )}
        </Box>
      )}
    </Panel>
  );
}

/** When it is full, as far as the brief says what stays on it. */
function fullWords({ ends: { full, fullIfAdding } }: DaysForecast, fill: number, years: number): string {
  if (!fullIfAdding)
    return Number.isFinite(full.low)
      ? `Full ${when(full, years)}.`
      : `Not full within ${years} years: ${format(fill, '%', 2)} in use at the end.`;
  const adding = Number.isFinite(fullIfAdding.low)
    ? `full ${when(fullIfAdding, years)}`
    : `not full within ${years} years`;
  return `If each copy adds to the last: ${adding}. If it takes its place: ${
    Number.isFinite(full.low) ? `full ${when(full, years)}` : 'it does not fill up'
  }. The brief does not say which.`;
}

/** A range of dates in words; what lies beyond the years looked at is said to. */
function when({ low, expected, high }: Spread, years: number): string {
  const at = (v: number) => (v < 1 / 12 ? counted(Math.ceil(v * YEAR_DAYS), 'day') : format(v, 'years', 2));
  if (!Number.isFinite(expected)) return `after ${at(low)} at the earliest, more likely not within ${years}`;
  if (expected === 0)
    return high === 0 ? 'from the first day on' : 'more likely than not from the first day on';
  const [from, to] = [at(low), Number.isFinite(high) ? at(high) : `beyond ${years}`];
  return `after about ${at(expected)}${from === to ? '' : ` (${from} to ${to})`}`;
}
