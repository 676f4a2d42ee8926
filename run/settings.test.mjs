import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { test } from 'node:test';
import { ROOT } from './places.mjs';
import { SETTINGS, settingsPage, TOLD, wrongIn } from './settings.mjs';

const NAMES = [...Object.values(SETTINGS).flat(), ...TOLD.map((name) => ({ name }))].map(({ name }) => name);
const filesIn = (folder) =>
  readdirSync(path.join(ROOT, folder), { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? entry.name.startsWith('.') || entry.name === 'node_modules'
        ? []
        : filesIn(path.join(folder, entry.name))
      : [path.join(folder, entry.name)],
  );

test('every name that is read anywhere is a setting, and every setting is read', () => {
  const read = new Set(
    ['run', 'server/src', 'e2e', 'app/src']
      .flatMap(filesIn)
      .filter((file) => /\.(mjs|ts|tsx|mts)$/.test(file) && !file.includes('run/settings'))
      .flatMap((file) => readFileSync(path.join(ROOT, file), 'utf8').match(/\bHUDRIK_[A-Z_]+\b/g) ?? []),
  );
  assert.deepEqual(
    [...read].filter((name) => !NAMES.includes(name)),
    [],
  );
  assert.deepEqual(
    NAMES.filter((name) => name.startsWith('HUDRIK_') && !read.has(name)),
    [],
  );
});

test('the page is what the settings say', () => {
  const plain = (text) => text.replaceAll(/[-| ]+/g, ' ');
  assert.equal(plain(readFileSync(path.join(ROOT, 'docs/settings.md'), 'utf8')), plain(settingsPage()));
});

test('what is misspelt is asked about, and what cannot be is said', async () => {
  const { misspelt, values } = await wrongIn({
    ...{ HUDRIK_HOTS: '0.0.0.0', HUDRIK_WHATEVER_ELSE: '1', HUDRIK_DEMO: '1', OTHER: 'x' },
    ...{
      PORT: '99999',
      HUDRIK_PLAIN_HTTP: 'true',
      HUDRIK_PROCESSES: '0',
      HUDRIK_LOG: 'loud',
      HUDRIK_DESK_URL: 'ftp://x',
    },
    ...{ HUDRIK_BACKUPS: '', HUDRIK_HOST: '0.0.0.0', HUDRIK_SUPPLIER_FAILS: '0' },
  });
  assert.deepEqual(misspelt, [
    'there is no setting HUDRIK_HOTS: is HUDRIK_HOST meant?',
    'there is no setting HUDRIK_WHATEVER_ELSE; docs/settings.md has all of them.',
  ]);
  assert.deepEqual(values.map((line) => line.split(' ')[0]).sort(), [
    'HUDRIK_DESK_URL',
    'HUDRIK_LOG',
    'HUDRIK_PLAIN_HTTP',
    'HUDRIK_PROCESSES',
    'PORT',
  ]);
});

test('a start with what cannot be is none', () => {
  const env = { ...process.env, PORT: 'many' };
  const done = spawnSync(process.execPath, ['run/start.mjs'], { cwd: ROOT, env, encoding: 'utf8' });
  assert.notEqual(done.status, 0);
  assert.match(done.stderr, /PORT must be a port/);
});
