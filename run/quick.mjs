import { execFileSync, spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from './places.mjs';
import { startThrowAwayPostgres } from './postgres.mjs';
import { say } from './say.mjs';
import { serverTestsReachedBy } from './serverTests.mjs';
import { whatFailed } from './whatFailed.mjs';

/**
 * For the work between: types, lint, format, and the tests that a change reaches, in under two minutes. The change is what differs from the
 * last commit, or from the one that is named (`npm run quick -- main~3`). What there was no time for is named at the end: `npm test` runs it.
 */
const BUDGET_MS = 75_000;
const began = Date.now();
const git = (...args) => execFileSync('git', args, { cwd: ROOT, encoding: 'utf8' }).split('\n').filter(Boolean);
const since = process.argv[2] ?? 'HEAD';
const changed = [...git('diff', '--name-only', since), ...git('ls-files', '--others', '--exclude-standard')]
  .map((file) => path.join(ROOT, file))
  .filter((file) => existsSync(file));
const inFolder = (folder) => path.join(ROOT, folder);
const changedIn = (folder) => changed.filter((file) => file.startsWith(inFolder(folder) + path.sep));
const isSource = (file) => /\.tsx?$/.test(file);

const results = [];
function step(name, program, args, { cwd = ROOT, env = {} } = {}) {
  const from = Date.now();
  return new Promise((resolve) => {
    const child = spawn(program, args, {
      cwd,
      env: { ...process.env, CI: '1', FORCE_COLOR: '0', ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
    child.on('exit', (code) => {
      if (code !== 0) console.log(whatFailed(said));
      say(`${code === 0 ? 'ok    ' : 'FAILED'} ${name} (${Math.round((Date.now() - from) / 1000)} s)`);
      results.push(code === 0);
      resolve();
    });
  });
}

const node = (name, args, options) => step(name, process.execPath, args, options);
const BIN = inFolder('node_modules/.bin');
const TSC = inFolder('node_modules/typescript-fast/bin/tsc');
const touched = ['core', 'server', 'app', 'e2e'].filter(
  (workspace) => changedIn(workspace).some(isSource) || (workspace !== 'e2e' && changedIn('core').some(isSource)),
);
const related = (workspace) =>
  step(
    `tests of ${workspace}`,
    path.join(BIN, 'jest'),
    ['--findRelatedTests', '--passWithNoTests', '--maxWorkers', '1', ...changedIn(workspace)],
    { cwd: inFolder(workspace) },
  );

const left = [
  () => step('lint', path.join(BIN, 'oxlint'), []),
  () => step('format', path.join(BIN, 'oxfmt'), ['--check', '.']),
  ...touched.map(
    (workspace) => () => node(`types of ${workspace}`, [TSC, '--noEmit', '-p', '.'], { cwd: inFolder(workspace) }),
  ),
  ...['core', 'app']
    .filter((workspace) => changedIn(workspace).some(isSource))
    .map((workspace) => () => related(workspace)),
];
const notRun = [];
if (touched.includes('server')) {
  const postgres = await startThrowAwayPostgres();
  process.on('exit', () => postgres.stop());
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));
  const where = { cwd: inFolder('server'), env: { TEST_DATABASE_URL: postgres.urlOf('postgres') } };
  const reached = await serverTestsReachedBy(changed);
  if (reached.length > 0) await node('a database to copy', ['--import', 'tsx', 'src/testing/makeTemplate.ts'], where);
  for (const { source, runs } of reached)
    left.push(async () => {
      const name = path.relative(ROOT, path.resolve(source));
      if (Date.now() - began > BUDGET_MS) notRun.push(name);
      else await node(name, ['--test', runs], where);
    });
}
const lane = async () => {
  for (let next = left.shift(); next; next = left.shift()) await next();
};
await Promise.all([lane(), lane()]);
if (notRun.length > 0)
  say(
    `no time was left for ${notRun.length} files of the server: ${notRun.map((file) => path.basename(file)).join(', ')}`,
  );
say(`${results.filter(Boolean).length} of ${results.length} well (${Math.round((Date.now() - began) / 1000)} s)`);
process.exit(results.every(Boolean) ? 0 : 1);
