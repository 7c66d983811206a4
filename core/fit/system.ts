import { middle } from '../evidence';
import { format } from '../units';
import { versionNumber } from '../catalog/parts';
import { ARRAY_NAMES, levelsBySystem } from '../assembly';
import { familiesOf } from './facts';
import { FILE_SYSTEMS, fileSystemFor, NVME_FROM, OWN_OF } from './filesystem';
import type { Rule } from './rule';
import type { Facts } from './facts';

/** End of what 2³² sectors of 512 B address [standard UEFI, MBR]: 2.199 TB; with sectors of 4,096 B eight times that. */
const MBR_END = 2 ** 32 * 512;
const MBR_END_4K = 2 ** 32 * 4096;
const size = (value: number) => format(value, 'B', 4);
const large = (f: Facts) => f.capacity !== null && f.capacity > MBR_END;
const sector = (f: Facts) => f.bridge?.sector ?? 512;
const families = (f: Facts) => familiesOf(f.host, f.needs);
const fs = (f: Facts) => (f.needs.fileSystem ? FILE_SYSTEMS[f.needs.fileSystem] : null);
const named = (list: readonly string[]) =>
  list.map((s) => (s === 'own' ? 'the host’s own system' : s)).join(', ');
const cannotRead = (f: Facts) =>
  families(f).filter((s) => fs(f) && !fs(f)!.writes.includes(s) && !fs(f)!.reads.includes(s));
const readsOnly = (f: Facts) => families(f).filter((s) => fs(f)?.reads.includes(s));
const largestFile = (f: Facts) => middle(f.needs.largestFile);
const copyRoles = (f: Facts) =>
  f.needs.role === 'archive' || f.needs.role === 'backup' || f.needs.onlyCopy === true;
const version = (f: Facts) => versionNumber(f.system?.version);
const nvmeFrom = (f: Facts) => (f.system ? NVME_FROM[f.system.family] : undefined);
const nvmeSeen = (f: Facts) => f.nvme && !f.external;

/** Will it be seen, started from, and read by who must read it? */
export const SYSTEM: Rule[] = [
  {
    id: 'enclosure-2-2-tb',
    severity: 'blocks',
    segment: 'bridge',
    title: 'The enclosure stops at 2.2 TB',
    when: (f) => large(f) && f.bridge?.large === false,
    reason: (f) =>
      `${f.bridge!.model} counts sectors in 32 bits: of ${size(f.capacity!)} it shows ${size(MBR_END)} at most, or nothing that holds.`,
    fix: 'Take an enclosure made for large drives, or a drive of 2 TB.',
  },
  {
    id: 'enclosure-2-2-tb-unknown',
    severity: 'caution',
    segment: 'bridge',
    title: 'Whether the enclosure takes more than 2.2 TB is not known',
    when: (f) => large(f) && f.bridge !== null && !f.bridge.passThrough && f.bridge.large === undefined,
    reason: (f) =>
      `${size(f.capacity!)} behind ${f.bridge!.model}: old chips end at 2.2 TB, and its sheet does not say.`,
    fix: 'Ask the maker, or look at the size the system shows before anything is written.',
  },
  {
    id: 'sector-4096',
    severity: 'caution',
    segment: 'bridge',
    title: 'Readable in this enclosure only',
    when: (f) => sector(f) === 4096 && (f.capacity ?? 0) <= MBR_END_4K,
    reason: (f) =>
      `${f.bridge!.model} shows sectors of 4,096 B: the same disk in another enclosure, or inside a host, shows nothing.`,
    fix: 'Say so in the handover; format anew when the disk moves.',
  },
  {
    id: 'sector-4096-end',
    severity: 'blocks',
    segment: 'bridge',
    title: 'Beyond what an MBR with large sectors addresses',
    when: (f) => sector(f) === 4096 && f.needs.table === 'MBR' && (f.capacity ?? 0) > MBR_END_4K,
    reason: (f) => `2³² sectors of 4,096 B are ${size(MBR_END_4K)}; the drive has ${size(f.capacity!)}.`,
    fix: 'Use GPT.',
  },
  {
    id: 'mbr-too-large',
    severity: 'blocks',
    segment: null,
    title: 'MBR ends at 2.2 TB',
    when: (f) => f.needs.table === 'MBR' && sector(f) === 512 && large(f),
    reason: (f) =>
      `2³² sectors of 512 B are ${size(MBR_END)}: the rest of ${size(f.capacity!)} cannot be used.`,
    fix: 'Use GPT; every system of the last fifteen years reads it.',
  },
  {
    id: 'mbr-small',
    severity: 'note',
    segment: null,
    title: 'MBR without need',
    when: (f) => f.needs.table === 'MBR' && !large(f) && f.capacity !== null,
    reason: 'It has no second copy of its table and four partitions at most.',
    fix: 'Use GPT unless an old host or a device with its own system asks for MBR.',
  },
  {
    id: 'level-not-made',
    severity: 'blocks',
    segment: 'host',
    title: 'The system cannot make this array',
    when: (f) => f.array?.by === 'system' && !levelsBySystem(families(f)).includes(f.array.mode),
    reason: (f) => {
      const systems = families(f);
      const level = ARRAY_NAMES[f.array!.mode].name;
      return systems.length > 1
        ? `${named(systems)} must work with it, and no system reads an array that another has made.`
        : `${named(systems)} makes no ${level} of drives that it sees one by one.`;
    },
    fix: 'An enclosure that makes the array itself, or a level that this system makes.',
  },
  {
    id: 'start-large-bios',
    severity: 'blocks',
    segment: 'host',
    title: 'The host cannot boot from a drive this large',
    when: (f) => f.needs.bootDrive === true && large(f) && f.host.firmware === 'BIOS',
    reason: 'Booting from above 2.2 TB needs UEFI and a 64-bit system; this host has a BIOS.',
    fix: 'Boot from a small drive and use the large one for data.',
  },
  {
    id: 'start-nvme',
    severity: 'blocks',
    segment: 'host',
    title: 'The host does not boot from NVMe',
    when: (f) => f.needs.bootDrive === true && nvmeSeen(f) && f.host.startsNvme === false,
    reason: 'Its firmware has no NVMe support: the drive is seen once the system runs and not before.',
    fix: 'Boot from a SATA drive, or look for a firmware update first.',
  },
  {
    id: 'start-nvme-unknown',
    severity: 'caution',
    segment: 'host',
    title: 'Whether the host boots from NVMe is not known',
    when: (f) => f.needs.bootDrive === true && nvmeSeen(f) && f.host.startsNvme === undefined,
    reason: 'Booting from NVMe needs firmware that supports it: UEFI of about the last ten years does.',
    fix: 'Look it up in the board’s manual before buying.',
  },
  {
    id: 'start-usb',
    severity: 'caution',
    segment: 'port',
    title: 'Booting from an external drive',
    when: (f) => f.needs.bootDrive === true && f.external,
    reason: (f) =>
      `Not every system can be installed on or booted from an external drive${
        f.system?.family === 'Windows' ? '; Windows refuses an ordinary installation there' : ''
      }, and a pulled plug stops the host.`,
    fix: 'Boot from a drive inside, and keep the external one for data.',
  },
  {
    id: 'start-through-hub',
    severity: 'caution',
    segment: 'hub-0',
    title: 'Booting through a hub',
    when: (f) => f.needs.bootDrive === true && (f.hops?.length ?? 0) > 0,
    reason: 'Many firmwares do not look behind hubs, or only behind the first.',
    fix: 'Plug the drive straight into the host.',
  },
  {
    id: 'nvme-driver',
    severity: 'blocks',
    segment: 'host',
    title: 'The system is too old for NVMe',
    when: (f) =>
      nvmeSeen(f) &&
      version(f) !== null &&
      nvmeFrom(f) !== undefined &&
      version(f)! < nvmeFrom(f)!.from &&
      version(f) !== nvmeFrom(f)!.withUpdate,
    reason: (f) => `${f.system!.family} ${f.system!.version} brings no driver for NVMe.`,
    fix: 'Take a SATA drive, or a newer system first.',
  },
  {
    id: 'nvme-update',
    severity: 'caution',
    segment: 'host',
    title: 'NVMe needs an update of the system first',
    when: (f) => nvmeSeen(f) && version(f) !== null && version(f) === nvmeFrom(f)?.withUpdate,
    reason: (f) => `${f.system!.family} ${f.system!.version} sees NVMe drives with an update only.`,
    fix: 'Install the update while the old drive is still in.',
  },
  {
    id: 'file-system-unread',
    severity: 'blocks',
    segment: null,
    title: 'Not every system can read it',
    when: (f) => cannotRead(f).length > 0,
    reason: (f) => `${f.needs.fileSystem} is not read by ${named(cannotRead(f))}.`,
    fix: 'Use exFAT, which Windows, macOS and Linux read and write.',
  },
  {
    id: 'file-system-read-only',
    severity: 'limits',
    segment: null,
    title: 'One system reads and cannot write',
    when: (f) => readsOnly(f).length > 0,
    reason: (f) =>
      `${named(readsOnly(f))} ${readsOnly(f).length === 1 ? 'reads' : 'read'} ${f.needs.fileSystem} and cannot write it.`,
    fix: 'Use exFAT, or let the others do the writing.',
  },
  {
    id: 'file-too-large',
    severity: 'blocks',
    segment: null,
    title: 'Files too large for the file system',
    when: (f) => largestFile(f) !== null && (fs(f)?.largestFile ?? Infinity) < largestFile(f)!,
    reason: (f) =>
      `${f.needs.fileSystem} holds files up to ${size(fs(f)!.largestFile!)}; the largest will have ${size(largestFile(f)!)}.`,
    fix: 'Use exFAT, or the system’s own file system.',
  },
  {
    id: 'file-size-unknown',
    severity: 'caution',
    segment: null,
    title: 'A 4 GiB limit on every file',
    when: (f) => fs(f)?.largestFile !== undefined && largestFile(f) === null,
    reason: 'FAT32 stops in the middle of a larger file; nobody said how large the largest is.',
    fix: 'Ask, or use exFAT.',
  },
  {
    id: 'volume-too-large',
    severity: 'blocks',
    segment: null,
    title: 'Volume too large for the file system',
    when: (f) => f.capacity !== null && (fs(f)?.largestVolume ?? Infinity) < f.capacity,
    reason: (f) =>
      `${f.needs.fileSystem} ends at ${size(fs(f)!.largestVolume!)}; the drive has ${size(f.capacity!)}.`,
    fix: 'Use exFAT, or several volumes.',
  },
  {
    id: 'fat32-tools',
    severity: 'note',
    segment: null,
    title: 'Some systems refuse to format it so',
    when: (f) =>
      f.needs.fileSystem === 'FAT32' && (f.capacity ?? 0) > 32 * 2 ** 30 && (f.capacity ?? 0) <= 2 ** 41,
    reason: 'The usual formatting tools make FAT32 up to 32 GB only, though larger volumes are read.',
    fix: 'Format it on another system, or use exFAT.',
  },
  {
    id: 'no-journal',
    severity: 'caution',
    segment: null,
    title: 'A file system without a journal for data that matters',
    when: (f) => fs(f)?.journal === false && (copyRoles(f) || f.needs.portable === true),
    reason: (f) =>
      `A plug pulled while ${f.needs.fileSystem} writes can lose more than the file being written.`,
    fix: 'Eject before unplugging, say so in the handover, and keep another copy; or use a system’s own file system.',
    policy: 'fileSystem',
  },
  {
    id: 'exfat-cost',
    severity: 'note',
    segment: null,
    title: 'exFAT, though one system alone uses it',
    when: (f) =>
      f.needs.fileSystem === 'exFAT' && families(f).length === 1 && OWN_OF[families(f)[0]!] !== undefined,
    reason: (f) =>
      `Every system reads it. The price: no journal, no permissions; ${OWN_OF[families(f)[0]!]} would have both.`,
    fix: (f) =>
      f.policies.fileSystem === 'every system'
        ? 'Stay with it where the drive may go to another system one day.'
        : `The job follows the policy of the system’s own: use ${OWN_OF[families(f)[0]!]}.`,
    policy: 'fileSystem',
  },
  {
    id: 'file-system-advice',
    severity: 'note',
    segment: null,
    title: 'Which file system?',
    when: (f) => f.needs.fileSystem === undefined && families(f).length > 0 && f.external,
    reason: (f) => `It must work with ${named(families(f))}.`,
    fix: (f) => {
      const { name, why } = fileSystemFor(f);
      return `${name ?? 'To be settled'}: ${why}.`;
    },
    policy: 'fileSystem',
  },
  {
    id: 'zfs-memory',
    severity: 'caution',
    segment: 'host',
    title: 'ZFS with little memory',
    when: (f) => f.needs.fileSystem === 'ZFS' && (middle(f.host.memory) ?? Infinity) < 8e9,
    reason: (f) =>
      `ZFS keeps its cache in the host’s memory; ${f.host.name} has ${size(middle(f.host.memory)!)}.`,
    fix: 'More memory, or another file system.',
  },
];
