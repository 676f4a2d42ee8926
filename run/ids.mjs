import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { ensureModules } from './install.mjs';
import { ROOT } from './places.mjs';

/** Writes the ids and editions of the catalogue anew: after any change of it. */
ensureModules();
const program = path.join(ROOT, 'run', 'writeIds.mts');
process.exit(spawnSync(process.execPath, ['--import', 'tsx', program], { cwd: ROOT, stdio: 'inherit' }).status ?? 1);
