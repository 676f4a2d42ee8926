import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { ensureModules } from './install.mjs';
import { buildServer } from './builtServer.mjs';
import { ROOT } from './places.mjs';
import { loadDemo, startDemoServer } from './demoServer.mjs';
import { outages } from './drills/outages.mjs';
import { freePort, startThrowAwayPostgres } from './postgres.mjs';
import { sayServing, serving } from './serving.mjs';
import { ensureWeb } from './web.mjs';

/** Speed and size, as ratios measured in one run where there is something to measure against. */
ensureModules();
await buildServer();
if (process.argv[2] === 'faults') process.exit(faults(process.argv.slice(3)));
if (process.argv[2] === 'wander') process.exit(wander());
const postgres = await startThrowAwayPostgres();
process.on('exit', () => postgres.stop());
if (process.argv[2] === 'promise') process.exit(promise());
// Ten million records: some minutes to make, so only when asked for.
if (process.argv[2] === 'ten-years') {
  const args = ['--import', 'tsx', '--max-old-space-size=8000', 'src/benchmarks/tenYears.ts'];
  const env = { ...process.env, DATABASE_URL: postgres.urlOf('postgres') };
  process.exit(
    spawnSync(process.execPath, args, { cwd: path.join(ROOT, 'server'), env, stdio: 'inherit' }).status ?? 1,
  );
}
if (process.argv[2] === 'browser') {
  ensureWeb();
  await inTheBrowser();
  process.exit(0);
}
spawnSync(process.execPath, ['--import', 'tsx', '--max-old-space-size=8000', 'src/benchmarks/store.ts'], {
  cwd: path.join(ROOT, 'server'),
  env: { ...process.env, DATABASE_URL: postgres.urlOf('postgres') },
  stdio: 'inherit',
});
sayServing(await serving(postgres, 'postgres'));
if (process.argv[2] === 'store') process.exit(0);

spawnSync(process.execPath, ['--import', 'tsx', 'src/benchmarks/longest.ts'], {
  cwd: path.join(ROOT, 'server'),
  stdio: 'inherit',
});
spawnSync(process.execPath, ['--import', 'tsx', 'src/benchmarks/planning.ts'], {
  cwd: path.join(ROOT, 'server'),
  stdio: 'inherit',
});

postgres.ensureDatabase('hudrik_lay_up');
spawnSync(process.execPath, ['--import', 'tsx', 'src/benchmarks/layUp.ts'], {
  cwd: path.join(ROOT, 'server'),
  env: { ...process.env, DATABASE_URL: postgres.urlOf('hudrik_lay_up') },
  stdio: 'inherit',
});

spawnSync(process.execPath, ['--import', 'tsx', 'src/benchmarks/diagnosis.ts'], {
  cwd: path.join(ROOT, 'server'),
  stdio: 'inherit',
});

spawnSync(process.execPath, ['--import', 'tsx', '--test', 'src/http/fuzz.test.ts'], {
  cwd: path.join(ROOT, 'server'),
  env: { ...process.env, TEST_DATABASE_URL: postgres.urlOf('postgres'), HUDRIK_FUZZ: '10000' },
  stdio: 'inherit',
});
await outages(postgres);

ensureWeb();
await inTheBrowser();
const folder = path.join(ROOT, 'app/dist/_expo/static');
const files = ['js/web', 'css']
  .flatMap((kind) =>
    existsSync(path.join(folder, kind))
      ? readdirSync(path.join(folder, kind)).map((file) => path.join(folder, kind, file))
      : [],
  )
  .filter((file) => /\.(js|css)$/.test(file));
const sized = files.map((file) => {
  const bytes = readFileSync(file);
  return {
    name: path.basename(file).replace(/-[0-9a-f]{32}/, ''),
    raw: bytes.length,
    gzip: gzipSync(bytes).length,
    brotli: brotliCompressSync(bytes).length,
  };
});
const kB = (bytes) => `${(bytes / 1000).toFixed(1).padStart(8)} kB`;
console.log(`\nweb, by chunk${' '.repeat(20)}raw        gzip      brotli`);
for (const entry of sized.sort((a, b) => b.brotli - a.brotli))
  console.log(`${entry.name.padEnd(30)}${kB(entry.raw)}${kB(entry.gzip)}${kB(entry.brotli)}`);
// What index.html asks for at once: the same as the budget counts.
spawnSync(process.execPath, ['run/budget.mjs'], { cwd: ROOT, stdio: 'inherit' });

/** In the browser: a reading to suspects and next steps in its web worker, and a visit dragged over 200 others. */
async function inTheBrowser() {
  const server = await startDemoServer(postgres, 'hudrik_bench', await freePort());
  try {
    for (const file of ['worker.bench.ts', 'drag.bench.ts', 'waiting.bench.ts'])
      spawnSync(process.execPath, ['--import', 'tsx', file], {
        cwd: path.join(ROOT, 'e2e'),
        env: { ...process.env, BASE_URL: server.url },
        stdio: 'inherit',
      });
  } finally {
    server.stop();
  }
  // Taps of a return in which all is well, of every class.
  loadDemo(postgres, 'hudrik_template');
  spawnSync(path.join(ROOT, 'node_modules/.bin/playwright'), ['test', 'return.spec.ts', '--project', 'phone'], {
    cwd: path.join(ROOT, 'e2e'),
    env: {
      ...process.env,
      ...{ HUDRIK_EVERY_CLASS: '1', POSTGRES_URL: postgres.urlOf('postgres'), YARD_TEMPLATE: 'hudrik_template' },
    },
    stdio: 'inherit',
  });
}

/** What goes wrong, made to go wrong: half an hour. In: the names of drills, or none for all. Out: an exit code. */
function faults(names) {
  ensureWeb();
  const args = ['--import', 'tsx', 'run/drills/main.mjs', ...names];
  return spawnSync(process.execPath, args, { cwd: ROOT, stdio: 'inherit' }).status ?? 1;
}

/** Twenty minutes of tapping anything, at each size. Out: an exit code. */
function wander() {
  const args = ['run/wander.mjs', '--minutes', '40', ...process.argv.slice(3)];
  return spawnSync(process.execPath, args, { cwd: ROOT, stdio: 'inherit' }).status ?? 1;
}

/**
 * “Fit means fit”, far longer than in the tests: 2,000 runs of 40 deeds and 300 of 60 take about two hours; HUDRIK_PROMISE takes fewer. Out: an
 * exit code.
 */
function promise() {
  return promised('2000', '40') || promised('300', '60');
}

function promised(runs, steps) {
  const more = { HUDRIK_PROMISE: runs, HUDRIK_PROMISE_STEPS: steps, ...process.env };
  const run = spawnSync(process.execPath, ['--import', 'tsx', '--test', 'src/defects/promise.test.ts'], {
    cwd: path.join(ROOT, 'server'),
    env: { ...more, TEST_DATABASE_URL: postgres.urlOf('postgres') },
    stdio: 'inherit',
  });
  return run.status ?? 1;
}
