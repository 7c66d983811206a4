import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import { demoJobs } from '../demo';
import { isUntouched } from '../forecast';
import { verdict } from '../verdict';
import { VERSION, checkJob, Job, jobJsonSchema, nextStage, readJob, rebuild, stages, writeJob } from '.';

const [offload, scans] = demoJobs() as [Job, Job];
const problems = (text: string) => {
  const read = readJob(text);
  return read.ok ? [] : read.problems;
};

describe('the job file', () => {
  test('what is written is read back the same', () => {
    for (const job of [offload, scans]) expect(readJob(writeJob(job))).toEqual({ ok: true, value: job });
  });

  test('the published schema is the one in force, and an outside validator takes the demo by it', () => {
    const published = JSON.parse(readFileSync('docs/schema/job-v2.schema.json', 'utf8'));
    expect(published).toEqual(JSON.parse(JSON.stringify(jobJsonSchema())));
    const ajv = new Ajv({ strict: false });
    addFormats(ajv);
    const check = ajv.compile(published);
    for (const job of [offload, scans]) expect([check(JSON.parse(writeJob(job))), check.errors]).toEqual([true, null]);
    expect(check({ ...offload, activities: 'none' })).toBe(false);
  });

  test('a kept sample of every version is still read', () => {
    for (const version of [1, 2]) {
      const text = readFileSync(`docs/samples/job-v${version}.kymar.json`, 'utf8');
      expect(JSON.parse(text).kymarVersion).toBe(version);
      const read = readJob(text);
      expect(read).toMatchObject({ ok: true, value: { kymarVersion: VERSION, id: 'demo-acoustics-offload', runs: { length: 7 } } });
      expect(read.ok && isUntouched(read.value.forecasts[0]!)).toBe(true);
    }
  });

  test.each([
    ['no JSON', '{"kymarVersion": 1,\n "id": }', /line 2, column/],
    ['cut short', writeJob(offload).slice(0, 5000), /no JSON/],
    ['another file', '{"name": "x"}', /no Kymar job file/],
    ['a list', '[]', /no Kymar job file/],
    ['a newer version', '{"kymarVersion": 7}', /version 7.*Update Kymar/],
    ['an empty file', '', /no JSON/],
  ])('%s', (_, text, message) => expect(problems(text).join()).toMatch(message));

  test('every fault is told with its place', () => {
    const broken = structuredClone(offload) as unknown as { activities: { bytes: { value: unknown } }[]; host: { ports: { modes: string[] }[] }; runs: { id: string }[] };
    broken.activities[0]!.bytes.value = -5;
    broken.host.ports[0]!.modes = ['usb-99'];
    const found = checkJob(broken);
    expect(found).toMatchObject({ ok: false });
    expect(!found.ok && found.problems.join('\n')).toMatch(/activities\.0\.bytes\.value[\s\S]*host\.ports\.0\.modes\.0: is no link mode/);
  });

  test('a build on a port that is not there, and ids used twice, are refused', () => {
    expect(checkJob({ ...offload, build: { ...offload.build, port: 'attic' } })).toMatchObject({ ok: false, problems: [expect.stringContaining('build.port: "attic" is no port')] });
    expect(checkJob({ ...offload, runs: [offload.runs[0], offload.runs[0]] })).toMatchObject({ ok: false, problems: [expect.stringContaining('used twice')] });
  });

  test('no text makes reading throw', () => {
    fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (text) => typeof readJob(text).ok === 'boolean'));
  });
});

describe('another build', () => {
  test('runs keep what they were measured on, by value', () => {
    const moved = rebuild(offload, { build: { ...offload.build!, port: 'left-front' } });
    expect(moved.runs.every((r) => r.path !== 'customer' && r.path!.build.port === 'left-back')).toBe(true);
    expect(Job.safeParse(moved).success).toBe(true);
    expect(verdict(moved)).toMatchObject({ answer: 'not proven', claims: [{ right: { answer: 'as forecast' }, forecast: { frozen: { id: 'forecast-1' } } }, { right: { answer: 'as forecast' } }] });
  });
  test('better known figures of the same parts leave them as they are', () => {
    const known = rebuild(offload, { build: { ...offload.build!, drive: { ...offload.build!.drive, cache: { value: 100e9, source: { kind: 'entered' } } } } });
    expect(known.runs).toBe(offload.runs);
    expect(known.build!.drive.cache.value).toBe(100e9);
  });
});

describe('stages', () => {
  const fine = { blocked: false, unmet: false };
  test('each stage names the next action; the job opens where something is to be done', () => {
    expect(stages(offload, fine).map((s) => s.state)).toEqual(['done', 'done', 'done', 'done', 'open', 'open']);
    expect(nextStage(stages(offload, fine)).stage).toBe('verdict');
    expect(nextStage(stages(scans, fine)).stage).toBe('path');
    expect(nextStage(stages({ ...scans, activities: [] }, fine)).stage).toBe('brief');
    expect(nextStage(stages({ ...offload, decision: { kind: 'accept', words: '', at: offload.changed } }, fine)).stage).toBe('handover');
  });
  test('a change after freezing, a blocked path and a missed wish ask for attention', () => {
    const state = (job: Job, stage: string, trouble = fine) => stages(job, trouble).find((s) => s.stage === stage)!.state;
    expect(state({ ...offload, activities: offload.activities.slice(1) }, 'forecast')).toBe('attention');
    expect(state(offload, 'path', { blocked: true, unmet: false })).toBe('attention');
    expect(state(offload, 'verdict', { blocked: false, unmet: true })).toBe('attention');
  });
});
