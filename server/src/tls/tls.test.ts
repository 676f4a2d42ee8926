import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { createPrivateKey, X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, request } from 'node:https';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, describe, test } from 'node:test';
import { portOf } from '../portOf';
import { certificateIn, fingerprintOf } from './authority';
import { listeningFor, machineOf, NotListening, type Asked } from './listening';

const folder = mkdtempSync(path.join(tmpdir(), 'hudrik-tls-'));
after(() => rmSync(folder, { recursive: true, force: true }));
const DAY_MS = 86_400_000;
const NOW = new Date();
const machine = { names: ['yard.test', 'localhost'], addresses: ['127.0.0.1', '192.0.2.7'] };

describe('the yard’s own certificate', () => {
  test('another program finds it in order: by name and by address, signed by the authority, for servers', async () => {
    await certificateIn(folder, machine, NOW);
    const file = (name: string) => path.join(folder, name);
    const openssl = (...args: string[]) => spawnSync('openssl', args, { encoding: 'utf8' });
    for (const how of [
      ['-verify_hostname', 'yard.test'],
      ['-verify_ip', '192.0.2.7'],
    ]) {
      const { stdout, stderr } = openssl(
        'verify',
        '-x509_strict',
        '-purpose',
        'sslserver',
        ...how,
        '-CAfile',
        file('authority.crt'),
        file('server.crt'),
      );
      assert.match(stdout, /OK/, stderr);
    }
    assert.doesNotMatch(
      openssl('verify', '-verify_hostname', 'other.test', '-CAfile', file('authority.crt'), file('server.crt')).stdout,
      /OK/,
    );
    for (const name of ['authority.key', 'server.key']) assert.equal(statSync(file(name)).mode & 0o777, 0o600);
    const text = openssl('x509', '-in', file('authority.crt'), '-noout', '-text').stdout;
    assert.match(text, /CA:TRUE, pathlen:0/);
    const printed = openssl('x509', '-in', file('authority.crt'), '-noout', '-fingerprint', '-sha256').stdout;
    const ours = fingerprintOf(readFileSync(file('authority.crt'), 'utf8')).replaceAll(' ', '');
    assert.ok(printed.replaceAll(':', '').includes(ours), `${printed} ${ours}`);
  });

  test('who is stopped between its key and its certificate gets a new pair by the same authority', async () => {
    const own = mkdtempSync(path.join(tmpdir(), 'hudrik-tls-'));
    const first = await certificateIn(own, machine, NOW);
    const other = mkdtempSync(path.join(tmpdir(), 'hudrik-tls-'));
    writeFileSync(path.join(own, 'server.key'), (await certificateIn(other, machine, NOW)).key);
    const again = await certificateIn(own, machine, NOW);
    assert.equal(again.authority, first.authority);
    assert.ok(new X509Certificate(again.cert).checkPrivateKey(createPrivateKey(again.key)));
    assert.equal((await certificateIn(own, machine, NOW)).cert, again.cert);
    for (const made of [own, other]) rmSync(made, { recursive: true, force: true });
  });

  test('who trusts the authority reaches the server; who does not is warned', async () => {
    const { key, cert, authority } = await certificateIn(folder, machine, NOW);
    const server = createServer({ key, cert }, (_request, response) => response.end('in'));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const reach = (ca?: string) =>
      new Promise<string>((resolve) => {
        const asked = request({ host: '127.0.0.1', servername: 'yard.test', port: portOf(server), ca }, (answer) =>
          resolve(String(answer.statusCode)),
        );
        asked.on('error', (error: NodeJS.ErrnoException) => resolve(error.code ?? error.message));
        asked.end();
      });
    assert.equal(await reach(authority ?? ''), '200');
    assert.notEqual(await reach(), '200');
    server.closeAllConnections();
    server.close();
  });

  test('it stays from start to start, and is made anew before it ends or when the machine is called otherwise; the authority stays', async () => {
    const first = await certificateIn(folder, machine, NOW);
    assert.deepEqual(await certificateIn(folder, machine, new Date(NOW.getTime() + 365 * DAY_MS)), first);
    const later = await certificateIn(folder, machine, new Date(NOW.getTime() + 367 * DAY_MS));
    assert.notEqual(later.cert, first.cert);
    assert.equal(later.authority, first.authority);
    const moved = await certificateIn(
      folder,
      { ...machine, addresses: ['192.0.2.8'] },
      new Date(NOW.getTime() + 367 * DAY_MS),
    );
    assert.ok(new X509Certificate(moved.cert).checkIP('192.0.2.8'));
    assert.equal(moved.authority, first.authority);
    const { validFrom, validTo } = new X509Certificate(moved.cert);
    assert.ok((Date.parse(validTo) - Date.parse(validFrom)) / DAY_MS <= 398);
  });
});

describe('how the server listens', () => {
  const asked: Asked = {
    host: '0.0.0.0',
    folder,
    certFile: undefined,
    keyFile: undefined,
    names: [],
    allowsPlain: false,
  };

  test('on this machine as it is; beyond it privately, or not at all, unless the clear is asked for by name', async () => {
    for (const host of ['127.0.0.1', 'localhost', '::1'])
      assert.equal((await listeningFor({ ...asked, host })).how, 'this machine');
    assert.equal((await listeningFor(asked)).how, 'privately');
    await assert.rejects(listeningFor({ ...asked, folder: null }), NotListening);
    assert.equal((await listeningFor({ ...asked, folder: null, allowsPlain: true })).how, 'in the clear');
  });

  test('by a certificate that the yard brought; nobody is asked to trust anything then', async () => {
    const own = await certificateIn(path.join(folder, 'brought'), machine, NOW);
    const [certFile, keyFile] = [path.join(folder, 'own.crt'), path.join(folder, 'own.key')];
    writeFileSync(certFile, own.cert);
    writeFileSync(keyFile, own.key);
    const listening = await listeningFor({ ...asked, folder: null, certFile, keyFile });
    assert.deepEqual(listening.how === 'privately' && listening.certificate, {
      cert: own.cert,
      key: own.key,
      authority: null,
    });
  });

  test('its names are those that it is given and its own, its addresses those that it has', () => {
    const { names, addresses } = machineOf({ names: ['hudrik.yard'] });
    assert.equal(names[0], 'hudrik.yard');
    assert.ok(names.includes('localhost') && addresses.includes('127.0.0.1'));
  });
});
