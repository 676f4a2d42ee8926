import assert from 'node:assert/strict';
import { test } from 'node:test';
import { facingOf } from './several.mjs';

const FOLDER = { HUDRIK_DATA_FOLDER: '/yard' };

test('on this machine alone nothing is told and nothing is made', () => {
  assert.deepEqual(facingOf(FOLDER, 4780), {
    ...{ name: 'localhost', host: '127.0.0.1', cert: null, key: null, trustPort: null, told: {} },
  });
});

test('beyond it the yard’s own authority speaks, and each process knows where it is faced', () => {
  const env = { ...FOLDER, HUDRIK_HOST: '0.0.0.0', HUDRIK_NAMES: 'yard.test, shed.test' };
  assert.deepEqual(facingOf(env, 4780), {
    ...{ name: 'yard.test', host: '0.0.0.0', cert: '/yard/tls/server.crt', key: '/yard/tls/server.key' },
    trustPort: 4781,
    told: { HUDRIK_FACING_HOST: '0.0.0.0', HUDRIK_FACING_PORT: '4780', HUDRIK_TRUST_PORT: '4781' },
  });
});

test('a certificate of the yard’s comes first, also on this machine; in the clear only where it is asked for', () => {
  const files = { HUDRIK_TLS_CERT: '/own.crt', HUDRIK_TLS_KEY: '/own.key' };
  for (const host of ['127.0.0.1', '192.0.2.7']) {
    const facing = facingOf({ ...FOLDER, ...files, HUDRIK_HOST: host }, 4780);
    assert.deepEqual([facing.cert, facing.key, facing.trustPort], ['/own.crt', '/own.key', null]);
    assert.equal(facing.told.HUDRIK_FACING_HOST, host);
  }
  const clear = facingOf({ ...FOLDER, HUDRIK_HOST: '192.0.2.7', HUDRIK_PLAIN_HTTP: 'yes' }, 4780);
  assert.deepEqual([clear.cert, clear.trustPort, clear.told.HUDRIK_FACING_HOST], [null, null, '192.0.2.7']);
});
