import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from './places.mjs';

/**
 * The id of a class outside the catalogue means that code knows one machine by name where a table should say it.
 * Left out: tests, the demo's scenario and the drawings, which are data by class themselves.
 */
const IDS = readdirSync(path.join(ROOT, 'core/src/catalogue/classes'))
  .filter((file) => file !== 'index.ts')
  .map(
    (file) =>
      readFileSync(path.join(ROOT, 'core/src/catalogue/classes', file), 'utf8').match(/^ {2}id: '([a-z-]+)'/m)?.[1],
  );
const LEFT_OUT =
  /core\/src\/catalogue\/|\.test\.tsx?$|server\/src\/(demo|testing)\/|app\/src\/testing\/|fleet\/silhouettes\.tsx$/;

const filesUnder = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
  );
const stray = ['core/src', 'server/src', 'app/src', 'app/app']
  .flatMap((folder) => filesUnder(path.join(ROOT, folder)))
  .map((file) => path.relative(ROOT, file))
  .filter((file) => /\.tsx?$/.test(file) && !LEFT_OUT.test(file))
  .flatMap((file) =>
    IDS.filter((id) => readFileSync(path.join(ROOT, file), 'utf8').includes(`'${id}'`)).map(
      (id) => `${file} knows ${id}`,
    ),
  );
for (const line of stray) console.error(line);
process.exit(IDS.length > 0 && IDS.every(Boolean) && stray.length === 0 ? 0 : 1);
