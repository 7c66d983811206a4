import { createHash } from 'node:crypto';
import { readFileSync, readlinkSync } from 'node:fs';
import { hostname } from 'node:os';

/** Who made a folder or a record: enough to tell a crashed process from a living one, here and elsewhere. */
export interface Owner {
  pid: number;
  /** When that process started, in the kernel's clock ticks: process numbers are used again. */
  started: string;
  /** The boot it ran in, and the machine: folders may lie on a share, or outlive a restart. */
  boot?: string;
  host?: string;
  /** Process numbers count within a namespace. */
  space?: string;
}

function quietly(read: () => string): string {
  try {
    return read().trim();
  } catch {
    return '';
  }
}

/** Start time of a process in clock ticks since boot; empty when there is no such process or no /proc. */
function startOf(pid: number): string {
  // The second field is the command in brackets and may hold blanks: count from its end. Start time is field 22.
  return quietly(() => readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)!.split(' ')[19] ?? '');
}

/** This process. The machine's own id is hashed: it is a secret of the machine. */
export function thisProcess(): Owner {
  const machine = quietly(() => readFileSync('/etc/machine-id', 'utf8'));
  return {
    pid: process.pid,
    started: startOf(process.pid),
    boot: quietly(() => readFileSync('/proc/sys/kernel/random/boot_id', 'utf8')),
    host: createHash('sha256').update(`kymar ${machine} ${hostname()}`).digest('hex').slice(0, 16),
    space: quietly(() => readlinkSync('/proc/self/ns/pid')),
  };
}

/**
 * Whether an owner still lives. `elsewhere`: it cannot be told from here, because it counts its processes in another namespace or
 * runs on another machine; what it made is left alone.
 */
export function fateOf(owner: Owner, here: Owner = thisProcess()): 'living' | 'dead' | 'elsewhere' {
  const told = owner.boot !== undefined && owner.host !== undefined && owner.space !== undefined;
  if (told && owner.boot !== here.boot) return owner.host === here.host ? 'dead' : 'elsewhere';
  if (told && owner.space !== here.space) return 'elsewhere';
  try {
    process.kill(owner.pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ESRCH') return 'dead';
  }
  return owner.started === '' || startOf(owner.pid) === owner.started ? 'living' : 'dead';
}

/** Reads an owner's record; null where it is none. */
export function ownerFrom(text: string): Owner | null {
  try {
    const data = JSON.parse(text) as Record<string, unknown>;
    const words = ['started', 'boot', 'host', 'space'].every(
      (key) => data[key] === undefined || typeof data[key] === 'string',
    );
    if (!Number.isInteger(data.pid) || Number(data.pid) < 1 || typeof data.started !== 'string' || !words)
      return null;
    return data as unknown as Owner;
  } catch {
    return null;
  }
}
