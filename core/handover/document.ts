import type { OwnRanges } from '../catalog/assumptions';
import { machineNames, type Job } from '../job';
import type { Verdict } from '../verdict';
import type { HandoverDocument } from './block';
import { note, promise, work } from './sections/asked';
import { copiesOf, fittedSection, ifOneFails, nothing, offered } from './sections/chosen';
import { care, comeBack, health, lifeSection } from './sections/lasting';
import { decision, measurements, troubles } from './sections/measured';
import { evidence, known, looksSection, onTheBench } from './sections/shop';

/**
 * The document handed over with a job: what was fitted, why, what was promised, how it measured, how to look after it.
 * Plain for the customer; the sections marked `shopOnly` hold the evidence for the shop's own copy.
 * @param shopRanges the shop's own ranges in place of what is assumed
 */
export function handover(job: Job, found: Verdict, shopRanges: OwnRanges = {}): HandoverDocument {
  const sections = [
    work(job),
    ...(job.devices.length > 0 ? job.devices.map((device) => fittedSection(job, device)) : [nothing]),
    offered(job),
    note(job),
    promise(job, found),
    measurements(job, found),
    troubles(job, found),
    looksSection(job),
    decision(job, found),
    ...job.devices.map((device) => ifOneFails(job, device)),
    ...job.devices.map((device) => copiesOf(job, device)),
    ...job.devices.map((device) => lifeSection(job, device, shopRanges)),
    ...job.devices.map((device) => health(job, device)),
    care(job),
    comeBack(job, found),
    onTheBench(found),
    known(job, shopRanges),
    evidence(job, found),
  ];
  return {
    title: job.title,
    line: [job.customer, job.contact, machineNames(job), `as of ${job.changed.slice(0, 10)}`]
      .filter(Boolean)
      .join(' · '),
    sections: sections.filter((s) => s.blocks.length > 0),
  };
}
