import type { Diagnosis } from '../diagnosis';
import type { Job } from '../job';
import { gainSaid, groupsSaid, payingSaid, type Paying } from '../statements';
import { calendarDay, moneyWords } from '../units';
import type { Verdict } from '../verdict';
import { listBlock, section, textBlock, type HandoverDocument, type Section } from './block';
import { health } from './sections/lasting';
import { measurements } from './sections/measured';
import { evidence, looksSection } from './sections/shop';

/** A section of the shop's copy that whoever takes it back has to read too. */
const shared = (of: Section): Section => ({ ...of, shopOnly: false });

/** What is sent back, and by what right. */
function sent(job: Job, { part, device, payer, until }: Paying): Section {
  const { serial, bought, paid } = job.fittings?.find((one) => one.device === device?.id) ?? {};
  const by = { seller: 'Can go back until', maker: 'Under warranty until' }[payer as 'seller' | 'maker'];
  return section('What is sent back', [
    listBlock([
      part,
      `Serial number: ${serial ?? 'not noted'}`,
      `Bought: ${bought === undefined ? 'not noted' : calendarDay(bought)}${paid ? `, ${moneyWords(paid.amount, paid.currency)}` : ''}`,
      by && until !== null ? `${by} ${calendarDay(until)}` : null,
    ]),
  ]);
}

/** What is at fault, as surely as the measurements tell, and what is lost by it. */
function wrong(found: Diagnosis): Section {
  const [group] = groupsSaid(found);
  const { gain } = gainSaid(found);
  return section('What is wrong', [
    ...(group?.causes ?? []).map(({ title, share }) =>
      textBlock(`${title}:`, share, 'probable by what follows.'),
    ),
    ...(gain ? [textBlock(gain)] : []),
  ]);
}

/**
 * A letter to whoever takes a part back: what it is, what is wrong, the measurements that say so, what is asked.
 * @param paying who pays, and for which part
 * @param on the day, ISO
 */
export function returnLetter(
  job: Job,
  found: Verdict,
  causes: Diagnosis,
  paying: Paying,
  on: string,
): HandoverDocument {
  const { pays } = payingSaid(job, paying);
  const sections = [
    sent(job, paying),
    wrong(causes),
    measurements(job, found),
    shared(looksSection(job)),
    ...(paying.device ? [health(job, paying.device)] : []),
    shared(evidence(job, found)),
    section('What is asked', [
      textBlock('Another of the same model without the fault, or the money back.', pays),
      listBlock(['Answer by: ______________', 'Name and signature: ______________________________']),
    ]),
    section('Before it is sent', [
      listBlock([
        '☐ What is on it was copied off, and the copy was read back.',
        '☐ It was wiped. If it can no longer be written: ask that it is destroyed and not passed on.',
        '☐ Packed as its maker asks, with the number of this return on the outside.',
      ]),
    ]),
  ];
  return {
    title: `Return: ${paying.part ?? job.title}`,
    line: [job.title, calendarDay(on)].join(' · '),
    sections: sections.filter(({ blocks }) => blocks.length > 0),
  };
}
