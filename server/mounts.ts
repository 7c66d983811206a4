/** A line of Linux's mount table. */
export interface Mount {
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
    const [, , numbers, , point, options] = left?.split(' ') ?? [];
    const [fileSystem, device, superOptions] = right?.split(' ') ?? [];
    const [major, minor] = numbers?.split(':').map(Number) ?? [];
    if (!point || !fileSystem || device === undefined || major === undefined || minor === undefined)
      return [];
    return [
      {
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

/** The mount a folder lies on: the longest mount point above it, the last one mounted there. */
export function mountOf(mounts: readonly Mount[], folder: string): Mount | null {
  const holds = (m: Mount) => m.point === '/' || folder === m.point || folder.startsWith(`${m.point}/`);
  return mounts
    .filter(holds)
    .reduce<Mount | null>((best, m) => (best && best.point.length > m.point.length ? best : m), null);
}
