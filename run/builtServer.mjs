import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { asOwner, mustWrite, ROOT } from './places.mjs';

const SERVER = path.join(ROOT, 'server');
export const SOURCES = path.join(SERVER, 'src');
const BUILT = path.join(SERVER, '.built');
const PROGRAMS = ['main.ts', 'standins/main.ts', 'administration/main.ts', 'administration/diagnose.ts'];
const WORKERS = ['sums/sums.worker.ts', 'printing/paper.worker.ts', 'outside/reading.worker.ts'];
const MIGRATIONS = 'database/migrations';

/** Puts sources together as files that start at once, each where its source lies under the folder. Out: by file, what it is made of. */
export async function buildInto(outdir, entryPoints, change) {
  rmSync(outdir, { recursive: true, force: true });
  // Not before the modules are there.
  const { build } = await import('esbuild');
  const { metafile } = await build({
    ...{ entryPoints, outdir, outbase: SOURCES, outExtension: { '.js': '.mjs' } },
    ...{ bundle: true, splitting: true, format: 'esm', platform: 'node', logLevel: 'warning', metafile: true },
    plugins: [{ name: 'own-sources', setup: ownSources(change) }],
  });
  return metafile;
}

/** Packages stay packages; the workspace's own are sources. */
const ownSources = (change) => (esbuild) => {
  esbuild.onResolve({ filter: /^[^./]/ }, ({ path: asked }) =>
    asked.startsWith('@hudrik/') || path.isAbsolute(asked) ? undefined : { path: asked, external: true },
  );
  esbuild.onLoad({ filter: /\.ts$/ }, ({ path: file }) => ({
    contents: change(readFileSync(file, 'utf8'), file),
    loader: 'ts',
  }));
};

export const builtFrom = (outdir, file) => path.join(outdir, path.relative(SOURCES, file).replace(/\.ts$/, '.mjs'));

/** The server as files that start in a third of the time: from now on its programs are run from them, here and in what is started from here. */
export async function buildServer() {
  process.env.HUDRIK_BUILT = BUILT;
  // Of each thread’s freed memory the C library would keep some for itself.
  process.env.MALLOC_ARENA_MAX ??= '2';
  const [stamp, wanted] = [path.join(BUILT, 'stamp.txt'), fingerprint()];
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  mustWrite(SERVER);
  const migrations = readdirSync(path.join(SOURCES, MIGRATIONS)).map((name) => path.join(MIGRATIONS, name));
  const entries = [...PROGRAMS, ...WORKERS, ...migrations].map((file) => path.join(SOURCES, file));
  await buildInto(BUILT, entries, (text, file) =>
    text
      .replaceAll('import.meta.url', JSON.stringify(pathToFileURL(builtFrom(BUILT, file)).href))
      .replaceAll(".worker.ts'", ".worker.mjs'"),
  );
  writeFileSync(stamp, wanted);
  asOwner(BUILT);
}

function fingerprint() {
  const hash = createHash('sha256').update(readFileSync(path.join(ROOT, 'package-lock.json')));
  // Where it stands is written into it.
  hash.update(BUILT);
  for (const folder of [SOURCES, path.join(ROOT, 'core/src')])
    for (const name of readdirSync(folder, { recursive: true }).sort())
      if (/\.(ts|json)$/.test(name) && !name.endsWith('.test.ts'))
        hash.update(name).update(readFileSync(path.join(folder, name)));
  return hash.digest('hex');
}

/** A worker as it was built: it starts in a third of the time, in tests too. */
export const builtWorker = (file) => builtFrom(BUILT, file);

/** What Node is to be started with for a program of the server: as it was built, or else from its sources. */
export const programOf = (file) => [
  ...SPARING,
  ...(file === 'main.ts' ? SERVER_ENDS : []),
  ...(process.env.HUDRIK_BUILT
    ? [path.join(process.env.HUDRIK_BUILT, file.replace(/\.ts$/, '.mjs'))]
    : ['--import', 'tsx', path.join(SOURCES, file)]),
];

/**
 * Room for what was just made, MB a half, and for the server itself an end to all: with more the engine lets what is over lie, takes twice the
 * memory, and is no faster. What a command reads may be the whole yard at once.
 */
const SPARING = ['--max-semi-space-size=4'];
const SERVER_ENDS = ['--max-old-space-size=1024'];
