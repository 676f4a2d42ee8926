import { accessSync, constants, existsSync, statSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
export const DATA = path.resolve(process.env.HUDRIK_DATA ?? path.join(ROOT, '.hudrik'));
export const isRoot = process.getuid?.() === 0;

/** What root made in somebody else's checkout is theirs, as the rest of it. */
export function asOwner(place) {
  const { uid, gid } = statSync(ROOT);
  if (isRoot && uid !== 0) spawnSync('chown', ['-R', '-h', `${uid}:${gid}`, place]);
}

/** Whoever may not write into the checkout starts what its owner built. */
export function mustWrite(place) {
  try {
    accessSync(place, constants.W_OK);
  } catch {
    console.error(`hudrik: ${ROOT} is not built, and not ours to write: its owner runs npm run build there once.`);
    process.exit(1);
  }
}

/** What is set once for whatever is started with this data folder; the environment goes before. */
const kept = path.join(DATA, 'settings.env');
if (existsSync(kept)) process.loadEnvFile(kept);
