import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { commonTokens } from '@stryker-mutator/api/plugin';
import { Stryker } from '@stryker-mutator/core';
import { createInstrumenter } from '@stryker-mutator/instrumenter';
import seedrandom from 'seedrandom';
import { createInjector } from 'typed-inject';
import { ensureModules } from './install.mjs';
import { DATA, ROOT } from './places.mjs';
import { startThrowAwayPostgres } from './postgres.mjs';
import { giveUp, say } from './say.mjs';

/**
 * Breaks a seeded sample of lines, folder by folder, and counts how many of the breaks the tests notice.
 * `npm run mutants` for all, `npm run mutants -- core/torque server/parts` for some. A folder whose files have not
 * changed since it was last looked at keeps its result, so a run that was stopped goes on where it was.
 */
ensureModules();
process.env.FORCE_COLOR = '0';

const SEED = 'hudrik';
const LIMITS = {
  core: { sample: 150, least: 80, left: ['catalogue', 'contracts'] },
  server: { sample: 24, least: 70, left: ['administration', 'benchmarks', 'database', 'demo', 'testing', 'standins'] },
};
/** The server's tests that look at a folder, where that is not only its own. */
const TESTED_BY = {
  checkouts: ['checkouts/checkOut', 'hires/hires'],
  fleet: ['fleet/units', 'fleet/models', 'checkins/checkIn'],
  http: ['http/api', 'http/roles', 'http/exactlyOnce', 'http/fuzz'],
  jobs: ['jobs/jobs', 'defects/defects', 'checkins/kept'],
  log: ['log/log', 'http/exactlyOnce', 'findings/findings'],
  people: ['people/people', 'people/settings', 'http/api'],
};

const filesUnder = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
  );
const isTest = (file) => /\.test\.tsx?$/.test(file);
const isCode = (file) => /\.ts$/.test(file) && !isTest(file) && !/\.(d|samples)\.ts$/.test(file);

const quiet = {
  isDebugEnabled: () => false,
  ...Object.fromEntries(['debug', 'info', 'warn', 'error', 'trace', 'fatal'].map((level) => [level, () => {}])),
};

/** Where each mutant of these files stands, in file order. */
async function mutantsOf(files) {
  const instrumenter = createInjector().provideValue(commonTokens.logger, quiet).injectFunction(createInstrumenter);
  const { mutants } = await instrumenter.instrument(
    files.map((name) => ({ name, mutate: true, content: readFileSync(name, 'utf8') })),
    { plugins: null, excludedMutations: LEFT_ALONE, ignorers: [], noHeader: true },
  );
  return mutants
    .filter(({ mutatorName }) => !LEFT_ALONE.includes(mutatorName))
    .map(({ fileName, location }) => ({ fileName, ...location }));
}

const within = (inner, outer) =>
  inner.fileName === outer.fileName &&
  [inner.start, outer.end].every((at) => notBefore(at, outer.start)) &&
  notBefore(outer.end, inner.end);
const notBefore = (a, b) => a.line > b.line || (a.line === b.line && a.column >= b.column);

/** Codes are typed, so that a wrong one does not compile; other strings are sentences, read by people and not by tests. */
const LEFT_ALONE = ['StringLiteral'];

/** A range with more nested in it than this is left, so that the sample is spread over the folder. */
const NESTED = 12;

/** Ranges that hold at most so many mutants together; a range holds also what is nested in it. */
function sampleOf(mutants, most, random) {
  const left = [...mutants];
  const ranges = [];
  let held = new Set();
  while (left.length > 0 && held.size < most) {
    const [chosen] = left.splice(Math.floor(random() * left.length), 1);
    const nested = mutants.filter((one) => within(one, chosen));
    const also = new Set([...held, ...nested]);
    if (nested.length > NESTED || also.size > most) continue;
    held = also;
    ranges.push(chosen);
  }
  return { ranges, count: held.size };
}

const rangeOf = (cwd, { fileName, start, end }) =>
  `${path.relative(cwd, fileName)}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`;

function settingsFor(layer, tests, cwd) {
  if (layer === 'core')
    return {
      testRunner: 'jest',
      plugins: ['@stryker-mutator/jest-runner'],
      coverageAnalysis: 'perTest',
      jest: { configFile: 'jest.config.cjs' },
    };
  const files = tests.map((test) => path.relative(cwd, test)).join(' ');
  return {
    testRunner: 'command',
    plugins: [],
    coverageAnalysis: 'off',
    commandRunner: { command: `node --import tsx ${path.join(ROOT, 'run/firstFailure.mjs')} ${files}` },
  };
}

const KEPT = path.join(DATA, 'mutants');
mkdirSync(KEPT, { recursive: true });
const keptAt = (name) => path.join(KEPT, `${name.replace('/', '-')}.json`);
const keptFor = (name, hash) => {
  try {
    const kept = JSON.parse(readFileSync(keptAt(name), 'utf8'));
    return kept.hash === hash ? kept : null;
  } catch {
    return null;
  }
};

/** The files of a folder, the tests that look at it, and a mark of what stands in all of them. */
function roomOf(layer, folder) {
  const cwd = path.join(ROOT, layer);
  const files = filesUnder(path.join(cwd, 'src', folder));
  const others = layer === 'server' ? TESTED_BY[folder] : undefined;
  const tests = others?.map((test) => path.join(cwd, 'src', `${test}.test.ts`)) ?? files.filter(isTest);
  const code = files.filter(isCode);
  const hash = createHash('sha256');
  for (const file of [...code, ...tests]) hash.update(readFileSync(file));
  return { name: `${layer}/${folder}`, layer, cwd, code, tests, mark: hash.digest('hex') };
}

async function lookAt(room) {
  const kept = keptFor(room.name, room.mark);
  if (kept) return kept;
  const all = await mutantsOf(room.code);
  const { ranges, count } = sampleOf(all, LIMITS[room.layer].sample, seedrandom(`${SEED} ${room.name}`));
  if (count === 0) return null;
  say(`${room.name}: ${count} of ${all.length} mutants`);
  const result = { ...resultOf(await run(room, ranges)), name: room.name, hash: room.mark, mutants: all.length };
  writeFileSync(keptAt(room.name), JSON.stringify(result, null, 2));
  return result;
}

/** Stryker works in the folder it is started in. */
async function run({ layer, tests, cwd }, ranges) {
  const before = process.cwd();
  process.chdir(cwd);
  try {
    return await new Stryker({
      ...settingsFor(layer, tests, cwd),
      mutator: { excludedMutations: LEFT_ALONE },
      disableTypeChecks: false,
      mutate: ranges.map((range) => rangeOf(cwd, range)),
      concurrency: 2,
      reporters: [],
      logLevel: 'error',
      timeoutMS: 8_000,
    }).runMutationTest();
  } finally {
    process.chdir(before);
  }
}

const NOTICED = ['Killed', 'Timeout'];
const MISSED = ['Survived', 'NoCoverage'];
function resultOf(mutants) {
  const missed = mutants.filter((one) => MISSED.includes(one.status));
  const noticed = mutants.filter((one) => NOTICED.includes(one.status)).length;
  return {
    noticed,
    counted: noticed + missed.length,
    survivors: missed.map(({ fileName, location, mutatorName, replacement }) => ({
      at: `${path.relative(ROOT, fileName)}:${location.start.line + 1}:${location.start.column + 1}`,
      kind: mutatorName,
      to: replacement.replace(/\s+/g, ' ').slice(0, 100),
    })),
  };
}

const wanted = process.argv.slice(2);
const folders = Object.entries(LIMITS).flatMap(([layer, { left }]) =>
  readdirSync(path.join(ROOT, layer, 'src'), { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && !left.includes(entry.name))
    .map((entry) => ({ layer, folder: entry.name }))
    .filter(({ folder }) => wanted.length === 0 || wanted.includes(`${layer}/${folder}`) || wanted.includes(layer)),
);
if (folders.length === 0) giveUp(`no such folder: ${wanted.join(', ')}`);
if (folders.some(({ layer }) => layer === 'server')) {
  const postgres = await startThrowAwayPostgres();
  process.on('exit', () => postgres.stop());
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));
  process.env.TEST_DATABASE_URL = postgres.urlOf('postgres');
}

// The slowest last: a run that is stopped has seen the most.
folders.sort((a, b) => Number(a.folder === 'background') - Number(b.folder === 'background'));
const results = [];
for (const { layer, folder } of folders) {
  const result = await lookAt(roomOf(layer, folder));
  if (!result) continue;
  const share = Math.round((100 * result.noticed) / result.counted);
  const enough = share >= LIMITS[layer].least;
  results.push(enough);
  console.log(
    `${enough ? 'ok    ' : 'WEAK  '} ${result.name.padEnd(20)} ${String(share).padStart(3)} % of ${result.counted} noticed`,
  );
  for (const { at, kind, to } of result.survivors) console.log(`         ${at}  ${kind} → ${to}`);
}
process.exit(results.every(Boolean) ? 0 : 1);
