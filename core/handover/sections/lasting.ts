import { middle } from '../../evidence';
import type { OwnRanges } from '../../catalog/assumptions';
import {
  caseOf,
  forecast,
  isLife,
  lasting,
  lifeOf,
  situationAt,
  type LifeForecast,
  type Situation,
} from '../../forecast';
import { fromPasted, healthAdvice, healthLines } from '../../models';
import { briefAt, fittingOf, isKept, placesOf, type Job, type JobDevice, type Place } from '../../job';
import { format, formatRange } from '../../units';
import { befallenSaid, lifeSaid, costSaid } from '../../statements';
import type { Claim, Verdict } from '../../verdict';
import { type DocumentBlock, type Section, textBlock, section, headed, isTheirs } from '../block';

export function lifeSection(job: Job, device: JobDevice, shopRanges: OwnRanges): Section {
  const heading = headed(job, 'How long it lasts', device);
  // Its life counts all that it does, whichever of its machines one looks from.
  const place = placesOf(job).find((p) => p.device === device.id && briefAt(job, p)!.build);
  const situation = place && situationAt(job, place, shopRanges);
  if (!situation) return section(heading, []);
  const found = lifeOf(situation);
  const fitting = fittingOf(job, device.id);
  const { cost } = costSaid(device.id, fitting?.paid, found && lasting(situation, found), years(job));
  const { risk } = befallenSaid(device.id, fitting ?? {});
  return section(heading, [
    ...(found ? [enduring(place, situation, found)] : []),
    ...(cost ? [textBlock(cost)] : []),
    ...(risk ? [textBlock(risk)] : []),
    ...filling(situation, job),
  ]);
}

const years = (job: Job): number | null => middle(job.serviceYears);

function enduring(place: Place, situation: Situation, found: LifeForecast): DocumentBlock {
  if (!isLife(found)) return textBlock(found.problem);
  const told = lasting(situation, found);
  if (!told) return textBlock('Nothing writes to it every day: its rating does not run out.');
  const { sentence, covers, allowed } = lifeSaid(place, { life: found, lasting: told, workload: null });
  return textBlock(
    sentence,
    covers,
    ...(allowed ? ['The rating allows', allowed, 'of writing.'] : []),
    'Other parts may fail earlier: the rating is no promise. A drive left without power for years can lose what it holds.',
  );
}

/** What the drive counted on day zero, as it was read, and what is to be said of it. */
export function health(job: Job, device: JobDevice): Section {
  const heading = headed(job, 'Health on day zero', device);
  const baseline = fittingOf(job, device.id)?.baseline;
  const told = baseline && fromPasted(baseline.text);
  if (!baseline || !told?.ok) return section(heading, []);
  const items = healthLines(told.counters).map(({ label, words }) => `${label}: ${words}`);
  return section(heading, [
    textBlock(`Read on ${baseline.at.slice(0, 10)}.`),
    ...healthAdvice(told.counters).map(({ words }) => textBlock(words)),
    { kind: 'list', items },
  ]);
}

/** When it is full, against how long it is wanted for. */
function filling(situation: Situation, job: Job): DocumentBlock[] {
  const wanted = years(job);
  return situation.activities.filter(isKept).map((a) => {
    const { low, expected, high } = forecast(caseOf(situation, a.id)).figure;
    if (!Number.isFinite(expected)) return textBlock(`${a.name}: it does not fill up.`);
    const range = Number.isFinite(high)
      ? formatRange({ low, high }, 'years')
      : `${format(low, 'years')} to never`;
    const short =
      wanted !== null && expected < wanted
        ? ` That is before the ${format(wanted, 'years', 2)} it is wanted for: plan a larger one, or thin it out.`
        : '';
    return textBlock(`${a.name}: full in about ${format(expected, 'years', 2)} (${range}).${short}`);
  });
}

export function care(job: Job): Section {
  if (job.connections.length === 0) return section('How to look after it', []);
  const external = job.connections.some((c) => c.cable !== null);
  const inside = job.connections.some((c) => c.cable === null);
  return section('How to look after it', [
    {
      kind: 'list',
      items: [
        ...(external
          ? [
              'Eject it in the system before pulling the cable: when the copy window closes, the last data may still be ' +
                `in the host’s memory. ${ejecting(job)}`,
            ]
          : []),
        'One drive is one copy. Keep three of what matters, on two kinds of media, one of them elsewhere.',
        'Formatting destroys what is on it: stop and ask first.',
        'Keep some space free: a nearly full drive has less cache and writes slower.',
        ...(external ? ['It gets warm in use; do not wrap or cover it.'] : []),
        ...(inside
          ? [
              'Opening the machine: mains unplugged, static discharged, and the maker’s instructions come first.',
            ]
          : []),
      ],
    },
  ]);
}

/** How one ejects, by the systems it is used with. */
function ejecting(job: Job): string {
  const families = new Set(job.machines.flatMap((m) => m.host.systems?.map(({ family }) => family) ?? []));
  return [
    families.has('Windows') ? 'On Windows: the icon for removing hardware, at the clock.' : '',
    families.has('macOS') ? 'On macOS: the eject mark next to its name.' : '',
    families.has('Linux') ? 'On Linux: the eject mark next to its name, or unmount it.' : '',
  ]
    .filter(Boolean)
    .join(' ');
}

/** A time so many times what was measured here is worth a visit [common practice, no source]. */
const SLOWER = 1.33;

/** When the customer should bring it back. */
export function comeBack(job: Job, { claims }: Verdict): Section {
  if (job.connections.length === 0) return section('When to come back', []);
  // What fell short is no measure of how it should be.
  const isSound = ({ right, target }: Claim) => right.answer !== 'short' && target?.answer !== 'no';
  const timed = claims.filter(
    (c) => isTheirs(c) && isSound(c) && c.measured?.time && Number.isFinite(c.measured.time.high),
  );
  const since = job.decision?.at ?? job.changed;
  const wanted = years(job);
  return section('When to come back', [
    {
      kind: 'list',
      items: [
        ...timed.map(
          ({ title, measured }) =>
            `${title} takes longer than ${format(measured!.time!.expected * SLOWER, 's', 2)}, more than once.`,
        ),
        'It drops off, the system reports errors, or a file does not open: copy off what matters first, and stop using it.',
        'It is more than four fifths full.',
        'Once a year, to have its own counters read.',
        ...(wanted === null
          ? []
          : [
              `At the latest in ${Number(since.slice(0, 4)) + Math.round(wanted)}: it is planned for ${format(wanted, 'years', 2)}.`,
            ]),
      ],
    },
  ]);
}
