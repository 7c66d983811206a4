import { type Spread } from '@kymar/core/stats';
import { Box, Typography } from '@mui/material';
import { middle } from '@kymar/core/evidence';
import type { JobSheet, LifeForecast } from '@kymar/core/forecast';
import { fittingOf } from '@kymar/core/job';
import { befallenSaid, costSaid, daysSaid, formatSaid, lifeSaid, yearsAhead } from '@kymar/core/statements';
import type { Placed } from '../state/placed';
import { format, formatRange } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { useJobs } from '../state/jobs';
import { useSituation } from '../state/situation';
import { ArrayFacts } from '../ui/array';
import { Told } from '../ui/told';
import { Fold } from '../ui/fold';
import { daysOf } from '../workers';
import { CountersOf } from './counters';

/** How long the drive lasts: by what is rated, by its cells, or by a disk's yearly load. */
export function LifeLine({ at, forecast }: { at: Placed; forecast: JobSheet }) {
  const { life, lasting, workload, array, format: whole, copies } = forecast;
  const wanted = middle(at.serviceYears);
  const said = lifeSaid(at.place, forecast);
  const job = useJobs((s) => s.jobs[at.job]);
  const fitting = job && fittingOf(job, at.place.device);
  const { cost } = costSaid(at.place.device, fitting?.paid, lasting, wanted);
  const { risk } = befallenSaid(at.place.device, fitting ?? {});
  return (
    <Fold
      name="forecast.life"
      title="How long it lasts"
      about="rated writes, service life"
      said={said.sentence?.words}
      usual={(lasting?.covers ?? 'yes') !== 'yes' || (workload?.high ?? 0) > 1}
    >
      {!isLife(life) && !workload && (
        <Typography variant="body2" data-typed>
          {life.problem}
        </Typography>
      )}
      {workload && (
        <Typography variant="body2" sx={{ color: workload.high > 1 ? 'error.main' : undefined }}>
          <Told of={said.yearly} figures={[workload]} />
        </Typography>
      )}
      {lasting && (
        <>
          <Typography variant="body2">
            <Told of={said.sentence} figures={[lasting.years]} />
          </Typography>
          <Line life={lasting.years} wanted={wanted} warranty={middle(at.build!.drive.warrantyYears)} />
          {lasting.coversWords && (
            <Typography variant="body2" sx={{ fontWeight: 600, color: COVERS[lasting.covers!] }}>
              <Told of={said.covers} />
            </Typography>
          )}
        </>
      )}
      {cost && (
        <Typography variant="body2" sx={{ mt: 0.75 }}>
          <Told of={cost} />
        </Typography>
      )}
      {risk && (
        <Typography variant="body2" sx={{ mt: 0.75, color: 'warning.main', fontWeight: 560 }}>
          <Told of={risk} />
        </Typography>
      )}
      {isLife(life) && life.byCells && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
          <Told of={said.cells} figures={[life.byCells]} />
        </Typography>
      )}
      {isLife(life) && said.counter && (
        <Typography variant="body2" sx={{ mt: 0.75 }}>
          <Told of={said.counter} figures={[life.byCounters?.rate, life.byCounters?.left]} />
        </Typography>
      )}
      {isLife(life) && !at.build!.array && <CountersOf at={at} />}
      {isLife(life) && !life.fromNew && (
        <Typography variant="body2">No activity writes to it: the rating does not run out.</Typography>
      )}
      {isLife(life) && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
          <Told
            of={said.allows}
            figures={[
              life.allowed,
              life.dwpd && { words: format(life.dwpd.expected, 'ratio', 2), of: life.dwpd },
            ]}
          />
        </Typography>
      )}
      {whole && (
        <Typography variant="body2" sx={{ mt: 0.75 }}>
          <Told of={formatSaid(at.place, forecast, at.pass?.ended !== undefined).about} figures={[whole]} />
        </Typography>
      )}
      {array && <ArrayFacts at={at.place} array={array} />}
      {copies && (
        <Typography variant="body2" sx={{ mt: 0.75, color: copies.length > 0 ? 'warning.main' : undefined }}>
          {copies.length === 0
            ? 'The planned copies keep the rule: three copies, two media, one elsewhere.'
            : `Copies of the data: ${copies.join(' ')}`}
        </Typography>
      )}
    </Fold>
  );
}

/** Whether it is a life, and not the reason why there is none. */
const isLife = (life: LifeForecast): life is Exclude<LifeForecast, { problem: string }> =>
  !('problem' in life);

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

/** The years: when it is full, slow or worn, lived through day by day in a worker. */
export function Years({ at }: { at: Placed }) {
  const situation = useSituation(at);
  const years = yearsAhead(at);
  const { data: days, problem } = useAnswer(situation && daysOf(situation, years));
  if (days === null || problem !== null) return null;
  return (
    <Fold
      name="forecast.years"
      title={`The next ${years} years`}
      about="when it is full, slow or worn"
      aria-busy={!days}
    >
      {!days ? (
        <Typography variant="body2" color="textSecondary">
          Living through the days …
        </Typography>
      ) : (
        <Box component="ul" sx={{ m: 0, pl: 2.25, '& li': { mb: 0.5 } }}>
          {daysSaid(at.place, at.build!, days, years).map(({ said, isBad }) => (
            <Typography
              component="li"
              variant="body2"
              key={said.id}
              sx={{ color: isBad ? 'error.main' : undefined }}
            >
              <Told of={said} />
            </Typography>
          ))}
        </Box>
      )}
    </Fold>
  );
}
