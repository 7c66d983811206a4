import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'vite';
import { root } from '../scripts/lib.mjs';

/**
 * Rooms of the core, built as the page's workers are.
 * @param {Record<string, string>} rooms a name for each, and where it stands
 * @returns {Promise<Record<string, any>>} each room's door by its name
 */
export async function rooms(rooms) {
  const outDir = mkdtempSync(join(tmpdir(), 'kymar-rooms-'));
  const input = Object.fromEntries(
    Object.entries(rooms).map(([name, room]) => [name, join(root, 'core', room, 'index.ts')]),
  );
  await build({
    root,
    configFile: false,
    logLevel: 'error',
    ssr: { noExternal: true },
    build: {
      ssr: true,
      outDir,
      emptyOutDir: true,
      rollupOptions: { input, output: { entryFileNames: '[name].mjs' } },
    },
  });
  const doors = await Promise.all(
    Object.keys(rooms).map(async (name) => [name, await import(join(outDir, `${name}.mjs`))]),
  );
  rmSync(outDir, { recursive: true, force: true });
  return Object.fromEntries(doors);
}
