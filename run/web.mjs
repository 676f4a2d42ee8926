import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { asOwner, mustWrite, ROOT } from './places.mjs';
import { giveUp, say } from './say.mjs';

const APP = path.join(ROOT, 'app');
const LEFT_OUT = new Set(['node_modules', 'dist', '.expo']);

/** Builds the web app when its sources changed since the last build. */
export function ensureWeb() {
  const stamp = path.join(APP, 'dist', 'stamp.txt');
  const wanted = fingerprint();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  mustWrite(APP);
  say('building the web app (about a minute the first time)');
  const env = { ...process.env, CI: '1', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', NODE_ENV: 'production' };
  const built = spawnSync('npx', ['expo', 'export', '-p', 'web', '--max-workers', '2'], {
    cwd: APP,
    env,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  if (built.status !== 0) giveUp(`the web app could not be built:\n${built.stdout}${built.stderr}`);
  for (const after of ['lateCommon.mjs', 'build-sw.mjs']) {
    const done = spawnSync(process.execPath, [after], { cwd: APP, encoding: 'utf8' });
    if (done.status !== 0) giveUp(`${after} failed:\n${done.stderr}`);
  }
  writeFileSync(stamp, wanted);
  for (const made of ['dist', '.expo', 'expo-env.d.ts']) asOwner(path.join(APP, made));
}

function fingerprint() {
  const hash = createHash('sha256').update(readFileSync(path.join(ROOT, 'package-lock.json')));
  for (const file of [...filesIn(APP), ...filesIn(path.join(ROOT, 'core', 'src'))])
    hash.update(path.relative(ROOT, file)).update(readFileSync(file));
  return hash.digest('hex');
}

function filesIn(folder) {
  return readdirSync(folder, { withFileTypes: true })
    .filter((entry) => !LEFT_OUT.has(entry.name) && !/\.test\.tsx?$/.test(entry.name) && entry.name !== 'expo-env.d.ts')
    .flatMap((entry) =>
      entry.isDirectory() ? filesIn(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
    )
    .sort();
}
