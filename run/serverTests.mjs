import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { buildInto, builtFrom, buildServer, builtWorker, SOURCES } from './builtServer.mjs';
import { ROOT } from './places.mjs';

const BUILT = path.join(ROOT, 'server', '.tests');
/** These load sources as they run (migrations one by one, processes of their own): they cannot be put together before. */
const AS_THEY_ARE = /migrationsAfter|migratorFor|emptyDatabase|testing\/processes/;
/** Long enough to be a process of their own; begun first, so that none is waited for at the end. */
const LONG =
  /(promise|fuzz|roles|cards|bench|signing|visits|ways|demo|looks|exactlyOnce|guards|parts|findings|api|forecast|rights)\.test\.ts$/;
/** The others share processes, so many files to each: a process costs as much as a short test. */
const TOGETHER = 5;

const filesUnder = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
  );

const testFiles = () => filesUnder(SOURCES).filter((file) => file.endsWith('.test.ts'));
const isAsItIs = (file) => AS_THEY_ARE.test(readFileSync(file, 'utf8'));

/** What a source says of its own place stays true; its workers are the built ones. */
export const asTested = (text, file) =>
  text
    .replaceAll(/new URL\('([^']+\.worker\.ts)', import\.meta\.url\)/g, (_, worker) => {
      const built = builtWorker(path.resolve(path.dirname(file), worker));
      return `new URL(${JSON.stringify(pathToFileURL(built).href)})`;
    })
    .replaceAll('import.meta.url', JSON.stringify(pathToFileURL(file).href));

async function buildTests(tests) {
  if (!process.env.HUDRIK_BUILT) await buildServer();
  return buildInto(
    BUILT,
    tests.filter((file) => !isAsItIs(file)),
    asTested,
  );
}

/**
 * The server's tests as files that start at once: their sources are put together before, once for all, where each would read some hundred
 * files by itself. What a source says of its own place stays true.
 */
export async function builtServerTests() {
  const tests = testFiles();
  await buildTests(tests);
  const builtOf = (file) => builtFrom(BUILT, file);
  const alone = tests
    .filter((file) => isAsItIs(file) || LONG.test(file))
    .map((file) => (isAsItIs(file) ? asItIs(file) : builtOf(file)));
  return [...alone, ...groups(tests.filter((file) => !isAsItIs(file) && !LONG.test(file)).map(builtOf))];
}

/** Of the tests that a change of these files reaches: the source and what runs it, those that are made of the least first. */
export async function serverTestsReachedBy(changed) {
  const tests = testFiles();
  const { outputs } = await buildTests(tests);
  const within = (output, seen = new Set()) => {
    if (seen.has(output)) return seen;
    seen.add(output);
    for (const { path: imported, external } of outputs[output]?.imports ?? []) if (!external) within(imported, seen);
    return seen;
  };
  const sourcesOf = (output) =>
    [...within(output)].flatMap((one) => Object.keys(outputs[one]?.inputs ?? {})).map((file) => path.resolve(file));
  return Object.entries(outputs)
    .filter(([, { entryPoint }]) => entryPoint)
    .map(([output, { entryPoint }]) => ({ source: entryPoint, runs: path.resolve(output), made: sourcesOf(output) }))
    .filter(({ made }) => made.some((file) => changed.includes(file)))
    .sort(
      (a, b) =>
        Number(changed.includes(path.resolve(b.source))) - Number(changed.includes(path.resolve(a.source))) ||
        a.made.length - b.made.length,
    );
}

function startOf(name, lines) {
  const file = path.join(BUILT, name);
  writeFileSync(file, `${lines.join('\n')}\n`);
  return file;
}

const asItIs = (file) =>
  startOf(path.relative(SOURCES, file).replaceAll(path.sep, '_').replace(/\.ts$/, '.mjs'), [
    `import 'tsx/esm';`,
    `await import(${JSON.stringify(pathToFileURL(file).href)});`,
  ]);

/** Files that run one after the other in a process. */
function groups(files) {
  const count = Math.ceil(files.length / TOGETHER);
  return Array.from({ length: count }, (_, n) =>
    startOf(
      `together_${n}.test.mjs`,
      files
        .filter((_file, at) => at % count === n)
        .map((file) => `import ${JSON.stringify(pathToFileURL(file).href)};`),
    ),
  );
}
