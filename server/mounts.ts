/** A line of Linux's mount table. */
export interface Mount {
  /** Its number in this namespace: two mounts at one point differ in it. */
  id: number;
  /** The part of its file system that is seen there, `/` for all of it. */
  root: string;
  point: string;
  fileSystem: string;
  device: string;
  major: number;
  minor: number;
  options: string[];
}

/** Parses /proc/self/mountinfo; lines of another shape are left out. */
export function parseMounts(text: string): Mount[] {
  return text.split('\n').flatMap((line) => {
    const [left, right] = line.split(' - ');
    const [id, , numbers, root, point, options] = left?.split(' ') ?? [];
    const [fileSystem, device, superOptions] = right?.split(' ') ?? [];
    const [major, minor] = numbers?.split(':').map(Number) ?? [];
    if (!point || !root || !fileSystem || device === undefined || major === undefined || minor === undefined)
      return [];
    return [
      {
        id: Number(id),
        root: unescape(root),
        point: unescape(point),
        fileSystem,
        device: unescape(device),
        major,
        minor,
        options: [...(options ?? '').split(','), ...(superOptions ?? '').split(',')],
      },
    ];
  });
}

/** Blanks and the like stand as octal escapes in the table. */
const unescape = (text: string) =>
  text.replace(/\\([0-7]{3})/g, (_, octal: string) => String.fromCharCode(parseInt(octal, 8)));

/** Every mount whose point lies above a path: each may hold what the path named once, whatever covers it now. */
export const mountsAbove = (mounts: readonly Mount[], path: string): Mount[] =>
  mounts.filter((m) => m.point === '/' || path === m.point || path.startsWith(`${m.point}/`));

/** Where a path lies within a mount's file system. */
export const within = ({ root, point }: Mount, path: string): string =>
  `${root === '/' ? '' : root}${path.slice(point === '/' ? 0 : point.length)}` || '/';
