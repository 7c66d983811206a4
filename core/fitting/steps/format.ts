import { fileSystemFor } from '../../fit';
import { isMove } from '../../job';
import { middle } from '../../evidence';
import { format } from '../../units';
import type { StepFacts, FittingStep } from '../step';

/** End of what 2³² sectors of 512 B address [standard UEFI, MBR]. */
const MBR_END = 2 ** 32 * 512;

/** The partition table a drive gets, and why. */
function tableFor({ size, needs, system, host }: StepFacts): { table: 'GPT' | 'MBR'; why: string } {
  if (needs.table) return { table: needs.table, why: 'the brief asks for it' };
  if (size !== null && size > MBR_END)
    return {
      table: 'GPT',
      why: `MBR ends at ${format(MBR_END, 'B', 4)} and the drive has ${format(size, 'B', 4)}`,
    };
  if (needs.bootDrive && host.firmware === 'BIOS')
    return { table: 'MBR', why: `${host.name} starts by BIOS, which reads MBR` };
  return {
    table: 'GPT',
    why:
      system?.family === 'own'
        ? 'unless the machine formats it itself'
        : 'every current system reads it, and it keeps a second copy of itself',
  };
}

/** B of a file's smallest piece: large files and few of them want large ones [practice]. */
function allocationFor({ activities }: StepFacts): { unit: number | null; why: string } {
  const sizes = activities.flatMap((a) => {
    if (!isMove(a)) return [];
    const [bytes, files] = [middle(a.bytes), middle(a.files)];
    return bytes !== null && files !== null && files > 0 ? [bytes / files] : [];
  });
  const smallest = Math.min(...sizes);
  if (sizes.length === 0 || !Number.isFinite(smallest))
    return { unit: null, why: 'as the system proposes it' };
  if (smallest < 64e3)
    return {
      unit: 4096,
      why: `files of about ${format(smallest, 'B', 2)} would waste more than they hold in larger ones`,
    };
  if (smallest < 4e6) return { unit: null, why: 'as the system proposes it' };
  return {
    unit: 131072,
    why: `files of about ${format(smallest, 'B', 2)}: fewer pieces, less to keep account of`,
  };
}

/** Whether it gets a full format, and why. */
function passFor({ disk, needs }: StepFacts): { full: boolean; why: string } {
  const isCopy = needs.role === 'archive' || needs.role === 'backup' || needs.onlyCopy === true;
  if (needs.formatFirst)
    return { full: true, why: 'the brief asks for it: it finds bad sectors, and is a day’s burn-in' };
  if (disk && isCopy)
    return {
      full: true,
      why: 'it will hold a copy that counts: a full one finds bad sectors and runs it in. Overnight',
    };
  return {
    full: false,
    why: disk
      ? 'what is on it is elsewhere too: a quick one saves a day'
      : 'a full pass finds nothing on flash and costs its rating',
  };
}

const isOwn = ({ system }: StepFacts): boolean => system?.family === 'own';
/** What formats the drive by itself: the machine, or a recorder that it goes into besides. */
const ownDevice = (b: StepFacts): string => (isOwn(b) ? b.host.name : 'The device it goes into');

/** Making it ready to be written to. */
export const FORMAT: readonly FittingStep[] = [
  {
    id: 'right-one',
    minutes: 2,
    phase: 'format',
    when: () => true,
    title: 'Stop: is this the right drive?',
    how: (b) =>
      `Compare size (${b.size === null ? 'as on its label' : format(b.size, 'B', 4)}) and serial number with what the system is about to erase.`,
    caution: 'Formatting destroys what is there. Ask whoever owns it, out loud.',
  },
  {
    id: 'formats-itself',
    minutes: 4,
    phase: 'format',
    when: (b) => b.formatsItself,
    title: (b) => `${ownDevice(b)} formats it: let it`,
    how: (b) =>
      'It asks at its first start and makes its own partitions and file system. Nothing is done on a computer before' +
      (isOwn(b)
        ? ', and the computer does not read it afterwards.'
        : `; look afterwards whether ${b.host.name} reads it.`),
    caution: 'It erases whatever is on it, without asking twice.',
  },
  {
    id: 'partition',
    minutes: 2,
    phase: 'format',
    when: (b) => !b.formatsItself,
    title: (b) => `Partition table: ${tableFor(b).table}`,
    how: (b) =>
      `Because ${tableFor(b).why}. One partition, begun at 1 MiB, over ${
        b.disk || b.bridge?.trim !== false
          ? 'all of it'
          : `four fifths of it: ${b.bridge.model} does not pass TRIM, and room the drive is never told about keeps its writing fast`
      }.`,
  },
  {
    id: 'file-system',
    minutes: 1,
    phase: 'format',
    when: (b) => !b.formatsItself,
    title: (b) => `File system: ${fileSystemFor(b).name ?? 'to be settled'}`,
    how: (b) => {
      const { unit, why } = allocationFor(b);
      return `Because ${fileSystemFor(b).why}. Allocation unit ${unit === null ? why : `${format(unit / 1024, 'count')} KiB: ${why}`}.`;
    },
  },
  {
    id: 'format',
    minutes: 2,
    phase: 'format',
    when: (b) => !b.formatsItself,
    title: (b) => (passFor(b).full ? 'Full format' : 'Quick format'),
    how: (b) => `Because ${passFor(b).why}.`,
  },
  {
    id: 'encrypt',
    minutes: 6,
    phase: 'format',
    when: (b) => b.needs.portable === true && !b.formatsItself,
    title: 'Settle whether it is encrypted, now',
    how:
      'What is carried gets lost. By the system’s own encryption, before data is on it; the recovery key written down twice, ' +
      'neither beside the drive, and tried once.',
    caution:
      'Without its key nobody gets at the data, no shop either. Time it afterwards: an older processor slows down by it.',
  },
];
