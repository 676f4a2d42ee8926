import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from './places.mjs';

/**
 * The id of a class or a fault outside the catalogue means that code knows one machine or one trouble by name where a table should say it.
 * Left out: tests, the demo's scenario, which is data by class itself, and migrations, which say what was kept at their time.
 */
const ids = readFileSync(path.join(ROOT, 'core/src/catalogue/ids.ts'), 'utf8');
const listed = (name) =>
  [...(ids.match(new RegExp(`${name} = \\[([^\\]]*)\\]`))?.[1] ?? '').matchAll(/'([^']+)'/g)].map((match) => match[1]);
// A fault whose id is one plain word cannot be told from that word.
const IDS = [...listed('CLASS_IDS'), ...listed('FAULT_IDS').filter((id) => id.includes('-'))];
const LEFT_OUT =
  /core\/src\/catalogue\/|\.(test|samples)\.tsx?$|server\/src\/(demo|testing|benchmarks|database\/migrations)\/|app\/src\/testing\//;

const filesUnder = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
  );
const stray = ['core/src', 'server/src', 'app/src', 'app/app']
  .flatMap((folder) => filesUnder(path.join(ROOT, folder)))
  .map((file) => path.relative(ROOT, file))
  .filter((file) => /\.tsx?$/.test(file) && !LEFT_OUT.test(file))
  .flatMap((file) => {
    const text = readFileSync(path.join(ROOT, file), 'utf8');
    return IDS.filter((id) => text.includes(`'${id}'`)).map((id) => `${file} knows ${id}`);
  });
for (const line of stray) console.error(line);
process.exit(IDS.length > 40 && stray.length === 0 ? 0 : 1);
