import { createHash } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { classTagsFile, idsFile } from '../core/src/catalogue/idsFile';
import { limitsDocument } from '../core/src/sources';

const fingerprint = (text: string): string => createHash('sha256').update(text).digest('hex');

const texts = { ids: idsFile(fingerprint), classTags: classTagsFile() };
for (const [name, text] of Object.entries(texts)) {
  const file = new URL(`../core/src/catalogue/${name}.ts`, import.meta.url).pathname;
  writeFileSync(file, await format(text, { ...(await resolveConfig(file)), filepath: file }));
}
writeFileSync(new URL('../docs/limits.md', import.meta.url).pathname, limitsDocument());
