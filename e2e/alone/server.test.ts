import { spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { connect } from 'node:net';
import { mkdir, mkdtemp, readdir, rename, rm, symlink, truncate, writeFile } from 'node:fs/promises';
import { request, type IncomingHttpHeaders } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { KeptRun, RunEvent, RunTarget } from '@kymar/core/measure';
import { brief, whole } from '../../core/fixtures/draws';
import { root, startServer } from '../../scripts/serve.cjs';

const MiB = 2 ** 20;
let folder = '';
let server: { address: string; child: ChildProcess; stop(): void };
let cookie = '';
/** What the servers of a test keep over a restart. */
let state = '';

const cookieFrom = async (address: string) =>
  (await fetch(address)).headers.get('set-cookie')!.split(';')[0]!;
const another = (args: string[] = []) =>
  startServer(['--reserve', '0 GB', ...args], { XDG_STATE_HOME: state });
const begin = async (args: string[] = []) => {
  server = await another(['--bench', folder, ...args]);
  cookie = await cookieFrom(server.address);
};
const ended = () =>
  new Promise<void>((resolve) =>
    server.child.exitCode === null && server.child.signalCode === null
      ? server.child.once('exit', () => resolve())
      : resolve(),
  );
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'kymar-e2e-'));
  state = await mkdtemp(join(tmpdir(), 'kymar-state-'));
  await begin();
});
afterEach(async () => {
  server.stop();
  await ended();
  await rm(folder, { recursive: true, force: true });
  await rm(state, { recursive: true, force: true });
});

const api = (method: string, path: string, body?: unknown, headers: Record<string, string> = {}) =>
  fetch(`${server.address}/api${path}`, {
    method,
    headers: { cookie, ...(body ? { 'content-type': 'application/json' } : {}), ...headers },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
const targets = async () => (await (await api('GET', '/targets')).json()) as RunTarget[];
const start = async (bytes: number, more: object = {}) =>
  api('POST', '/runs', {
    kind: 'sequential',
    target: (await targets())[0]!.id,
    mode: 'write-read',
    bytes,
    block: MiB,
    ...more,
  });
/** Reads a run's events until `enough` says so or it ends. */
const follow = async (
  id: string,
  enough: (events: RunEvent[]) => boolean = () => false,
): Promise<RunEvent[]> => {
  const events: RunEvent[] = [];
  const response = await api('GET', `/runs/${id}/events`);
  expect(response.headers.get('content-type')).toMatch(/text\/event-stream/);
  const decoder = new TextDecoder();
  let text = '';
  for await (const piece of response.body as unknown as AsyncIterable<Uint8Array>) {
    text += decoder.decode(piece, { stream: true });
    const lines = text.split('\n\n');
    text = lines.pop()!;
    events.push(...lines.map((line) => JSON.parse(line.replace(/^data: /, '')) as RunEvent));
    if (enough(events)) break;
  }
  return events;
};
const runFolders = async () => (await readdir(folder)).filter((name) => name.startsWith('.kymar'));
const large = async () => Math.min(20e9, Math.floor((await targets())[0]!.room * 0.9));

brief('a run writes and reads back, tells its progress ten times a second, and leaves nothing', async () => {
  const { id } = (await (await start(512 * MiB)).json()) as { id: string };
  const events = await follow(id);
  const last = events.at(-1)!;
  expect(last).toMatchObject({
    type: 'done',
    results: [
      { direction: 'write', bytes: 512 * MiB },
      { direction: 'read', bytes: 512 * MiB },
    ],
  });
  if (last.type !== 'done') throw new Error('unreachable');
  for (const { seconds, samples } of last.results) {
    expect(samples.at(-1)).toEqual({ t: seconds, bytes: 512 * MiB });
    expect(samples.every((s, i) => i === 0 || s.t > samples[i - 1]!.t)).toBe(true);
  }
  const progress = events.filter((e) => e.type === 'progress');
  const time = last.results.reduce((sum, r) => sum + r.seconds, 0);
  if (time > 1) expect(progress.length / time).toBeGreaterThan(6);
  expect(progress.length).toBeLessThanOrEqual(10.5 * (time + 1));
  expect(await runFolders()).toEqual([]);
  // A page that comes late still sees how it ended.
  expect(await follow(id)).toEqual([last]);
});

whole('one run at a time; stopping it cleans up', async () => {
  const { id } = (await (await start(await large())).json()) as { id: string };
  await follow(id, (events) => events.some((e) => e.type === 'progress' && e.bytes > 0));
  const second = await start(MiB);
  expect([second.status, second.headers.get('content-type')]).toEqual([
    409,
    expect.stringContaining('application/problem+json'),
  ]);
  expect(await runFolders()).toHaveLength(1);
  expect((await api('DELETE', `/runs/${id}`)).status).toBe(409);
  expect((await api('POST', `/runs/${id}/stop`)).status).toBe(202);
  expect((await follow(id)).at(-1)).toMatchObject({ type: 'failed', aborted: true });
  expect(await runFolders()).toEqual([]);
  expect((await start(MiB)).status).toBe(201);
});

brief('killed in the middle of a run, the next start leaves no file', async () => {
  const { id } = (await (await start(await large())).json()) as { id: string };
  await follow(id, (events) => events.some((e) => e.type === 'progress' && e.bytes > 0));
  server.child.kill('SIGKILL');
  await ended();
  const [left] = await runFolders();
  expect(await readdir(join(folder, left!))).toEqual(expect.arrayContaining(['data.bin', 'owner.json']));
  await begin();
  expect(await readdir(folder)).toEqual([]);
});

whole('ended politely in the middle of a run, nothing is left at once', async () => {
  const { id } = (await (await start(await large())).json()) as { id: string };
  await follow(id, (events) => events.some((e) => e.type === 'progress' && e.bytes > 0));
  server.child.kill('SIGTERM');
  await ended();
  expect(await readdir(folder)).toEqual([]);
});

/** A mount namespace of its own, where a small volume can be mounted without touching the machine; not every container allows it. */
const isolated = (script: string) =>
  spawnSync('unshare', [process.getuid?.() === 0 ? '-m' : '-rm', 'sh', '-c', script], { encoding: 'utf8' });
const mountable = isolated('mount -t tmpfs -o size=1m tmpfs /mnt').status === 0;

/** What the run's own thread reports of a volume of 64 MB in memory, and how much is free there at the end. */
async function onSmallVolume(guard: boolean): Promise<{ report: object; free: number }> {
  const volume = join(folder, 'small');
  await mkdir(volume);
  const order = {
    file: join(volume, 'data.bin'),
    do: 'pass',
    what: { bytes: 128 * MiB, block: MiB, back: false },
    ...(guard ? { guard: { folder: volume, reserve: 20 * MiB } } : {}),
  };
  const program = `const { Worker } = require('node:worker_threads');
    const { statfsSync } = require('node:fs');
    const workerData = { ...${JSON.stringify(order)}, shared: new SharedArrayBuffer(24) };
    new Worker(${JSON.stringify(join(root, 'server/dist/worker.js'))}, { workerData }).once('message', (report) => {
      const { bavail, bsize } = statfsSync(${JSON.stringify(volume)});
      console.log(JSON.stringify({ report, free: bavail * bsize }));
    });`;
  await writeFile(join(folder, 'program.cjs'), program);
  const { stdout } = isolated(
    `mount -t tmpfs -o size=64m tmpfs '${volume}' && exec '${process.execPath}' '${join(folder, 'program.cjs')}'`,
  );
  return JSON.parse(stdout) as { report: object; free: number };
}

(mountable ? whole : test.skip)(
  'a disk that runs full while writing ends the run with its reason',
  async () => {
    expect(await onSmallVolume(false)).toMatchObject({
      report: { ok: false, stopped: false, code: 'ENOSPC' },
    });
  },
);

(mountable ? whole : test.skip)(
  'the reserve of a real volume is not touched, however large the run was asked for',
  async () => {
    const { report, free } = await onSmallVolume(true);
    expect(report).toMatchObject({ ok: false, stopped: false, code: 'RESERVE' });
    expect(free).toBeGreaterThanOrEqual(20 * MiB);
    expect(free).toBeLessThan(64 * MiB);
  },
);

whole('the terminal closed in the middle of a run: nothing is left', async () => {
  const { id } = (await (await start(await large())).json()) as { id: string };
  await follow(id, (events) => events.some((e) => e.type === 'progress' && e.bytes > 0));
  server.child.kill('SIGHUP');
  await ended();
  expect(await readdir(folder)).toEqual([]);
});

whole('killed, then started with another folder: the journal still knows what to clear', async () => {
  const { id } = (await (await start(await large())).json()) as { id: string };
  await follow(id, (events) => events.some((e) => e.type === 'progress' && e.bytes > 0));
  server.child.kill('SIGKILL');
  await ended();
  expect(await runFolders()).toHaveLength(1);
  server = await another(['--bench', state]);
  cookie = await cookieFrom(server.address);
  expect(await runFolders()).toEqual([]);
  // And the page learns what became of its run.
  expect(await (await api('GET', '/runs')).json()).toEqual([
    expect.objectContaining({
      id,
      last: { type: 'failed', aborted: false, problem: expect.stringMatching(/server was stopped/) },
    }),
  ]);
});

brief(
  'the work folder swapped for a link in the middle of a run: nothing the link leads to is touched',
  async () => {
    const foreign = join(folder, 'foreign');
    await mkdir(foreign);
    for (const name of ['data.bin', 'owner.json']) await writeFile(join(foreign, name), 'mine');
    const { id } = (await (await start(await large())).json()) as { id: string };
    await follow(id, (events) => events.some((e) => e.type === 'progress' && e.bytes > 0));
    const [name] = await runFolders();
    await rename(join(folder, name!), join(folder, 'aside'));
    await symlink(foreign, join(folder, name!));
    await api('POST', `/runs/${id}/stop`);
    expect((await follow(id)).at(-1)).toMatchObject({ type: 'failed', aborted: true });
    expect((await readdir(foreign)).sort()).toEqual(['data.bin', 'owner.json']);
    expect(existsSync(join(folder, 'aside'))).toBe(false);
  },
);

whole('a sparse file put in the place of what was written is no fast drive', async () => {
  const { id } = (await (await start(1024 * MiB)).json()) as { id: string };
  await follow(
    id,
    (events) =>
      events.some((e) => e.type === 'progress' && e.direction === 'write' && e.bytes > 100 * MiB) ||
      events.some((e) => e.type !== 'progress'),
  );
  const [name] = await runFolders();
  const file = join(folder, name!, 'data.bin');
  await rename(file, `${file}.away`);
  await writeFile(file, '');
  await truncate(file, 1024 * MiB);
  const last = (await follow(id)).at(-1)!;
  expect(last).toMatchObject({
    type: 'failed',
    problem: expect.stringMatching(/not what is written|not what was written/),
  });
  // What Kymar did not make it does not remove, and says so.
  expect(last).toMatchObject({ left: expect.stringMatching(/data.bin.away in it is not Kymar’s/) });
});

whole('two servers, and one folder under two names, never run at once on one device', async () => {
  const other = await another(['--bench', folder, '--bench', `${folder}/../${folder.split('/').at(-1)}`]);
  const theirs = await cookieFrom(other.address);
  const list = (await (
    await fetch(`${other.address}/api/targets`, { headers: { cookie: theirs } })
  ).json()) as RunTarget[];
  const { id } = (await (await start(await large())).json()) as { id: string };
  await follow(id, (events) => events.some((e) => e.type === 'progress' && e.bytes > 0));
  for (const { id: target } of list) {
    const refused = await fetch(`${other.address}/api/runs`, {
      method: 'POST',
      headers: { cookie: theirs, 'content-type': 'application/json' },
      body: JSON.stringify({ kind: 'sequential', target, mode: 'write', bytes: MiB, block: MiB }),
    });
    expect([refused.status, ((await refused.json()) as { detail: string }).detail]).toEqual([
      409,
      expect.stringMatching(/from whichever Kymar/),
    ]);
  }
  // Started beside a living run, it has not swept it.
  expect(await runFolders()).toHaveLength(1);
  other.stop();
  await api('POST', `/runs/${id}/stop`);
  await follow(id);
});

brief('a result is kept until a page has taken it, over a restart too', async () => {
  const purpose = { job: 'somebody', place: null, note: 'warm', temperature: 41 };
  const { id } = (await (await start(8 * MiB, { purpose })).json()) as { id: string };
  await follow(id);
  server.stop();
  await ended();
  await begin();
  const kept = (await (await api('GET', '/runs')).json()) as KeptRun[];
  expect(kept).toEqual([
    expect.objectContaining({
      id,
      folder,
      request: expect.objectContaining({ purpose }),
      last: expect.objectContaining({ type: 'done' }),
    }),
  ]);
  expect((await api('DELETE', `/runs/${id}`)).status).toBe(200);
  expect(await (await api('GET', '/runs')).json()).toEqual([]);
});

whole(
  'a port that is taken is said, with how to choose another; no other one is taken silently',
  async () => {
    const { port } = new URL(server.address);
    const { status, stderr } = spawnSync(
      process.execPath,
      [join(root, 'server/dist/main.js'), '--port', port, '--bench', folder],
      { encoding: 'utf8', env: { ...process.env, XDG_STATE_HOME: state } },
    );
    expect([status, stderr]).toEqual([
      1,
      expect.stringMatching(new RegExp(`Port ${port} is taken.*--port ${Number(port) + 1}`)),
    ]);
  },
);

/** Loop devices are the whole machine's: taken and given back around a test, where it has any. */
const loopable =
  mountable &&
  spawnSync('sh', ['-c', 'losetup -f && command -v mkfs.ext4']).status === 0 &&
  process.getuid?.() === 0;

(loopable ? test : test.skip)(
  'real layers of this machine: overlay and loop on memory, a loop on a disk through its page cache and past it',
  async () => {
    const at = (name: string) => join(folder, name);
    for (const name of ['memory', 'overlay', 'inmemory', 'cached', 'past']) await mkdir(at(name));
    const program = `const { spawn } = require('node:child_process');
    const names = ['overlay', 'inmemory', 'cached', 'past'];
    const folders = names.flatMap((name) => ['--bench', ${JSON.stringify(folder)} + '/' + name]);
    const main = ${JSON.stringify(join(root, 'server/dist/main.js'))};
    const stdio = ['ignore', 'pipe', 'inherit'];
    const server = spawn(process.execPath, [main, '--port', '0', ...folders], { stdio });
    server.stdout.once('data', async (said) => {
      const address = /http:\\S+/.exec(said)[0];
      const cookie = (await fetch(address)).headers.get('set-cookie').split(';')[0];
      console.log(await (await fetch(address + 'api/targets', { headers: { cookie } })).text());
      server.kill();
    });`;
    await writeFile(at('program.cjs'), program);
    const { stdout, stderr } = isolated(`set -e
    cd '${folder}'
    mount -t tmpfs -o size=200m tmpfs memory
    mkdir memory/low memory/up memory/work
    mount -t overlay overlay -o lowerdir=memory/low,upperdir='${at('memory/up')}',workdir='${at('memory/work')}' overlay
    back() { cd /; for point in inmemory cached past; do umount '${folder}'/$point 2>/dev/null || true; done; for loop in $taken; do losetup -d $loop; done; }
    trap back EXIT
    serve() { truncate -s 64M $1; mkfs.ext4 -q $1; loop=$(losetup --find --show $3 $1); taken="$taken $loop"; mount $loop $2; }
    serve memory/image inmemory
    serve disk-image cached --direct-io=off
    serve past-image past --direct-io=on
    XDG_STATE_HOME='${state}' '${process.execPath}' program.cjs`);
    expect(stderr).not.toMatch(/rror/);
    const told = Object.fromEntries(
      (JSON.parse(stdout) as RunTarget[]).map((t) => [t.folder.split('/').at(-1), t]),
    );
    expect(told.overlay).toMatchObject({ labels: ['memory-backed'], way: 'overlay on tmpfs' });
    expect(told.inmemory!.labels).toContain('memory-backed');
    expect(told.inmemory!.way).toMatch(/^ext4 on loop\d+ on tmpfs$/);
    expect(told.cached!.labels).toContain('cached-through');
    expect(told.past!.labels).not.toContain('cached-through');
    expect(told.past!.way).toMatch(/^ext4 on loop\d+ on /);
  },
);

brief('what cannot run is refused as problem details, with what to do', async () => {
  const room = (await targets())[0]!.room;
  for (const [body, status, detail] of [
    [{ bytes: Math.floor(room * 4) }, 422, /Choose a smaller size/],
    [{ bytes: -5 }, 400, /bytes: must be at least 1 MiB/],
    [{ bytes: 'much' }, 400, /bytes/],
    [{ mode: 'erase' }, 400, /mode/],
    [{ kind: 'format' }, 400, /kind/],
    [{ kind: 'watch', device: 'none', still: 3 }, 404, /unplugged/],
    [{ kind: 'probe', bytes: 2 ** 30, seconds: 1 }, 400, /seconds: must be at least 10 s/],
    [{ kind: 'random', bytes: 2 ** 26, block: 512, depth: 1, reads: 1, seconds: 5 }, 400, /block/],
    [{ target: 'elsewhere' }, 404, /Choose one of the folders/],
  ] as const) {
    const response = await start(MiB, body);
    expect(response.status).toBe(status);
    expect(response.headers.get('content-type')).toMatch(/application\/problem\+json/);
    expect(await response.json()).toMatchObject({
      status,
      title: expect.any(String),
      detail: expect.stringMatching(detail),
    });
  }
  const broken = await api('POST', '/runs', undefined, { 'content-type': 'application/json' });
  expect([400, 415]).toContain(broken.status);
  expect((await api('GET', '/runs/none/events')).status).toBe(404);
  expect((await api('GET', '/nonsense')).status).toBe(404);
  expect(await readdir(folder)).toEqual([]);
});

whole('a missing folder, a file and memory are named as such', async () => {
  await writeFile(join(folder, 'file'), '');
  server.stop();
  await ended();
  await begin([
    '--bench',
    join(folder, 'none'),
    '--bench',
    join(folder, 'file'),
    '--bench',
    '/sys',
    ...(existsSync('/dev/shm') ? ['--bench', '/dev/shm'] : []),
  ]);
  const [fine, none, file, sealed, memory] = await targets();
  expect(fine!.problem).toBeNull();
  expect(none!.problem).toMatch(/does not exist/);
  expect(file!.problem).toMatch(/no folder/);
  expect(sealed!.problem).toMatch(/cannot be/);
  if (memory) expect(memory.labels).toContain('memory-backed');
  expect((await start(MiB, { target: none!.id })).status).toBe(422);
});

describe('only this machine’s own page gets in', () => {
  const status = (path: string, headers: Record<string, string>) =>
    new Promise<number>((resolve, reject) => {
      const { port } = new URL(server.address);
      request({ host: '127.0.0.1', port, path, headers }, (response) =>
        resolve(response.resume().statusCode!),
      )
        .on('error', reject)
        .end();
    });
  brief('by host, origin and token', async () => {
    const { host, origin } = new URL(server.address);
    const good = { host, cookie };
    expect(await status('/api/targets', good)).toBe(200);
    expect(await status('/api/targets', { ...good, origin })).toBe(200);
    expect(await status('/api/targets', { ...good, origin: 'http://elsewhere.example' })).toBe(403);
    expect(await status('/api/targets', { ...good, origin: 'null' })).toBe(403);
    expect(await status('/api/targets', { ...good, host: 'elsewhere.example' })).toBe(403);
    expect(await status('/', { host: 'elsewhere.example' })).toBe(403);
    expect(await status('/api/targets', { host })).toBe(401);
    expect(await status('/api/targets', { host, cookie: cookie.slice(0, -1) })).toBe(401);
    expect(await status('/api/targets', { host, cookie: cookie.replace('=', '=x') })).toBe(401);
    expect(await status('/api/targets', { ...good, 'sec-fetch-site': 'same-site' })).toBe(403);
    expect(await status('/api/targets', { ...good, 'sec-fetch-site': 'same-origin' })).toBe(200);
    expect(await status('/assets/../../package.json', { host })).not.toBe(500);
  });
  const raw = (method: string, path: string, headers: Record<string, string> = {}) =>
    new Promise<{ status: number; type: string; text: string; headers: IncomingHttpHeaders }>(
      (resolve, reject) => {
        const { port, host } = new URL(server.address);
        const asked = request(
          { host: '127.0.0.1', port, path, method, headers: { host, ...headers } },
          async (response) => {
            let text = '';
            for await (const piece of response) text += String(piece);
            resolve({
              status: response.statusCode!,
              type: response.headers['content-type'] ?? '',
              text,
              headers: response.headers,
            });
          },
        );
        asked.on('error', reject).end();
      },
    );
  for (const [method, path, status] of [
    ['GET', '/assets/x', 404],
    ['GET', '/assets/../../../package.json', 404],
    ['GET', '/assets/%2e%2e/%2e%2e/x', 404],
    ['POST', '/', 405],
    ['DELETE', '/jobs', 405],
    ['GET', '/%', 400],
    ['GET', '/assets/%E0%A4%A', 400],
    ['GET', `/assets/${'x'.repeat(300)}`, 404],
    ['PUT', '/api/targets', 401],
    ['GET', '/api/none', 401],
  ] as const)
    whole(`${method} ${path} is refused as problem details, and tells no path`, async () => {
      const answer = await raw(method, path);
      expect([answer.status, answer.type]).toEqual([status, expect.stringMatching(/problem\+json/)]);
      expect(JSON.parse(answer.text)).toMatchObject({
        status,
        title: expect.any(String),
        detail: expect.any(String),
      });
      expect(answer.text).not.toContain(root);
      expect(answer.text).not.toMatch(/\/(dist|work|home|tmp|assets)\b/);
    });
  whole('a wrong method names the right ones', async () => {
    expect((await raw('POST', '/')).headers.allow).toBe('GET, HEAD');
    expect((await raw('PUT', '/api/runs', { cookie })).headers.allow).toBe('GET, POST');
  });
  whole('what is no HTTP gets problem details too', async () => {
    const answer = await new Promise<string>((resolve, reject) => {
      const socket = connect(Number(new URL(server.address).port), '127.0.0.1', () =>
        socket.write('NONSENSE\r\n\r\n'),
      );
      let text = '';
      socket
        .on('data', (piece) => (text += String(piece)))
        .on('end', () => resolve(text))
        .on('error', reject);
    });
    expect(answer).toMatch(/^HTTP\/1.1 400 [\s\S]*problem\+json[\s\S]*no HTTP/);
  });
  whole('`localhost` is sent to where the jobs are', async () => {
    const { port } = new URL(server.address);
    expect(await raw('GET', '/jobs?x=1', { host: `localhost:${port}` })).toMatchObject({
      status: 307,
      headers: { location: `http://127.0.0.1:${port}/jobs?x=1` },
    });
    expect((await raw('GET', '//elsewhere.example/', { host: `localhost:${port}` })).headers.location).toBe(
      `http://127.0.0.1:${port}/elsewhere.example/`,
    );
    expect((await raw('GET', '/api/session', { host: `localhost:${port}` })).status).toBe(403);
  });
  brief('the token, and the browser’s name, are in cookies no script can read, and in no page', async () => {
    const page = await raw('GET', '/');
    const [token, browser] = page.headers['set-cookie']!;
    expect(token).toMatch(/^kymar-\d+=[\w-]{32}; Path=\/; HttpOnly; SameSite=Strict$/);
    expect(browser).toMatch(
      /^kymar-browser=[0-9a-f-]{36}; Max-Age=\d+; Path=\/; Expires=[^;]+; HttpOnly; SameSite=Strict$/,
    );
    const own = { cookie: browser!.split(';')[0]! };
    expect((await raw('GET', '/', own)).headers['set-cookie']![1]).toContain(own.cookie);
    expect(page.text).not.toContain(cookie.split('=')[1]!);
    expect(String((await raw('GET', '/api/session')).headers['set-cookie'])).toContain(cookie);
  });
  whole('it listens on the loopback address and allows no foreign page', async () => {
    const response = await fetch(server.address);
    expect(response.headers.get('access-control-allow-origin')).toBeNull();
    expect(response.headers.get('content-security-policy')).toMatch(/default-src 'self'/);
    expect(response.headers.get('cache-control')).toBe('no-store');
    const listening = spawnSync(
      'sh',
      ['-c', `cat /proc/net/tcp /proc/net/tcp6 | awk '$4 == "0A" {print $2}'`],
      { encoding: 'utf8' },
    ).stdout;
    const port = Number(new URL(server.address).port).toString(16).toUpperCase().padStart(4, '0');
    expect(listening.split('\n').filter((line) => line.endsWith(`:${port}`))).toEqual([`0100007F:${port}`]);
  });
});
