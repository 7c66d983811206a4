import { factWords, middle } from '../../evidence';
import { layoutOf } from '../../forecast';
import { deadPorts } from '../../fit';
import { dataMembers, layoutWords, survives } from '../../assembly';
import { holdsData, isExternal, lacking } from '../../models';
import { fittingOf, type Job, type JobDevice } from '../../job';
import { oldDriveLine } from '../olddrive';
import { nameOf } from '../../catalog/parts';
import { format, moneyWords } from '../../units';
import { befallenSaid } from '../../statements';
import { type Wording, type DocumentBlock, type Section, textBlock, section, headed } from '../block';

/** A name in the run of a sentence: small at its start, unless it has capitals of its own. */
const midSentence = (name: string): string => (/\p{Lu}/u.test(name.slice(1)) ? name : name.toLowerCase());

/** What else was on the table when it was chosen, and why this. */
export function offered({ choices = [], devices }: Job): Section {
  const blocks = devices.flatMap(({ id }): DocumentBlock[] => {
    const taken = choices.findLast(({ device }) => device === id);
    if (!taken) return [];
    const money = taken.taken.cost === null ? '' : `, ${moneyWords(taken.taken.cost, taken.currency)}`;
    const others = taken.beside.filter(({ words }) => words !== taken.taken.words);
    return [
      textBlock(`Chosen on ${taken.at.slice(0, 10)}: ${taken.taken.words}${money}.`, taken.reason),
      ...(others.length > 0
        ? [
            textBlock('What else was looked at:'),
            {
              kind: 'list' as const,
              items: others.map(({ words, cost, why }) => `${words}: ${cost}${why ? `. ${why}` : ''}`),
            },
          ]
        : []),
    ];
  });
  return section('Why this one', blocks);
}

/** What happens when a drive of several fails, how one notices, and what to do. */
export function ifOneFails(job: Job, device: JobDevice): Section {
  const layout = device.parts && layoutOf(device.parts);
  const heading = headed(job, 'If a drive fails', device);
  if (!layout) return section(heading, []);
  const many = survives(layout);
  const items =
    many === 0
      ? [
          'All of it is lost, whichever drive it is: what matters must be on something else too.',
          'Several drives fail sooner than one.',
        ]
      : [
          `Nothing is lost: ${many === 1 ? 'one' : String(many)} may fail. It goes on, slower, and the next fault may be one too many.`,
          'A light, a sound or a message says so. Look at it once a week; one that is overlooked is how such arrays are lost.',
          'Pull nothing out. Note which bay it is, order the same drive or a larger one, and change that one alone: the others stay where they are.',
          'While it rebuilds, which takes hours to a day, copy off what matters first and work as little as you can.',
        ];
  return section(heading, [{ kind: 'list', items }]);
}

/** The copies that are planned, and what they lack of the usual rule. */
export function copiesOf(job: Job, device: JobDevice): Section {
  const { copies = [], onlyCopy } = device.needs ?? {};
  const heading = headed(job, 'Copies of the data', device);
  if (copies.length === 0)
    return section(
      heading,
      onlyCopy
        ? [textBlock('This is the only copy: whatever happens to it, the data are gone. Plan a second one.')]
        : [],
    );
  const lack = lacking(copies);
  const words = copies.map(
    ({ name, offSite, holds }) =>
      `${name}, ${offSite ? 'elsewhere' : 'here'}${holds && !holdsData({ holds }) ? `, ${holds}: it does not count` : ''}`,
  );
  return section(heading, [
    { kind: 'list', items: words },
    textBlock(
      lack.length === 0
        ? 'That keeps the usual rule: three copies, on two kinds of media, one of them elsewhere.'
        : `What is missing: ${lack.join(' ')}`,
    ),
  ]);
}

const BOX = { enclosure: 'Enclosure', dock: 'Dock', adapter: 'Adapter' } as const;

export const nothing: Section = section('What was fitted', [textBlock('Nothing has been chosen yet.')]);

/** The parts of a device, and where it is plugged in on each of its machines. */
export function fittedSection(job: Job, device: JobDevice): Section {
  const heading = headed(job, 'What was fitted', device);
  if (!device.parts) return section(heading, nothing.blocks);
  const { drive, bridge, together = 1, accessories = [] } = device.parts;
  const capacity = factWords(drive.capacity, 'B');
  const items = [
    `Drive: ${drive.maker} ${drive.model}${drive.model.includes(capacity) ? '' : `, ${capacity}`}`,
  ];
  const layout = layoutOf(device.parts);
  if (together > 1) items[0] = `${together} drives: ${drive.maker} ${drive.model}, ${capacity} each`;
  if (layout) {
    const size = middle(drive.capacity);
    const holds = size === null ? '' : `, ${format(size * dataMembers(layout), 'B')} for data`;
    items.push(`Put together as ${layoutWords(layout)}${holds}`);
  }
  if (drive.revision) items[0] += `, revision ${drive.revision}`;
  if (bridge) items.push(`${BOX[bridge.kind]}: ${nameOf(bridge)}`);
  const connections = job.connections.filter((c) => c.device === device.id);
  for (const { machine, cable, hops = [], port } of connections) {
    const { host } = job.machines.find((m) => m.id === machine)!;
    const lead = cable && `Cable: ${cable.name}, ${cable.length} m`;
    // One cable serves wherever it fits.
    if (lead && !items.includes(lead)) items.push(lead);
    for (const { hub, port: at, cable: up } of hops) {
      const position = hub.ports.find((p) => p.id === at)?.position ?? at;
      items.push(`Through: ${nameOf(hub)}, ${position}, with ${up.name}`);
    }
    const at = host.ports.find((p) => p.id === port);
    if (at)
      items.push(
        ...deadPorts({ port: at, host }).map(
          (dead) => `Leave ${dead} empty: it is dead while ${at.position} is in use.`,
        ),
        isExternal(device.parts)
          ? `Plug it in here: ${at.position} of the ${midSentence(host.name)}. Another port that looks the same may be slower.`
          : `It sits inside the ${midSentence(host.name)}: ${at.position}.`,
      );
  }
  if (accessories.length > 0) items.push(`Small parts: ${accessories.map(nameOf).join(', ')}`);
  return section(heading, [{ kind: 'list', items: [...items, ...unitOf(job, device)] }]);
}

/** The unit itself: its serial number, its file system, when it was bought. */
function unitOf(job: Job, device: JobDevice): Wording[] {
  const { id, needs } = device;
  const fitting = fittingOf(job, id);
  const { serial, bought, warrantyUntil } = fitting ?? {};
  const { fileSystem, table: partitions, shorterLife } = needs ?? {};
  const old = oldDriveLine(job, device);
  // What was ticked says what was really done.
  const done = ['partition', 'file-system', 'format', 'encrypt'].flatMap((step) => {
    const mark = fitting?.steps.find((s) => s.id === step);
    return mark?.said && mark.skipped === undefined ? [mark.said] : [];
  });
  return [
    ...(serial ? [`Serial number: ${serial}`] : []),
    ...done,
    ...(fileSystem && done.length === 0
      ? [`File system: ${fileSystem}${partitions ? `, ${partitions} partition table` : ''}`]
      : []),
    ...(bought ? [`Bought: ${bought}`] : []),
    ...(shorterLife ? [`May wear out before its service life is over: ${shorterLife}`] : []),
    ...(old === null ? [] : [old]),
    ...(warrantyUntil ? [`Warranty until ${warrantyUntil}`] : []),
    ...befallenSaid(id, fitting ?? {}).log.flatMap(({ entry }) => entry ?? []),
  ];
}
