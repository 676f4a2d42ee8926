import assert from 'node:assert/strict';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, describe, test } from 'node:test';
import { follows, lineageIn } from './lineage';

describe('which records were written to last', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'hudrik-lineage-'));
  const file = path.join(folder, 'written-to.json');
  after(() => rmSync(folder, { recursive: true, force: true }));
  const at = (timeline: number, system = 'a') => ({ system, timeline });

  test('the same ones at their time or later follow; earlier ones and others do not; at first any do', () => {
    assert.deepEqual(
      [at(3), at(2), at(1), at(9, 'b')].map((line) => follows(line, at(2))),
      [true, true, false, false],
    );
    assert.equal(follows(at(1, 'b'), null), true);
  });

  test('the newest is kept for whoever is started later, and seen by who runs already; an older one does not take its place', () => {
    const [mine, other] = [lineageIn(file), lineageIn(file)];
    assert.equal(mine.newest(), null);
    mine.follow(at(1));
    other.follow(at(3));
    assert.deepEqual([mine.newest(), lineageIn(file).newest()], [at(3), at(3)]);
    for (const line of [at(2), at(4, 'b')]) mine.follow(line);
    assert.deepEqual(other.newest(), at(3));
  });

  test('by hand another is accepted, older or of other records, and every process hears of it', () => {
    const running = lineageIn(file);
    lineageIn(file).accept(at(1, 'restored'));
    assert.deepEqual(running.newest(), at(1, 'restored'));
    // Nothing was written to yet by this process, and the file is gone: it remembers.
    rmSync(file);
    assert.deepEqual(running.newest(), at(1, 'restored'));
  });

  test('a file that is no such thing is not passed over in silence; one with other things in it counts as none', () => {
    writeFileSync(file, 'half a li');
    assert.throws(() => lineageIn(file).newest(), SyntaxError);
    writeFileSync(file, '{"system":7}');
    assert.equal(lineageIn(file).newest(), null);
    lineageIn(null).follow(at(1));
    assert.equal(readFileSync(file, 'utf8'), '{"system":7}');
  });
});
