import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { format } from 'oxfmt';
import { classTagsFile, idsFile } from '../core/src/catalogue/idsFile';
import { limitsDocument } from '../core/src/sources';

const fingerprint = (text: string): string => createHash('sha256').update(text).digest('hex');

const { ignorePatterns: _, ...style } = JSON.parse(readFileSync(new URL('../.oxfmtrc.json', import.meta.url), 'utf8'));
const texts = { ids: idsFile(fingerprint), classTags: classTagsFile() };
for (const [name, text] of Object.entries(texts)) {
  const file = new URL(`../core/src/catalogue/${name}.ts`, import.meta.url).pathname;
  writeFileSync(file, (await format(file, text, style)).code);
}
writeFileSync(new URL('../docs/limits.md', import.meta.url).pathname, limitsDocument());
