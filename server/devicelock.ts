import { createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The name a device is locked under: one for all servers and users of this machine. */
const nameOf = (device: string): string => {
  const name = `kymar-device-${device.replace(/[^A-Za-z0-9:._-]/g, '_')}`;
  // On Linux a name that is in no file system: the kernel frees it when the process ends, however it ends.
  if (process.platform === 'linux') return `\0${name}`;
  return process.platform === 'win32' ? `\\\\.\\pipe\\${name}` : join(tmpdir(), name);
};

function hold(device: string): Promise<Server | null> {
  const server = createServer((socket) => socket.destroy());
  return new Promise((resolve) => {
    server.once('error', () => resolve(null));
    server.listen({ path: nameOf(device) }, () => resolve(server));
  });
}

const free = (held: readonly Server[]): void => held.forEach((server) => server.close());

/**
 * Takes devices for one run: two runs on one device measure each other.
 * @returns what gives them free again, or null when another run, of whichever server, has one of them
 */
export async function lockDevices(devices: readonly string[]): Promise<(() => void) | null> {
  const held: Server[] = [];
  for (const device of [...new Set(devices)].sort()) {
    const server = await hold(device);
    if (!server) {
      free(held);
      return null;
    }
    server.unref();
    held.push(server);
  }
  return () => free(held);
}
