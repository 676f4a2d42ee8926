import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { ROOT } from './places.mjs';

const SERVER = path.join(ROOT, 'server');
const SOURCES = path.join(SERVER, 'src');
const BUILT = path.join(SERVER, '.tests');
/** These load sources as they run (migrations one by one, processes of their own): they cannot be put together before. */
const AS_THEY_ARE = /migrationsAfter|migratorFor|emptyDatabase|testing\/processes/;
/** The longest first, so that it is not waited for at the end. */
const LONGEST = 'promise.test.ts';

const filesUnder = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
  );

/**
 * The server's tests as files that start at once: their sources are put together before, once for all, where each would read some hundred
 * files by itself. What a source says of its own place stays true.
 */
export async function builtServerTests() {
  const tests = filesUnder(SOURCES)
    .filter((file) => file.endsWith('.test.ts'))
    .sort((x, y) => Number(y.endsWith(LONGEST)) - Number(x.endsWith(LONGEST)));
  rmSync(BUILT, { recursive: true, force: true });
  const isAsItIs = (file) => AS_THEY_ARE.test(readFileSync(file, 'utf8'));
  await build({
    entryPoints: tests.filter((file) => !isAsItIs(file)),
    outdir: BUILT,
    outbase: SOURCES,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    logLevel: 'warning',
    plugins: [{ name: 'as-in-the-sources', setup: asInTheSources }],
  });
  return tests.map((file) => {
    const built = path.join(BUILT, path.relative(SOURCES, file)).replace(/\.ts$/, '.mjs');
    if (isAsItIs(file)) {
      const started = built.replaceAll(path.sep, '_').replace(/^.*\.tests_/, `${BUILT}${path.sep}`);
      writeFileSync(started, `import 'tsx/esm';\nawait import(${JSON.stringify(pathToFileURL(file).href)});\n`);
      return started;
    }
    return built;
  });
}

function asInTheSources(esbuild) {
  // Packages stay packages; the workspace's own are sources.
  esbuild.onResolve({ filter: /^[^./]/ }, ({ path: asked }) =>
    asked.startsWith('@hudrik/') || path.isAbsolute(asked) ? undefined : { path: asked, external: true },
  );
  esbuild.onLoad({ filter: /\.ts$/ }, ({ path: file }) => ({
    contents: readFileSync(file, 'utf8').replaceAll('import.meta.url', JSON.stringify(pathToFileURL(file).href)),
    loader: 'ts',
  }));
}
