import { isAsked, type Job, type Run } from '../../job';
import { format } from '../../units';
import {
  compareLoadTimes,
  feltSaid,
  judgedSaid,
  measuredSaid,
  briefSaid,
  verdictSaid,
} from '../../statements';
import { lastMeasured, type Verdict } from '../../verdict';
import { type Section, textBlock, tableBlock, section, whereOf, byWords, isTheirs } from '../block';

const DECIDED = {
  accept: 'Accepted',
  change: 'To be changed',
  retest: 'To be measured again',
  return: 'Goes back',
} as const;

/** Where a run was made: machine and port. */
function portOf(job: Job, { path }: Run): string {
  if (!path) return 'not described';
  if (!('machine' in path)) return `${path.host.name}, elsewhere`;
  const connection = job.connections.find((c) => c.machine === path.machine && c.device === path.device);
  const host = job.machines.find((m) => m.id === path.machine)?.host;
  const port = host?.ports.find((p) => p.id === connection?.port);
  return [whereOf(job, path), port?.position].filter(Boolean).join(', ');
}

/** The customer's own work: where it was measured, what came out against what was wanted, said openly. */
export function measurements(job: Job, { claims }: Verdict): Section {
  const theirs = claims.filter((c) => c.measured && isTheirs(c));
  const rows = theirs.map((claim) => {
    const { middle: came = '', runs = '' } = measuredSaid(claim);
    const wanted = claim.activity!.target === null ? '' : (briefSaid(claim.activity!).target ?? '');
    return [
      claim.title,
      portOf(job, claim.measured!.runs[0]!),
      runs,
      came,
      wanted,
      judgedSaid(claim).target ?? '',
    ];
  });
  const short = theirs.filter((c) => c.target && c.target.answer !== 'yes');
  const missing = job.activities.filter(
    (a) => isAsked(a) && a.target !== null && !theirs.some((c) => c.activity!.id === a.id),
  );
  return section(
    'How it measured',
    rows.length > 0
      ? [
          tableBlock(
            ['Activity', 'Where', 'Runs', 'Measured', 'Wanted', 'Met?'],
            [false, false, true, true, true, false],
            rows,
          ),
          ...short.map((claim) =>
            textBlock(
              `${claim.title}: ${claim.target!.answer === 'no' ? 'not met' : 'not proven'}.`,
              judgedSaid(claim).because,
            ),
          ),
          ...theirs.flatMap((claim) =>
            claim.today ? [textBlock(`${claim.title}:`, judgedSaid(claim).today)] : [],
          ),
          ...theirs.flatMap((claim) => {
            const { processing } = judgedSaid(claim);
            return processing ? [textBlock(`${claim.title}:`, processing)] : [];
          }),
          ...compareLoadTimes(job, claims).map((one, i) => {
            const { noticed, by } = feltSaid(one, i);
            return textBlock(noticed, by);
          }),
          ...missing.map(({ name }) => textBlock(`${name}: not measured.`)),
        ]
      : [textBlock('Nothing has been measured yet.')],
  );
}

/** What was wrong on the way, and what put it right. */
export function troubles(job: Job, { claims }: Verdict): Section {
  const { found = [] } = job;
  const blocks = found.map(({ title, fix, at }, i) => {
    const until = found[i + 1]?.at ?? '9999';
    const lines = job.activities.flatMap((a) => {
      const own = job.runs.filter((r) => r.activity === a.id && r.source !== 'simulated');
      // As it was built then, and as it was last measured: what was changed to find the cause is another thing.
      const asBuilt = own.filter((r) => r.excluded && r.at <= at && r.conditions.look === undefined);
      const before = lastMeasured(asBuilt)?.time;
      const since = claims.find(
        (c) =>
          c.activity?.id === a.id && isTheirs(c) && c.measured?.runs.some((r) => r.at > at && r.at < until),
      )?.measured?.time;
      if (!before || !since) return [];
      return [`${a.name}: ${format(before.expected, 's')} before, ${format(since.expected, 's')} since.`];
    });
    return textBlock([`${at.slice(0, 10)}: ${title}.`, fix, ...lines].join(' '));
  });
  return section('What was wrong and put right', blocks);
}

export function decision(job: Job, found: Verdict): Section {
  return section('Verdict', [
    textBlock(verdictSaid(found).words),
    ...found.doubts.map((words) => textBlock(`Not as it was kept: ${words}`)),
    ...(job.decision
      ? [
          textBlock(
            `${DECIDED[job.decision.kind]} on ${job.decision.at.slice(0, 10)}${byWords(job.decision)}.${job.decision.words ? ` ${job.decision.words}` : ''}`,
          ),
        ]
      : []),
  ]);
}
