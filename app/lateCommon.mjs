import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** After the export: what only places share is not loaded with the page, but with the first place (see `src/places/lateCommon.web.ts`). */
const file = fileURLToPath(new URL('./dist/index.html', import.meta.url));
const html = readFileSync(file, 'utf8');
const late = html.replace(
  /<script src="([^"]*\/__common-[^"]+)" defer><\/script>/,
  '<link id="common" rel="prefetch" as="script" href="$1">',
);
if (late === html) throw new Error('no __common in index.html');
writeFileSync(file, late);
