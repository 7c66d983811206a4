import { createHash } from 'node:crypto';
import { mkdir, mkdtemp, readdir, readFile, rm, symlink, writeFile } from 'node:fs/promises';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { copyVerified, filesIn } from './work';
import { Counter, NoRoom, Stopped } from '../../sequential';
import { Workfolder } from '../../workfolder';

let root = '';
let from = '';
let to = '';
beforeEach(async () => {
  root = await mkdtemp(join(tmpdir(), 'kymar-copy-'));
  [from, to] = [join(root, 'from'), join(root, 'to')];
  await mkdir(join(from, 'deep/er'), { recursive: true });
  await mkdir(to);
  await writeFile(join(from, 'a.bin'), Buffer.alloc(3_000_001, 5));
  await writeFile(join(from, 'deep/b c.txt'), 'words');
  await writeFile(join(from, 'deep/er/empty'), '');
  await symlink('/etc/hostname', join(from, 'link'));
});
afterEach(() => rm(root, { recursive: true, force: true }));

const guard = () => ({ folder: to, reserve: 0 });
const hash = async (path: string) =>
  createHash('sha256')
    .update(await readFile(path))
    .digest('hex');

describe('a verified copy', () => {
  test('takes every file and no link, in their order, and tells their hashes as hash  path', async () => {
    const files = filesIn(from);
    expect(files.map(({ path }) => path)).toEqual(['a.bin', 'deep/b c.txt', 'deep/er/empty']);
    const counter = new Counter();
    const done = copyVerified(from, files, (name) => join(to, name), counter, guard());
    expect(done).toMatchObject({ bytes: 3_000_006, files: 3, differ: [] });
    expect(done.bar).toBeLessThanOrEqual(done.seconds);
    expect(done.manifest).toEqual(
      await Promise.all(files.map(async ({ path }) => `${await hash(join(from, path))}  ${path}`)),
    );
    expect(await hash(join(to, 'part-0'))).toBe(await hash(join(from, 'a.bin')));
  });

  test('a byte flipped on the destination is found, by the file it is in', () => {
    const files = filesIn(from);
    const counter = new Counter();
    // Read back begins with the second phase: until then the drive may garble what it likes.
    const begin = counter.begin.bind(counter);
    counter.begin = (phase) => {
      if (phase === 'read') {
        const garbled = Buffer.alloc(3_000_001, 5);
        garbled[1_234_567]! ^= 1;
        writeFileSync(join(to, 'part-0'), garbled);
      }
      begin(phase);
    };
    expect(copyVerified(from, files, (name) => join(to, name), counter, guard()).differ).toEqual(['a.bin']);
  });

  test('the reserve ends it before a byte is written; asked to stop it stops; a work folder removes its parts and nothing else', async () => {
    const files = filesIn(from);
    const into = (name: string) => join(to, name);
    expect(() => copyVerified(from, files, into, new Counter(), { folder: to, reserve: 1e18 })).toThrow(
      NoRoom,
    );
    expect(await readdir(to)).toEqual([]);
    const stopped = new Counter();
    stopped.stop();
    expect(() => copyVerified(from, files, into, stopped, guard())).toThrow(Stopped);
    const work = Workfolder.make(root);
    copyVerified(from, files, (name) => work.part(name), new Counter(), guard());
    expect((await readdir(work.path)).sort()).toEqual(['owner.json', 'part-0', 'part-1', 'part-2']);
    expect(work.close()).toBeNull();
    const other = Workfolder.make(root);
    await writeFile(join(other.path, 'part-mine'), 'somebody else’s');
    expect(other.close()).toMatchObject({
      why: expect.stringContaining('part-mine in it is not Kymar’s') as string,
    });
    expect(await readFile(join(other.path, 'part-mine'), 'utf8')).toBe('somebody else’s');
  });
});
