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
export async function rooms(rooms, tree = root) {
  const outDir = await built(rooms, tree);
  const doors = await opened(outDir, Object.keys(rooms));
  rmSync(outDir, { recursive: true, force: true });
  return doors;
}

/** Doors of rooms that stand built in a folder. */
export async function opened(outDir, names) {
  const doors = names.map(async (name) => [name, await import(join(outDir, `${name}.mjs`))]);
  return Object.fromEntries(await Promise.all(doors));
}

/** Builds rooms into a folder of its own, for several workers; whoever asked removes it. @param tree where the house stands */
export async function built(rooms, tree = root) {
  const outDir = mkdtempSync(join(tmpdir(), 'kymar-rooms-'));
  const input = Object.fromEntries(
    Object.entries(rooms).map(([name, room]) => [
      name,
      join(tree, 'core', room.endsWith('.ts') ? room : `${room}/index.ts`),
    ]),
  );
  await build({
    root: tree,
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
  return outDir;
}
