import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { classTagsFile, idsFile } from './idsFile';
import { FAULTS, OBSERVATION_IDS, type AnyFault } from './index';

/** The text without what formatting may change. */
const bare = (text: string): string => text.replace(/[\s'",;]/g, '');
const written = (file: string): string => bare(readFileSync(path.join(__dirname, file), 'utf8'));
const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

describe('what is made from the catalogue is made from the catalogue as it is (else: npm run ids)', () => {
  test('ids and editions', () => expect(written('ids.ts')).toBe(bare(idsFile(sha256))));
  test('class tags', () => expect(written('classTags.ts')).toBe(bare(classTagsFile())));
});

test('an edition changes with its content and not with the order of entries', () => {
  const seen: string[] = [];
  idsFile((text) => {
    seen.push(text);
    return '0123456789ab';
  });
  expect(seen).toHaveLength(3);
  expect(seen[2]).toContain('"air-filter-blocked":{');
  expect(seen[2]?.indexOf('"air-filter-blocked":{')).toBeLessThan(seen[2]?.indexOf('"bowl-face-pitted":{') ?? 0);
});

test.each(OBSERVATION_IDS)(
  '%s: no two faults that speak to it have one rank, so that it is settled who is heard',
  (id) => {
    const speaking = Object.values<AnyFault>(FAULTS).filter((fault) => fault.shows[id] !== undefined);
    expect(new Set(speaking.map((fault) => fault.rank)).size).toBe(speaking.length);
  },
);
