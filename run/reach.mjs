import { isIP } from 'node:net';
import path from 'node:path';
import { giveUp } from './say.mjs';

/** Where the records of this machine are reached, and by whom: on this machine alone, at a port that is free, unless it is said otherwise. */
export function reachIn(env) {
  const [host, port, other] = [env.HUDRIK_POSTGRES_HOST, env.HUDRIK_POSTGRES_PORT, env.HUDRIK_OTHER].map(
    (value) => value || null,
  );
  const peers = (env.HUDRIK_POSTGRES_PEERS ?? '').split(/[\s,]+/).filter(Boolean);
  if (host !== null && port === null)
    giveUp('a second machine finds the records by a port that stays: set HUDRIK_POSTGRES_PORT too.');
  if (host !== null && peers.length === 0)
    giveUp(
      'who may come to HUDRIK_POSTGRES_HOST is not said: set HUDRIK_POSTGRES_PEERS to the other machine’s address.',
    );
  const wrong = peers.find((peer) => isIP(peer.split('/')[0]) === 0);
  if (wrong !== undefined) giveUp(`HUDRIK_POSTGRES_PEERS takes addresses; “${wrong}” is none.`);
  const masked = peers.map((peer) => (peer.includes('/') ? peer : `${peer}/${isIP(peer) === 6 ? 128 : 32}`));
  return { host, port: port === null ? null : Number(port), peers: host === null ? [] : masked, other };
}

/** The certificate of the records' server, which each machine of a yard has and knows the other by. */
export const CERTIFICATE = { cert: 'server.crt', key: 'server.key' };

/** How much of its log of changes the server keeps for a copy that is away, MB: a copy that is away longer is made anew. */
const USUAL_KEPT_MB = 2048;

/** What the server of lasting records is started with, as pairs of PostgreSQL's settings. */
export const settingsOf = (home, { host }, env) => ({
  listen_addresses: ['127.0.0.1', host].filter(Boolean).join(','),
  logging_collector: 'on',
  log_directory: path.join(home, 'logs'),
  // Seven files, each begun anew a week later.
  log_filename: 'postgresql-%a.log',
  log_truncate_on_rotation: 'on',
  log_rotation_age: '1d',
  log_rotation_size: '0',
  max_slot_wal_keep_size: `${env.HUDRIK_POSTGRES_KEPT_MB ?? USUAL_KEPT_MB}MB`,
  ...(host === null
    ? {}
    : {
        ssl: 'on',
        ssl_cert_file: path.join(home, CERTIFICATE.cert),
        ssl_key_file: path.join(home, CERTIFICATE.key),
      }),
});

/** The other machine's records, as a role: known by its certificate, whatever it is called. */
export function otherUrl(home, reach, role, password, database) {
  const url = new URL(`postgres://${reach.other}/${database}`);
  [url.username, url.password] = [role, password];
  url.searchParams.set('sslmode', 'verify-ca');
  url.searchParams.set('sslrootcert', path.join(home, CERTIFICATE.cert));
  return url.href;
}
