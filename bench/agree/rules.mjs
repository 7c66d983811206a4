/*
 * What must hold of a job wherever it is told, worked out here anew from the job itself: each rule once was broken, on some page, by some job.
 * A rule gets the doors of the core, a job with all that is made of it, and a way to say what is wrong.
 */

const near = (a, b, by = 1e-6) => Math.abs(a - b) <= by * Math.max(Math.abs(a), Math.abs(b), 1e-12);
const middleOf = (value) => (Array.isArray(value) ? value[1] : value);

/** A run that was made as it is built, for somebody's own work. */
const counts = (run) =>
  run.ended === 'done' &&
  run.source !== 'simulated' &&
  !run.excluded &&
  run.conditions.look === undefined &&
  !run.conditions.memoryBacked;

export const RULES = {
  'a run of a cause’s test is none of the protocol'({ job, protocol }, fault) {
    for (const test of protocol.tests.filter(({ activity }) => activity)) {
      const made = job.runs.filter(
        (r) => counts(r) && r.activity === test.activity.id && r.measure.kind === 'timed',
      ).length;
      if (test.done > made) fault(`${test.id}: ${test.done} runs done, ${made} were made as it is built`);
    }
  },
  'what was before is the mean of the runs as it was built'({ job, text }, fault, core) {
    for (const { at } of job.found ?? [])
      for (const activity of job.activities) {
        const had = job.runs.filter(
          (r) =>
            r.activity === activity.id &&
            r.excluded &&
            r.at <= at &&
            r.ended === 'done' &&
            r.conditions.look === undefined &&
            r.measure.kind === 'timed' &&
            r.source !== 'simulated',
        );
        const said = new RegExp(`${activity.name}: ([^.]*(?:\\.\\d+ s)?) before, `).exec(text)?.[1];
        // Runs at another warmth, or of another size, are not taken together.
        const isUnlike = (r) =>
          r.conditions.temperature !== null ||
          r.measure.bytes !== had[0].measure.bytes ||
          r.measure.files !== had[0].measure.files;
        if (!said || had.length === 0 || had.some(isUnlike)) continue;
        const mean = core.units.format(had.reduce((sum, r) => sum + r.measure.seconds, 0) / had.length, 's');
        if (said !== mean) fault(`${activity.name}: “${said} before”, its runs say ${mean}`);
      }
  },
  'a service life that ends before the writes do is not covered, and the other way round'({ rooms }, fault) {
    for (const { situation, sheet } of rooms) {
      const wanted = middleOf(situation.serviceYears?.value ?? null);
      const { lasting } = sheet ?? {};
      if (!lasting || wanted === null || lasting.covers === null) continue;
      const covers = lasting.years.low >= wanted ? 'yes' : lasting.years.high < wanted ? 'no' : 'perhaps';
      if (lasting.covers !== covers)
        fault(`${lasting.years.low} to ${lasting.years.high} years for ${wanted}: “${lasting.coversWords}”`);
    }
  },
  'a used drive is told by what is left of it'({ rooms }, fault) {
    for (const { situation, sheet } of rooms) {
      const { life, lasting } = sheet ?? {};
      if (
        lasting &&
        situation.needs.counters?.length &&
        life.left &&
        !situation.build.array &&
        !near(lasting.years.expected, life.left.expected)
      )
        fault(`${life.left.expected} years are left, ${lasting.years.expected} are told`);
    }
  },
  'of several drives each for itself a figure of one says so'({ rooms }, fault) {
    for (const { situation, sheet } of rooms)
      if (
        sheet?.lasting &&
        (situation.build.together ?? 1) > 1 &&
        !/each of \d|one of the \d/.test(sheet.lasting.after)
      )
        fault(`“${sheet.lasting.after}”`);
  },
  'what the verdict calls short or better the causes do not call sound'({ found, diagnosis }, fault, core) {
    const odd = found.claims.filter(
      (c) =>
        ['short', 'better'].includes(c.right.answer) && c.forecast?.time && c.measured?.time && !c.simulated,
    );
    const healthy = diagnosis?.causes?.find(({ id }) => id === 'healthy');
    for (const { measured, forecast, right } of odd) {
      const [time, told] = [measured.time, forecast.time];
      // The ends of the range, and what the models leave out, together.
      const by = (end) => Math.hypot(Math.log(end / told.expected), 1.645 * core.verdict.MODEL_SIGMA);
      const [low, high] = [told.expected * Math.exp(-by(told.low)), told.expected * Math.exp(by(told.high))];
      if (time.high > low * 1.001 && time.low < high * 0.999)
        fault(`“${right.words}”, by less than the models can tell`);
    }
    if (healthy && odd.length > 0 && healthy.probability > 0.98)
      fault(`“${odd[0].right.words}” beside sound, ${healthy.probability}`);
  },
  'a run is held against the newest forecast that was frozen before it'({ job, found }, fault) {
    const [first] = job.forecasts;
    if (!first) return;
    for (const { measured, activity, forecast, simulated } of found.claims) {
      if (!measured || simulated || !activity || measured.runs.some((r) => r.at <= first.at)) continue;
      if (first.results.some((r) => r.activity === activity.id) && !forecast?.frozen)
        fault(`${activity.name}: frozen before its runs, and held against nothing frozen`);
      const newest = job.forecasts.filter((f) => measured.runs.every((r) => r.at > f.at)).at(-1);
      if (forecast?.frozen && newest && forecast.frozen.at > newest.at)
        fault(`${activity.name}: held against what was frozen afterwards`);
    }
  },
  'contents are moved over as the largest copy of the brief is'({ rooms }, fault, core) {
    for (const { situation, sheet } of rooms) {
      const [largest] = (sheet?.activities ?? [])
        .filter(
          ({ activity: a }) =>
            a.kind === 'move' &&
            a.direction === 'write' &&
            middleOf(a.bytes.value) &&
            middleOf(a.files.value),
        )
        .sort((a, b) => middleOf(b.activity.bytes.value) - middleOf(a.activity.bytes.value));
      if (!largest || situation.elsewhere?.length) continue;
      const { bytes: size, files, endpoint, besides } = largest.activity;
      if (typeof size.value !== 'number' || typeof files.value !== 'number' || endpoint || besides) continue;
      const { bytes, verify = false } = largest.activity;
      const moved = core.forecast.contentsOn(situation, bytes.value, verify);
      // What stays on it already, and how much a copy adds, may differ: the count of files may not.
      if (moved && !near(moved.expected, largest.figure.expected, 0.35))
        fault(`${largest.activity.name}: ${largest.figure.expected} s, as contents ${moved.expected} s`);
    }
  },
  'a format ends where its checkpoints say, and what follows begins then'({ rooms }, fault) {
    for (const { situation, sheet } of rooms) {
      const pass = situation.pass;
      const [first, second] = sheet?.tasks ?? [];
      if (!pass || !first || first.activity !== null) continue;
      if (!near(first.takes.expected, sheet.format.expected))
        fault(`the format takes ${first.takes.expected} s, told are ${sheet.format.expected}`);
      const [last] = pass.checkpoints.slice(-1);
      const spent = (Date.parse(pass.ended ?? last?.at) - Date.parse(pass.started)) / 1000;
      if (Number.isFinite(spent) && first.takes.high < spent * 0.999)
        fault(`the format is over after ${first.takes.high} s, and goes on after ${spent}`);
      if (pass.ended && !near(first.takes.expected, spent, 1e-3))
        fault(`the format took ${spent} s, told are ${first.takes.expected}`);
      if (second && !near(second.done.expected, first.done.expected + second.takes.expected, 1e-3))
        fault('what follows the format does not begin when it ends');
    }
  },
  'no part of the strip passes more than its rows allow, and the narrowest is where the least passes'(
    { rooms },
    fault,
    core,
  ) {
    for (const { path } of rooms)
      for (const d of ['read', 'write']) {
        if (!path.flow) continue;
        for (const { id, passes, constraints } of path.segments) {
          const rows = path.constraints
            .filter((c) => constraints.includes(c.id))
            .map((c) => c.rate[d].expected);
          if (passes[d] > Math.min(...rows) * 1.0001)
            fault(`${id} passes ${passes[d]}, its rows ${Math.min(...rows)}`);
        }
        const least = Math.min(...path.constraints.map((c) => c.rate[d].expected));
        if (!near(path.flow[d].expected, least))
          fault(`flow ${path.flow[d].expected}, the slowest row ${least}`);
        const narrow = path.segments.filter((s) => core.assembly.isNarrow(s, path.bottleneck[d]));
        // Of a link whoever holds it down may stand there.
        const slowest = path.constraints.filter((c) => near(c.rate[d].expected, least));
        const isThere = (s) => slowest.some((c) => c.link || s.constraints.includes(c.id));
        if (!narrow.some(isThere))
          fault(`the narrowest is told at ${narrow.map((s) => s.id).join()}, where more passes`);
      }
  },
  'the protocol tells the time of what it moves, and of the runs that there are'({ job, protocol }, fault) {
    for (const test of protocol.tests) {
      if (!test.activity || test.bytes === null || test.seconds === null) continue;
      const had = job.runs.filter(
        (r) => counts(r) && r.activity === test.activity.id && r.measure.kind === 'timed',
      );
      if (had.length === 0) continue;
      const mean =
        had.reduce((sum, r) => sum + r.measure.seconds * (test.bytes / r.measure.bytes), 0) / had.length;
      // A rest between runs comes on top.
      if (test.seconds < mean * 0.999 || test.seconds > mean * 1.001 + 181)
        fault(`${test.id}: ${test.seconds} s told, ${mean} s were taken`);
    }
  },
  'larger than the cache is told only of what is'({ rooms, protocol }, fault) {
    for (const test of protocol.tests) {
      const room = rooms.find(({ place }) => place.device === test.place.device);
      const { media, cache } = room?.situation.build.drive ?? {};
      const most = Array.isArray(cache?.value) ? cache.value[2] : cache?.value;
      if (
        media === 'flash' &&
        test.direction === 'write' &&
        test.minds.some(({ id }) => id === 'above cache and memory') &&
        !(most != null && test.bytes > most)
      )
        fault(`${test.id}: ${test.bytes} B, its cache ${most}`);
    }
  },
  'after a decision nothing asks why'({ job, stages }, fault) {
    const { decision } = job;
    if (!decision || job.runs.some((r) => r.at > decision.at)) return;
    const { state, next } = stages.find(({ stage }) => stage === 'verdict');
    if (job.runs.some((r) => r.ended === 'done' && !r.excluded) && state !== 'done')
      fault(`decided, and “${next}”`);
  },
  'set up is what was ticked'({ job, stages }, fault) {
    const built = job.devices.filter((d) => d.parts);
    const whole =
      built.length > 0 && built.every(({ id }) => job.fittings?.some((f) => f.device === id && f.complete));
    const isGoing = job.fittings?.some((f) => f.format && f.format.ended === undefined) ?? false;
    if ((stages.find(({ stage }) => stage === 'setup').state === 'done') !== (whole && !isGoing))
      fault('set-up is told done by something else than its checklist');
  },
  'an activity that says nothing is no brief'({ job, stages }, fault) {
    const says = job.activities.some((a) =>
      Object.entries(a).some(([key, of]) => key !== 'perDay' && of?.value != null),
    );
    if (job.machines.length > 0 && (stages.find(({ stage }) => stage === 'brief').state === 'done') !== says)
      fault('the brief is told done by an empty activity, or open by a full one');
  },
  'who meets the targets names what nobody measured'({ job, found }, fault) {
    if (found.answer !== 'meets') return;
    const left = job.activities
      .filter(
        (a) => a.kind === 'stream' || (['move', 'open', 'scratch'].includes(a.kind) && a.target !== null),
      )
      .filter(
        (a) =>
          !found.claims.some(
            (c) =>
              c.activity?.id === a.id &&
              c.measured &&
              !c.simulated &&
              c.measured.runs[0].conditions.look === undefined,
          ),
      );
    for (const { name } of left)
      if (!found.words.includes(name)) fault(`“${found.words}”, and ${name} was never measured`);
  },
  'a tick falls where its step says something else'({ job, rooms }, fault, core) {
    for (const { situation, place } of rooms) {
      const fitting = job.fittings?.find((f) => f.device === place.device);
      if (!fitting) continue;
      const [step] = core.fitting.checklist(situation);
      const ticked = { ...fitting, steps: [{ id: step.id, at: job.changed, said: 'what it said before' }] };
      if (core.fitting.tickOf(step, ticked).mark) fault(`${step.id} stays ticked`);
    }
  },
};
