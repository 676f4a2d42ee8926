import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, describe, test } from 'node:test';
import { blocksOf } from './drills/secondMachine.mjs';
import { ROOT } from './places.mjs';
import { reachIn, settingsOf } from './reach.mjs';
import { HBA, keepPasswords, passwordsOf, rulesFor } from './roles.mjs';
import { isRunnerAlive, noteRunner } from './runner.mjs';
import { unitOf } from './service.mjs';

const home = mkdtempSync(path.join(tmpdir(), 'hudrik-home-'));
after(() => rmSync(home, { recursive: true, force: true }));

describe('who may come to the records from other machines', () => {
  const OWN = `${HBA}host all all 10.0.0.0/8 scram-sha-256\n`;

  test('the peers that are named, over TLS, with a password, and never as the superuser', () => {
    const rules = rulesFor(HBA, ['192.0.2.2/32']);
    assert.ok(rules.startsWith(HBA));
    const added = rules
      .slice(HBA.length)
      .split('\n')
      .filter((line) => line !== '' && !line.startsWith('#'));
    assert.deepEqual(added, [
      'hostssl replication hudrik_copy 192.0.2.2/32 scram-sha-256',
      'hostssl all hudrik_app,hudrik_owner,hudrik_copy 192.0.2.2/32 scram-sha-256',
    ]);
  });

  test('at the next start those that are named then, and the yard’s own rules stay', () => {
    const once = rulesFor(OWN, ['192.0.2.2/32']);
    assert.equal(rulesFor(once, ['192.0.2.2/32']), once);
    assert.equal(rulesFor(once, ['192.0.2.9/32']), once.replaceAll('192.0.2.2', '192.0.2.9'));
    assert.equal(rulesFor(once, []), OWN);
    // What was written behind them stays behind them.
    assert.equal(rulesFor(`${once}# mine\n`, []), `${OWN}# mine\n`);
  });

  test('on this machine alone unless it is said; an address of one’s own gets a mask', () => {
    assert.deepEqual(reachIn({ HUDRIK_POSTGRES_PEERS: '192.0.2.2' }), {
      host: null,
      port: null,
      peers: [],
      other: null,
    });
    const named = { HUDRIK_POSTGRES_HOST: '192.0.2.1', HUDRIK_POSTGRES_PORT: '4785' };
    const { peers } = reachIn({ ...named, HUDRIK_POSTGRES_PEERS: '192.0.2.2, 198.51.100.0/24 2001:db8::7' });
    assert.deepEqual(peers, ['192.0.2.2/32', '198.51.100.0/24', '2001:db8::7/128']);
    assert.equal('ssl' in settingsOf(home, reachIn({}), {}), false);
    const settings = settingsOf(home, { host: '192.0.2.1' }, { HUDRIK_POSTGRES_KEPT_MB: '64' });
    assert.deepEqual(
      [settings.listen_addresses, settings.ssl, settings.max_slot_wal_keep_size],
      ['127.0.0.1,192.0.2.1', 'on', '64MB'],
    );
  });

  const refusals = [
    [{ HUDRIK_POSTGRES_HOST: '192.0.2.1' }, /set HUDRIK_POSTGRES_PORT too/],
    [{ HUDRIK_POSTGRES_HOST: '192.0.2.1', HUDRIK_POSTGRES_PORT: '4785' }, /set HUDRIK_POSTGRES_PEERS/],
    [
      { HUDRIK_POSTGRES_HOST: '192.0.2.1', HUDRIK_POSTGRES_PORT: '4785', HUDRIK_POSTGRES_PEERS: 'all' },
      /takes addresses; “all” is none/,
    ],
  ];
  for (const [env, why] of refusals)
    test(`refused: ${JSON.stringify(env)}`, () => {
      const code = `import { reachIn } from './run/reach.mjs'; reachIn(${JSON.stringify(env)}); console.log('taken');`;
      const done = spawnSync(process.execPath, ['--input-type=module', '-e', code], { cwd: ROOT, encoding: 'utf8' });
      assert.match(done.stderr, why);
      assert.deepEqual([done.status, done.stdout], [1, '']);
    });

  test('a yard of an older version gets the password that is new, and keeps the others', () => {
    keepPasswords(home, { hudrik: 'a', hudrik_owner: 'b', hudrik_app: 'c', hudrik_reader: 'd' });
    const passwords = passwordsOf(home);
    assert.deepEqual(
      { ...passwords, hudrik_copy: '' },
      { hudrik: 'a', hudrik_owner: 'b', hudrik_app: 'c', hudrik_reader: 'd', hudrik_copy: '' },
    );
    assert.ok(passwords.hudrik_copy.length >= 24);
    assert.deepEqual(passwordsOf(home), passwords);
  });
});

test('the page of the second machine says of each command where it is run, and each of its parts can be followed', () => {
  const page = readFileSync(path.join(ROOT, 'docs/more-than-one.md'), 'utf8');
  const part = page.slice(page.indexOf('## A second machine'), page.indexOf('### A yard that was restored'));
  const fences = part.match(/^```\w+.*$/gm) ?? [];
  assert.ok(fences.length >= 8);
  for (const fence of fences) assert.match(fence, /^```(sh|ini) (first|second)$/);
  const found = blocksOf(page).map(({ heading, machine, lines }) => `${heading}, ${machine}: ${lines.at(-1)}`);
  assert.ok(found.includes('The first machine is lost, second: npm run hudrik -- take-over'));
  assert.ok(found.includes('The first machine comes back, first: npm run hudrik -- rejoin'));
});

describe('whoever started the records’ server', () => {
  const file = path.join(home, 'runner');

  test('is alive while they run; of one that is gone, and of another that has its number since, it is told', () => {
    assert.equal(isRunnerAlive(home), true);
    noteRunner(home);
    assert.equal(isRunnerAlive(home), true);
    const [pid, began] = readFileSync(file, 'utf8').split(' ');
    writeFileSync(file, `${pid} ${Number(began) - 1}`);
    assert.equal(isRunnerAlive(home), false);
    const { pid: gone } = spawnSync('true');
    writeFileSync(file, `${gone} 1`);
    assert.equal(isRunnerAlive(home), false);
  });
});

test('the service has its own account, starts again, writes its state alone, and systemd finds nothing wrong with it', (t) => {
  const unit = unitOf({ node: process.execPath, root: ROOT });
  for (const line of [
    'User=hudrik',
    'Restart=on-failure',
    'RestartPreventExitStatus=78',
    'ProtectSystem=strict',
    'StateDirectory=hudrik',
    `ReadOnlyPaths=${ROOT}`,
  ])
    assert.ok(unit.split('\n').includes(line), line);
  const file = path.join(home, 'hudrik.service');
  writeFileSync(file, unit);
  const verified = spawnSync('systemd-analyze', ['verify', file], { encoding: 'utf8' });
  if (verified.error !== undefined) return t.skip('systemd-analyze is not here');
  assert.doesNotMatch(verified.stderr, /hudrik\.service/);
});
