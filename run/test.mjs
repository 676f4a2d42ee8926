import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { buildServer, programOf } from './builtServer.mjs';
import { ensureModules } from './install.mjs';
import { ROOT } from './places.mjs';
import { startThrowAwayPostgres } from './postgres.mjs';
import { say } from './say.mjs';
import { whatFailed } from './whatFailed.mjs';

/** Everything that must hold, on a fresh machine: installs what is missing, then looks at each thing in turn. */
const began = Date.now();
// Debian's packages and the modules come side by side.
const debian = spawn(process.execPath, [path.join(ROOT, 'run/debian.mjs')], { stdio: ['ignore', 2, 2] });
const fromDebian = once(debian, 'exit');
ensureModules();
if ((await fromDebian)[0] !== 0) process.exit(1);
const postgres = await startThrowAwayPostgres();
process.on('exit', () => postgres.stop());
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));

const counts = { passed: 0, failed: 0 };
/** Steps that failed, with all that they said. */
const failures = [];
const BIN = path.join(ROOT, 'node_modules', '.bin');
const inFolder = (folder) => path.join(ROOT, folder);

/** How the runners say how many tests passed and failed. */
const SAID = [
  { passed: /Tests:.*?(\d+) passed/, failed: /Tests:.*?(\d+) failed/ },
  { passed: /^(?:#|ℹ) pass (\d+)/m, failed: /^(?:#|ℹ) fail (\d+)/m },
  { passed: /^\s+(\d+) passed/m, failed: /^\s+(\d+) failed/m },
];

function step(name, program, args, { cwd = ROOT, env = {} } = {}) {
  const began = Date.now();
  return new Promise((resolve) => {
    const child = spawn(program, args, {
      cwd,
      env: { ...process.env, CI: '1', FORCE_COLOR: '0', ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
    child.on('exit', (code) => {
      const ok = code === 0;
      if (!ok) {
        failures.push({ name, said });
        // Once more at the end, if it comes to that.
        console.log(whatFailed(said));
      }
      for (const { passed, failed } of SAID) {
        counts.passed += Number(said.match(passed)?.[1] ?? 0);
        counts.failed += Number(said.match(failed)?.[1] ?? 0);
      }
      say(`${ok ? 'ok    ' : 'FAILED'} ${name} (${Math.round((Date.now() - began) / 1000)} s)`);
      resolve(ok);
    });
  });
}

/** The server's tests, each file a process of its own, on copies of one migrated database. */
async function serverTests() {
  const where = { cwd: inFolder('server'), env: { TEST_DATABASE_URL: postgres.urlOf('postgres') } };
  const template = await node('a database to copy', ['--import', 'tsx', 'src/testing/makeTemplate.ts'], where);
  // Not before the modules are there: it needs one of them.
  const { builtServerTests } = await import('./serverTests.mjs');
  const files = await builtServerTests();
  return (await node('server on PostgreSQL', ['--test', '--test-concurrency', '2', ...files], where)) && template;
}

const results = [];
/** Steps that do not need each other, two at a time: each keeps two processors busy for most of its time. */
async function steps(list) {
  const left = [...list];
  const takeNext = async () => {
    for (let next = left.shift(); next; next = left.shift()) results.push(await next());
  };
  await Promise.all([takeNext(), takeNext()]);
}

const node = (name, args, options) => step(name, process.execPath, args, options);
const TSC = path.join(ROOT, 'node_modules/typescript-fast/bin/tsc');
const TEMPLATE = 'hudrik_template';
postgres.ensureDatabase(TEMPLATE);
await buildServer();

results.push(
  await step('typed routes', path.join(BIN, 'expo'), ['customize', 'tsconfig.json'], {
    cwd: inFolder('app'),
    env: { EXPO_OFFLINE: '1' },
  }),
);
await steps([
  // The longest first: it goes beside everything that does not need it.
  () => node('the web app', ['run/buildWeb.mjs']),
  () => step('app', path.join(BIN, 'jest'), ['--maxWorkers', '2'], { cwd: inFolder('app') }),
  () => serverTests(),
  () => step('lint', path.join(BIN, 'oxlint'), []),
  () => step('format', path.join(BIN, 'oxfmt'), ['--check', '.']),
  () => step('core', path.join(BIN, 'jest'), ['--maxWorkers', '1'], { cwd: inFolder('core') }),
  ...['core', 'server', 'app', 'e2e'].map(
    (workspace) => () => node(`types of ${workspace}`, [TSC, '--noEmit', '-p', '.'], { cwd: inFolder(workspace) }),
  ),
  () => step('layering', 'npm', ['run', '-s', 'layering']),
  () => step('nothing unused', path.join(BIN, 'knip'), ['--no-progress']),
  () => node('no id of the catalogue outside it', ['run/strayIds.mjs']),
  () =>
    node('the start command', [
      '--test',
      'run/keepRunning.test.mjs',
      'run/machines.test.mjs',
      'run/postgres.test.mjs',
      'run/settings.test.mjs',
      'run/several.test.mjs',
      'run/whatFailed.test.mjs',
    ]),
  () =>
    node('the demo’s yard', [...programOf('administration/main.ts'), 'demo-data'], {
      cwd: inFolder('server'),
      env: { DATABASE_URL: postgres.urlOf(TEMPLATE), HUDRIK_DEMO: '1' },
    }),
]);
results.push(await node('what the first screen needs', ['run/budget.mjs']));
results.push(
  await step('in the browser', path.join(BIN, 'playwright'), ['test'], {
    cwd: inFolder('e2e'),
    env: { POSTGRES_URL: postgres.urlOf('postgres'), YARD_TEMPLATE: TEMPLATE },
  }),
);

// What is read first stands last: logs are long.
const FAILED = path.join(ROOT, '.hudrik', 'failed');
for (const { name, said } of failures) {
  mkdirSync(FAILED, { recursive: true });
  const file = path.join(FAILED, `${name.replaceAll(/\W+/g, '-')}.log`);
  writeFileSync(file, said);
  console.log(`\n${name} failed; all that it said is in ${path.relative(ROOT, file)}:\n${whatFailed(said)}\n`);
}
console.log(`${counts.passed} passed, ${counts.failed} failed (${Math.round((Date.now() - began) / 1000)} s)`);
process.exit(results.every(Boolean) ? 0 : 1);
