import { open, readFile, readlink, realpath, readdir, stat } from 'node:fs/promises';
import { basename, join } from 'node:path';
import type { TargetLabel } from '@kymar/core/measure';
import { mountsAbove, parseMounts, within, type Mount } from './mounts';

/** What lies under a folder: the devices that do the work, and what makes a figure from there doubtful. */
export interface Layers {
  /** Whole disks by number, e.g. `259:0`, or a name for what is no disk. One run at a time on each. */
  devices: string[];
  labels: TargetLabel[];
  /** The way down in words, e.g. `overlay on ext4 on loop0 on tmpfs`. */
  way: string[];
}

/** What is asked of the system; tests give a made-up one. */
export interface LayersSource {
  text(file: string): Promise<string>;
  list(folder: string): Promise<string[]>;
  link(file: string): Promise<string>;
  real(path: string): Promise<string>;
  /** Number of a device file, e.g. `8:1`; empty for anything else. */
  device(file: string): Promise<string>;
  /** Number of the mount a path leads to now; null where it leads nowhere. */
  mount(path: string): Promise<number | null>;
  /** B of a file; null where there is none. */
  size(file: string): Promise<number | null>;
  /** What tells one folder from every other, whichever way it is looked at: when it last changed. Empty where there is none. */
  mark(folder: string): Promise<string>;
}

/** Opens a path without reading it or asking for the right to [Linux, fcntl.h]. */
const O_PATH = 0o10000000;

async function mountId(path: string): Promise<number | null> {
  const file = await open(path, O_PATH);
  try {
    const [, id] = /^mnt_id:\s*(\d+)$/m.exec(await readFile(`/proc/self/fdinfo/${file.fd}`, 'utf8')) ?? [];
    return id === undefined ? null : Number(id);
  } finally {
    await file.close();
  }
}

const orEmpty = <T>(asked: Promise<T>, empty: T): Promise<T> => asked.catch(() => empty);
const numberOf = (rdev: number): string =>
  `${((rdev >> 8) & 0xfff) | 0}:${(rdev & 0xff) | ((rdev >> 12) & 0xfff00)}`;

const GROUND: LayersSource = {
  text: (file) => orEmpty(readFile(file, 'utf8'), ''),
  list: (folder) => orEmpty(readdir(folder), []),
  link: (file) => orEmpty(readlink(file), ''),
  real: (path) => orEmpty(realpath(path), ''),
  device: async (file) => {
    const found = await stat(file).catch(() => null);
    return found?.isBlockDevice() ? numberOf(found.rdev) : '';
  },
  mount: (path) => orEmpty<number | null>(mountId(path), null),
  size: (file) =>
    orEmpty<number | null>(
      stat(file).then((s) => (s.isFile() ? s.size : null)),
      null,
    ),
  mark: (folder) =>
    orEmpty(
      stat(folder, { bigint: true }).then((s) => `${s.ctimeNs} ${s.mtimeNs} ${s.mode}`),
      '',
    ),
};

const MEMORY = new Set(['tmpfs', 'ramfs', 'devtmpfs', 'hugetlbfs']);
const NETWORK = new Set([
  'nfs',
  'nfs4',
  'cifs',
  'smb3',
  'smbfs',
  '9p',
  'ceph',
  'glusterfs',
  'fuse.sshfs',
  'afs',
  'virtiofs',
  'lustre',
]);
const ENCRYPTED = new Set(['ecryptfs', 'fuse.gocryptfs', 'fuse.encfs', 'fuse.cryfs']);
const COMPRESSING = new Set(['squashfs', 'erofs', 'zfs']);
/** A layer on a layer on a layer: beyond this it goes round in circles. */
const DEEPEST = 24;
/** A folder that somebody writes to changes between two looks at it: looked at so often. */
const LOOKS = 3;

class Descent {
  readonly found: Layers = { devices: [], labels: [], way: [] };

  constructor(
    private readonly ground: LayersSource,
    private readonly mounts: readonly Mount[],
  ) {}

  private label(label: TargetLabel): void {
    if (!this.found.labels.includes(label)) this.found.labels.push(label);
  }

  private bottom(device: string): void {
    if (!this.found.devices.includes(device)) this.found.devices.push(device);
  }

  /** The mount a path leads to now, by its number: by name another may cover it. */
  async mountOf(path: string): Promise<Mount | null> {
    const id = await this.ground.mount(path);
    return this.mounts.find((mount) => mount.id === id) ?? null;
  }

  /** A folder or file: down to what its file system lies on. */
  async path(path: string, depth = 0): Promise<void> {
    const mount = depth > DEEPEST ? null : await this.mountOf(path);
    if (!mount) return this.unknown(path);
    const { fileSystem, options, device, major, minor } = mount;
    this.found.way.push(fileSystem);
    if (
      options.some((o) => /^compress(-force|_algorithm)?(=(?!no\b|none\b)|$)/.test(o)) ||
      COMPRESSING.has(fileSystem)
    )
      this.label('compressed');
    if (ENCRYPTED.has(fileSystem)) this.label('encrypted');
    if (MEMORY.has(fileSystem)) {
      this.label('memory-backed');
      return this.bottom(`memory ${major}:${minor}`);
    }
    if (NETWORK.has(fileSystem)) {
      this.label('network');
      return this.bottom(`network ${device}`);
    }
    if (fileSystem === 'overlay') return this.overlay(mount, path, depth);
    // A file system over several devices has a number of its own that is no device's: its source is one.
    const number = major === 0 ? await this.ground.device(device) : `${major}:${minor}`;
    if (number === '') return this.unknown(`${major}:${minor}`);
    return this.block(number, depth + 1, mount);
  }

  /** Its upper folder is named by a path of the moment it was mounted: followed only where the same folder stands there now. */
  private async overlay(mount: Mount, path: string, depth: number): Promise<void> {
    const upper = mount.options.find((o) => o.startsWith('upperdir='))?.slice(9);
    const real = upper ? await this.ground.real(join(upper, within(mount, path))) : '';
    // In a container the upper folder lies outside of what can be seen.
    if (!real || !(await this.isSame(path, real))) return this.unknown(`${mount.major}:${mount.minor}`);
    return this.path(real, depth + 1);
  }

  /** An overlay tells of a folder what its upper layer tells, to the nanosecond. */
  private async isSame(seen: string, real: string): Promise<boolean> {
    for (let i = 0; i < LOOKS; i++) {
      const mark = await this.ground.mark(seen);
      if (mark !== '' && mark === (await this.ground.mark(real))) return true;
    }
    return false;
  }

  private unknown(what: string): void {
    this.label('not followed');
    this.bottom(`unknown ${what}`);
  }

  /** A block device by its number: down to the whole disks. @param above what is mounted from it */
  private async block(number: string, depth: number, above: Mount): Promise<void> {
    if (depth > DEEPEST) return this.unknown(number);
    const at = join('/sys/dev/block', number);
    const name = basename(await this.ground.link(at));
    if (name) this.found.way.push(name);
    if (/^(zram|ram)\d/.test(name)) {
      this.label('memory-backed');
      return this.bottom(number);
    }
    if (/^(nbd|rbd|drbd)\d/.test(name)) this.label('network');
    const backing = (await this.ground.text(join(at, 'loop/backing_file'))).trim();
    if (backing) return this.loop(at, number, backing, depth, above);
    if ((await this.ground.text(join(at, 'dm/uuid'))).startsWith('CRYPT-')) this.label('encrypted');
    if ((await this.ground.text(join(at, 'dm/name'))).includes('vdo')) this.label('compressed');
    const below = await this.ground.list(join(at, 'slaves'));
    for (const slave of below) {
      const inner = (await this.ground.text(join(at, 'slaves', slave, 'dev'))).trim();
      if (inner) await this.block(inner, depth + 1, above);
    }
    if (below.length > 0) return;
    const partition = (await this.ground.text(join(at, 'partition'))).trim() !== '';
    const whole = partition ? (await this.ground.text(`${at}/../dev`)).trim() : '';
    this.bottom(whole || number);
  }

  /** A file served as a disk: unless it is opened past it, the host's memory stands between. */
  private async loop(
    at: string,
    number: string,
    backing: string,
    depth: number,
    above: Mount,
  ): Promise<void> {
    if ((await this.ground.text(join(at, 'loop/dio'))).trim() !== '1') this.label('cached-through');
    this.bottom(number);
    return (await this.isStillThere(at, backing, above))
      ? this.path(backing, depth + 1)
      : this.unknown(backing);
  }

  /**
   * Whether the path of a loop's file can be trusted to lead to that file: it is there, as long as the loop, on a mount that is no younger than
   * what stands on the loop, and nothing that lies in memory or on a network was ever reached by that path.
   */
  private async isStillThere(at: string, backing: string, above: Mount): Promise<boolean> {
    const mount = await this.mountOf(backing);
    const size = await this.ground.size(backing);
    if (!mount || size === null || mount.id > above.id) return false;
    const number = async (file: string) => Number((await this.ground.text(join(at, file))).trim());
    if (size < (await number('size')) * 512 + (await number('loop/offset'))) return false;
    const isFar = ({ fileSystem }: Mount) => MEMORY.has(fileSystem) || NETWORK.has(fileSystem);
    return isFar(mount) || !mountsAbove(this.mounts, backing).some(isFar);
  }
}

/** Follows a folder down through overlays, loops, mapped, encrypted and joined devices. Never throws. */
export async function layersOf(
  folder: string,
  ground: LayersSource = GROUND,
): Promise<Layers & { mount: Mount | null }> {
  const mounts = parseMounts(await ground.text('/proc/self/mountinfo'));
  const descent = new Descent(ground, mounts);
  if (mounts.length > 0) await descent.path(folder);
  return { ...descent.found, mount: await descent.mountOf(folder) };
}
