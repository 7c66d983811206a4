import { readFileSync } from 'node:fs';
import { decode } from '@kymar/core/decode';
import { life, EnduranceInput } from '@kymar/core/endurance';
import { forecastJob, pathOf } from '@kymar/core/forecast';
import { jobJsonSchema, problemsOf, readJob, type Job } from '@kymar/core/job';
import { DIRECTIONS } from '@kymar/core/links';
import { explainFlow, findings } from '@kymar/core/path';
import { verdict } from '@kymar/core/verdict';

/** Input that does not fit: told on standard error, exit 2. */
class BadInput extends Error {}

const COMMANDS: Record<string, (text: string) => unknown> = {
  path: (text) => path(job(text)),
  forecast: (text) => forecast(job(text)),
  endurance: (text) => endurance(text),
  verdict: (text) => verdict(job(text)),
  decode: (text) => decoded(text),
};

function job(text: string): Job {
  const read = readJob(text);
  if (!read.ok) throw new BadInput(read.problems.join('\n'));
  return read.value;
}

function path({ host, build }: Job) {
  if (!build) throw new BadInput('build: the job has no build yet; a path needs a drive and a port.');
  const found = pathOf(host, build);
  const open = found.blocked.length === 0;
  const each = <T>(of: (direction: 'read' | 'write') => T) => Object.fromEntries(DIRECTIONS.map((d) => [d, of(d)]));
  return {
    blocked: found.blocked,
    joints: found.joints,
    links: { inner: found.inner, outer: found.outer },
    flow: open ? each((d) => explainFlow(found, d)) : null,
    bottleneck: open ? each((d) => ({ joints: found.bottleneck![d].joints, constraint: found.bottleneck![d].constraint.name, next: found.bottleneck![d].next })) : null,
    findings: each((d) => findings(found, d)),
  };
}

function forecast(input: Job) {
  const found = forecastJob(input);
  if (!found) throw new BadInput('build: nothing to forecast; the job has no build, or its path is blocked (see "kymar path").');
  return { activities: found.activities.map(({ activity, time, rate, probability, phases }) => ({ activity: activity.id, name: activity.name, time, rate, probability, phases })), life: found.life };
}

function json(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new BadInput(`The input is no JSON: ${(error as Error).message}`);
  }
}

/** One name or a list of them. */
function decoded(text: string) {
  const data = json(text);
  if (typeof data === 'string') return decode(data);
  if (Array.isArray(data) && data.every((line): line is string => typeof line === 'string')) return data.map(decode);
  throw new BadInput('The input must be a text in quotes, or a list of them.');
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

const [name = '', file] = process.argv.slice(2);
const command = COMMANDS[name];
try {
  if (name === 'schema') console.log(JSON.stringify(jobJsonSchema(), null, 2));
  else if (!command) throw new BadInput(`Usage: npm run -s kymar -- <${Object.keys(COMMANDS).join('|')}> [FILE]   (JSON from the file or standard input)\n       npm run -s kymar -- schema`);
  else console.log(JSON.stringify(command(readFileSync(file ?? 0, 'utf8')), null, 2));
} catch (error) {
  const known = error instanceof BadInput || ['ENOENT', 'EACCES', 'EISDIR'].includes((error as NodeJS.ErrnoException).code ?? '');
  console.error(known ? (error as Error).message : error);
  process.exitCode = known ? 2 : 1;
}
