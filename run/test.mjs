import { spawn } from 'node:child_process';
import { readdirSync } from 'node:fs';
import path from 'node:path';
import { ensureChromium, ensureModules } from './install.mjs';
import { ROOT } from './places.mjs';
import { freePort, startThrowAwayPostgres } from './postgres.mjs';
import { say } from './say.mjs';
import { ensureWeb } from './web.mjs';

/** Everything that must hold, on a fresh machine: installs what is missing, then looks at each thing in turn. */
ensureModules();
ensureChromium();
const postgres = await startThrowAwayPostgres();
process.on('exit', () => postgres.stop());
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));

const counts = { passed: 0, failed: 0 };
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
      if (!ok) process.stdout.write(said);
      for (const { passed, failed } of SAID) {
        counts.passed += Number(said.match(passed)?.[1] ?? 0);
        counts.failed += Number(said.match(failed)?.[1] ?? 0);
      }
      say(`${ok ? 'ok    ' : 'FAILED'} ${name} (${Math.round((Date.now() - began) / 1000)} s)`);
      resolve(ok);
    });
  });
}

const serverTests = () => filesUnder(inFolder('server/src')).filter((file) => file.endsWith('.test.ts'));
const filesUnder = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
  );

const results = [];
/** Steps that do not need each other, two at a time: as many as a small machine has processors. */
async function steps(list) {
  const left = [...list];
  const takeNext = async () => {
    for (let next = left.shift(); next; next = left.shift()) results.push(await next());
  };
  await Promise.all([takeNext(), takeNext()]);
}

await steps([
  () =>
    step('typed routes', path.join(BIN, 'expo'), ['customize', 'tsconfig.json'], {
      cwd: inFolder('app'),
      env: { EXPO_OFFLINE: '1' },
    }),
  () => step('layering', 'npm', ['run', '-s', 'layering']),
]);
await steps([
  () => step('format', path.join(BIN, 'prettier'), ['--check', '.']),
  () => step('lint', path.join(BIN, 'eslint'), ['.', '--max-warnings', '0']),
  ...['core', 'server', 'app', 'e2e'].map(
    (workspace) => () =>
      step(`types of ${workspace}`, path.join(BIN, 'tsc'), ['--noEmit', '-p', '.'], { cwd: inFolder(workspace) }),
  ),
  () => step('no id of the catalogue outside it', process.execPath, ['run/strayIds.mjs']),
  () => step('core', path.join(BIN, 'jest'), ['--maxWorkers', '1'], { cwd: inFolder('core') }),
  () => step('app', path.join(BIN, 'jest'), ['--maxWorkers', '1'], { cwd: inFolder('app') }),
  () =>
    step(
      'server on PostgreSQL',
      process.execPath,
      ['--import', 'tsx', '--test', '--test-concurrency', '2', ...serverTests()],
      { cwd: inFolder('server'), env: { TEST_DATABASE_URL: postgres.urlOf('postgres') } },
    ),
]);
ensureWeb();
await steps(['phone', 'wide'].map((size) => () => browserTests(size)));

/** One size of screen on a yard of its own: the two go at the same time and do not take each other's units. */
async function browserTests(size) {
  const { startDemoServer } = await import('./demoServer.mjs');
  const server = await startDemoServer(postgres, `hudrik_${size}`, await freePort());
  try {
    return await step(
      `in the browser, ${size}`,
      path.join(BIN, 'playwright'),
      ['test', '--project', size, '--output', `results/${size}`],
      {
        cwd: inFolder('e2e'),
        env: { BASE_URL: server.url, SERVER_PID: String(server.pid), DATABASE_URL: server.databaseUrl },
      },
    );
  } finally {
    server.stop();
  }
}

console.log(`${counts.passed} passed, ${counts.failed} failed`);
process.exit(results.every(Boolean) ? 0 : 1);
