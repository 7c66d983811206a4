import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { decode } from '@kymar/core/catalog/decode';
import { enduranceJsonSchema, life, EnduranceInput, readHealth } from '@kymar/core/models';
import {
  usualCurrency,
  type PartKey,
  Finalists,
  nonDominated,
  searchAll,
  settlesAll,
  settlesWords,
  summaryOf,
  wantedOf,
  compareBuilds,
  fixes,
  optionsAt,
  withDrives,
} from '@kymar/core/choice';
import { blockWords, explainFlow } from '@kymar/core/assembly';
import { middle } from '@kymar/core/evidence';
import { forecastAll, forecastDays, situationAt, type Situation, settingOf } from '@kymar/core/forecast';
import { isMove, jobJsonSchema, placeOf, placesOf, portsTaken, readJob } from '@kymar/core/job';
import type { Job, Place } from '@kymar/core/job';
import { SHOP } from '@kymar/core/catalog/stock';
import { findings, stateOf } from '@kymar/core/fit';
import { readLibrary } from '@kymar/core/catalog/library';
import { DIRECTIONS, type Direction } from '@kymar/core/catalog/links';
import type { Shop } from '@kymar/core/catalog/parts';
import { MOST_TEXT, own, readJson, problemsOf } from '@kymar/core/text';
import { parseQuantity, YEAR_DAYS } from '@kymar/core/units';
import { diagnose } from '@kymar/core/diagnosis';
import { allSaid } from '@kymar/core/handover';
import { causesSaid, offeredSaid, type Statement } from '@kymar/core/statements';
import { verdict } from '@kymar/core/verdict';

/** Input that does not fit: told on standard error, exit 2. */
class BadInput extends Error {}

const COMMANDS: Record<string, (text: string, bytes: Uint8Array) => unknown> = {
  path: (text) => path(job(text), library()),
  forecast: (text) => forecast(job(text)),
  endurance: (text) => endurance(text),
  choose: (text) => chosen(job(text), library()),
  compare: (text) => compare(job(text), library()),
  verdict: (text) => verdict(job(text)),
  diagnose: (text) => diagnosed(job(text)),
  decode: (text) => decoded(text),
  health: (text, bytes) => health(text, bytes),
};

function job(text: string): Job {
  const read = readJob(text);
  if (!read.ok) throw new BadInput(read.problems.join('\n'));
  return read.value;
}

/** Parts to choose others from: a library file named after `--shop`, else the demo's. */
function library(): Shop {
  if (shopFile === undefined) return SHOP;
  const read = readLibrary(readFileSync(shopFile, 'utf8'));
  if (!read.ok) throw new BadInput(read.problems.join('\n'));
  return read.value;
}

/** Which of a job's places is asked about: the one that is named, else that of the activity, else the first. */
function placeAsked(input: Job): Place {
  const list = placesOf(input);
  const activity = input.activities.find((a) => a.id === activityId);
  const usual = (activity && placeOf(input, activity)) ?? list[0];
  if (!usual) throw new BadInput('machines: the job has no machine yet.');
  const fits = (place: Place) =>
    (deviceId === undefined || place.device === deviceId) &&
    (machineId === undefined || place.machine === machineId);
  const found = fits(usual) ? usual : list.find(fits);
  if (found) return found;
  const known = list.map(({ device, machine }) => `--device ${device} --machine ${machine}`).join(', or ');
  throw new BadInput(`The job has no such device on such a machine; there is ${known}.`);
}

/** A place of a job with what was built there. */
function built(input: Job, missing: string): Situation {
  const situation = situationAt(input, placeAsked(input));
  if (!situation) throw new BadInput(`build: nothing is built there yet; ${missing}`);
  return situation;
}

function path(input: Job, shop: Shop) {
  const situation = built(input, 'a path needs a drive and a port.');
  const settings = { read: settingOf(situation, 'read'), write: settingOf(situation, 'write') };
  const found = settings.write.path;
  const open = found.blocked.length === 0;
  const each = <T>(of: (direction: Direction) => T) =>
    Object.fromEntries(DIRECTIONS.map((d) => [d, of(d)])) as Record<Direction, T>;
  const list = each((d) => findings(settings[d]).map(({ figure: _, ...finding }) => finding));
  return {
    state: each((d) => stateOf(settings[d], list[d])),
    blocked: found.blocked.map(blockWords),
    segments: found.segments,
    links: found.links,
    flow: open ? each((d) => explainFlow(settings[d].path, d)) : null,
    bottleneck: open
      ? each((d) => ({
          segments: settings[d].path.bottleneck![d].segments,
          constraint: settings[d].path.bottleneck![d].constraint.name,
          next: settings[d].path.bottleneck![d].next,
        }))
      : null,
    findings: list,
    fixes: each((d) => fixes(situation, shop, d).map(({ build: _, ...fix }) => fix)),
    options: each((d) =>
      Object.fromEntries(
        found.segments.map(({ id }) => [
          id,
          optionsAt(situation, shop, id, d).map(({ build: _, situation: _to, ...option }) => option),
        ]),
      ),
    ),
  };
}

function forecast(input: Job) {
  const situation = situationAt(input, placeAsked(input));
  const found = situation && forecastAll(situation);
  if (!found)
    throw new BadInput(
      'build: nothing to forecast; there is no build, or its path is blocked (see "kymar path").',
    );
  const activities = found.activities.map(({ activity, figure, rate, probability, more, course }) => ({
    activity: activity.id,
    name: activity.name,
    kind: activity.kind,
    ...(course
      ? {
          time: figure,
          rate,
          bar: course.bar,
          phases: course.phases,
          causes: course.causes,
          hottest: course.hottest,
          energy: course.energy,
          drivers: course
            .drivers()
            .map(({ id, name, input: of, at }) => ({
              id,
              input: name,
              low: of?.low ?? null,
              high: of?.high ?? null,
              at,
            })),
        }
      : { figure, more }),
    probability,
  }));
  return {
    activities,
    life: found.life,
    workload: found.workload,
    array: found.array,
    format: found.format,
    copies: found.copies,
    ahead: ahead(situation),
  };
}

/** How far ahead the days are lived through: as long as the drive is wanted to last, else five years. */
function ahead(situation: Situation) {
  const years = Math.min(10, Math.max(0.1, middle(situation.serviceYears) ?? 5));
  const found = forecastDays(situation, { years });
  return found && { ends: found.ends, recovers: found.recovers };
}

/** What of a job's measurements is the cause, and what to look at next. */
function diagnosed(input: Job) {
  const found = diagnose(input);
  if (!found)
    throw new BadInput(
      'runs: nothing was measured that can be held against a forecast; there is no cause to find.',
    );
  return found;
}

/** All that is said of a job; with what is said of its causes, or of what a library offers, where that was asked. */
function said(command: string, input: Job): Statement[] {
  const all = allSaid(input);
  if (command === 'diagnose') return [...all, ...causesSaid(input, diagnosed(input))];
  return command === 'choose'
    ? [...all, ...offeredSaid(input, library(), { shopRanges: {}, probability: sureness() })]
    : all;
}

/** What to buy for a device of the job out of the library. */
function chosen(input: Job, shop: Shop) {
  const currency = input.budget?.currency ?? usualCurrency(shop.prices);
  const asked = {
    owned: (input.owned ?? []) as PartKey[],
    currency,
    shopRanges: {},
    probability: sureness(),
  };
  const wanted = wantedOf(input, deviceId, asked);
  if (!wanted)
    throw new BadInput(
      deviceId !== undefined && !placesOf(input).some(({ device }) => device === deviceId)
        ? `--device: the job has no device "${deviceId}".`
        : 'The job has no machine yet, or nothing is done with the device; there is nothing to search for.',
    );
  const found = searchAll(wanted, shop);
  const finalists = new Finalists(wanted);
  const { candidates } = found;
  return {
    currency,
    probability: wanted.probability,
    ...summaryOf(found, finalists, wanted),
    worthFindingOut: settlesWords(settlesAll(candidates, finalists, wanted), wanted),
    edge: nonDominated(found.candidates).map(({ id, cost, waits, misses }) => ({
      id,
      cost,
      hoursAYear: (waits * YEAR_DAYS) / 3600,
      misses,
    })),
  };
}

/** The probability asked for, as typed; undefined where none was. */
function sureness(): number | undefined {
  if (sure === undefined) return undefined;
  const read = parseQuantity(sure, 'percent');
  if (!read.ok || read.value <= 0 || read.value >= 1)
    throw new BadInput(`--sure: "${sure}" is no probability such as 85 %.`);
  return read.value;
}

/** The job's own build against it with other drives of the library, on one of its activities. */
function compare(input: Job, shop: Shop) {
  const situation = built(input, 'there is nothing to compare with.');
  const { activities } = situation;
  const activity = activityId ?? (activities.find(isMove) ?? activities[0])?.id;
  if (activity === undefined)
    throw new BadInput('activities: the job does nothing yet; there is nothing to compare on.');
  const others = (withDrivesOf ?? '')
    .split(',')
    .filter(Boolean)
    .map((id) => {
      const drive = shop.drives.find((d) => d.id === id);
      if (!drive) throw new BadInput(`--with: "${id}" is no drive of the library.`);
      return drive;
    });
  try {
    const taken = portsTaken(input, placesOf(input)[0]!);
    const found = compareBuilds(situation, activity, withDrives(situation, shop, others, activity, taken));
    return {
      activity,
      own: found.own,
      upTo: found.upTo,
      builds: found.builds.map(({ name, build: b, blocked, forecast: f, curve }) => ({
        name,
        drive: b.drive.id,
        bridge: b.bridge?.id ?? null,
        cable: b.cable?.id ?? null,
        blocked,
        figure: f?.figure ?? null,
        probability: f?.probability ?? null,
        curve,
      })),
      pairs: found.pairs.map(({ a, b, ...pair }) => ({
        a: found.builds[a]!.name,
        b: found.builds[b]!.name,
        ...pair,
      })),
    };
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput(error.message);
    throw error;
  }
}

function json(text: string): unknown {
  const read = readJson(text);
  if (!read.ok) throw new BadInput(`The input is ${read.problem}.`);
  return read.value;
}

/** Counters off a log page's bytes, or off text. */
function health(text: string, bytes: Uint8Array) {
  const read = readHealth(bytes, text);
  if (!read.ok) throw new BadInput(read.problem);
  return read.counters;
}

const MOST_NAMES = 10_000;

/** One name or a list of them. */
function decoded(text: string) {
  const data = json(text);
  if (typeof data === 'string') return decode(data);
  if (
    Array.isArray(data) &&
    data.length <= MOST_NAMES &&
    data.every((line): line is string => typeof line === 'string')
  )
    return data.map(decode);
  throw new BadInput(`The input must be a text in quotes, or a list of at most ${MOST_NAMES} of them.`);
}

function endurance(text: string) {
  const data = json(text);
  const read = EnduranceInput.safeParse(data);
  if (!read.success) throw new BadInput(problemsOf(read.error).join('\n'));
  try {
    return life(read.data);
  } catch (error) {
    throw new BadInput((error as Error).message);
  }
}

let shopFile: string | undefined;
let withDrivesOf: string | undefined;
let sure: string | undefined;
let activityId: string | undefined;
let deviceId: string | undefined;
let machineId: string | undefined;
/** All that is said of the job, in place of the command's own answer. */
let asStatements = false;
const SCHEMAS: Record<string, () => object> = { job: jobJsonSchema, endurance: enduranceJsonSchema };

const USAGE =
  `Usage: npm run -s kymar -- <${Object.keys(COMMANDS).join('|')}> [FILE] [--shop ` +
  'LIBRARY] [--with DRIVE,…] [--sure PROBABILITY] [--activity ID] [--device ID] [--machine ID] [--statements]   (JSON from the file or standard input)\n ' +
  `      npm run -s kymar -- schema [${Object.keys(SCHEMAS).join('|')}]`;

function schemaOf(of = 'job'): object {
  const schema = own(SCHEMAS, of);
  if (!schema) throw new BadInput(`"${of}" has no schema; there are ${Object.keys(SCHEMAS).join(' and ')}.`);
  return schema();
}

function words(): string[] {
  try {
    const { values, positionals } = parseArgs({
      allowPositionals: true,
      options: {
        shop: { type: 'string' },
        with: { type: 'string' },
        sure: { type: 'string' },
        activity: { type: 'string' },
        device: { type: 'string' },
        machine: { type: 'string' },
        statements: { type: 'boolean' },
        help: { type: 'boolean', short: 'h' },
      },
    });
    shopFile = values.shop;
    withDrivesOf = values.with;
    sure = values.sure;
    activityId = values.activity;
    deviceId = values.device;
    machineId = values.machine;
    asStatements = values.statements ?? false;
    return values.help ? ['help'] : positionals;
  } catch (error) {
    throw new BadInput(`${(error as Error).message}\n${USAGE}`);
  }
}

try {
  const [name = '', file] = words();
  const command = own(COMMANDS, name);
  if (name === 'help') console.log(USAGE);
  else if (name === 'schema') console.log(JSON.stringify(schemaOf(file), null, 2));
  else if (!command) throw new BadInput(USAGE);
  else {
    const bytes = readFileSync(file ?? 0);
    if (bytes.length > MOST_TEXT) throw new BadInput('The input is larger than 64 MB.');
    const input = bytes.toString('utf8');
    console.log(JSON.stringify(asStatements ? said(name, job(input)) : command(input, bytes), null, 2));
  }
} catch (error) {
  const known =
    error instanceof BadInput ||
    ['ENOENT', 'EACCES', 'EISDIR', 'ENOTDIR', 'ELOOP', 'ENAMETOOLONG', 'ERR_FS_FILE_TOO_LARGE'].includes(
      (error as NodeJS.ErrnoException).code ?? '',
    );
  console.error(known ? (error as Error).message : error);
  process.exitCode = known ? 2 : 1;
}
