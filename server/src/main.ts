import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import { createServer as createSecureServer, Server as SecureServer } from 'node:https';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import pino from 'pino';
import { searchesIn } from './bench/searches';
import { startBackground } from './background/runner';
import { tasksOf } from './background/tasks';
import { httpInstruments } from './cards/instruments';
import { httpFeed } from './outside/feed';
import { readersPool } from './outside/readersPool';
import { httpApp } from './http/app';
import { waitAtConnections } from './http/connections';
import { LoopWatch } from './http/loopWatch';
import { errorInLog } from './logging/errorInLog';
import { httpSupplier } from './parts/supplier';
import { isAnyDeviceIn, makeDeviceCode } from './people/devices';
import { readSignInOptions } from './people/sessions';
import { paperPool } from './printing/paperPool';
import { sumsPool } from './sums/sumsPool';
import { mannersIn, OUTSIDE, privateHostsIn, standInsOfYard } from './standins/ofYard';
import { backUp } from './backups/backup';
import { metricsOf } from './status/metrics';
import { fingerprintOf } from './tls/authority';
import { listeningFor, machineOf, NotListening } from './tls/listening';
import { ownNames } from './tls/ownNames';
import { trustPage } from './http/trustPage';
import { portOf } from './portOf';
import { openRecords } from './records';
import { lineageFileIn } from './database/lineage';
import { RecordsAreNewer } from './database/newer';
import { VERSION } from './version';

/** Composition root: what comes from the environment becomes arguments here and nowhere else. */
const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
/** The exit code for what starting again would not help: a port that is taken, a way of listening that is refused. */
const HOPELESS = 78;
const RENEWAL_MS = 86_400_000;
const port = Number(process.env.PORT ?? 4780);
const demo = process.env.HUDRIK_DEMO === '1';
const log = pino({ level: process.env.HUDRIK_LOG ?? 'warn', serializers: { err: errorInLog } });
// A promise that a library left alone is no reason to end everybody's work: it is logged.
process.on('unhandledRejection', (error) => log.error({ err: error }, 'a failure that nothing waited for'));
const ownerUrl = process.env.HUDRIK_OWNER_URL ?? url;
const where = { url, ownerUrl, readUrl: process.env.HUDRIK_READ_URL ?? null };
const backupBefore = process.env.HUDRIK_BACKUP_BEFORE ?? null;
const dataFolder = process.env.HUDRIK_DATA_FOLDER ?? null;
const lineageFile = lineageFileIn(process.env);
const records = await openRecords({ ...where, backupBefore, lineageFile }, log).catch((error: unknown) => {
  if (!(error instanceof RecordsAreNewer)) throw error;
  console.error(error.message);
  process.exit(HOPELESS);
});
const { db, reads, events, workerPool } = records;

const people = demo ? (await readSignInOptions({ db }, true, true)).people.filter((person) => person.demoPin) : [];
const nobodyYet = (await db.selectFrom('person').select('id').limit(1).executeTakeFirst()) === undefined;
// Of several processes each must know the same one.
const firstLeadCode = nobodyYet ? (process.env.HUDRIK_FIRST_LEAD_CODE ?? randomBytes(12).toString('base64url')) : null;
// A yard of an older version, or one that put out its last device.
const isShut = !demo && !nobodyYet && !(await isAnyDeviceIn(db));
const lostCode = isShut ? (await makeDeviceCode({ db, now: () => new Date() }, null)).code : null;
const built = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../../app/dist');
// Until a real supplier and real instruments are named, the simulated ones that ship with it answer.
const isAllNamed = Object.values(OUTSIDE).every((name) => process.env[name]);
const standIns = isAllNamed ? null : await standInsOfYard(db, demo, mannersIn(process.env));
const urlOf = (who: keyof typeof OUTSIDE): string => process.env[OUTSIDE[who]] ?? standIns?.[who] ?? '';
const instruments = httpInstruments(urlOf('loadBankUrl'));
const paper = paperPool();
const sums = sumsPool();
const readers = readersPool();
// The simulated ones are on this machine; of others only those that are named may be on it, or on the yard's own network.
const privateHosts = [...privateHostsIn(process.env), ...(standIns === null ? [] : ['127.0.0.1'])];
const supplier = httpSupplier(urlOf('supplierUrl'), privateHosts);
const desk = httpFeed(urlOf('deskUrl'), privateHosts);
const equipment = httpFeed(urlOf('equipmentUrl'), privateHosts);
const outside = { instruments, desk, equipment, readers };
const context = { db, now: () => new Date(), paper, sums, searches: searchesIn(db), ...outside };
const backups = process.env.HUDRIK_BACKUPS
  ? {
      folder: process.env.HUDRIK_BACKUPS,
      keep: Number(process.env.HUDRIK_BACKUPS_KEEP ?? 14),
      write: (file: string) => backUp(records.ownersUrl(), file),
    }
  : null;
const host = process.env.HUDRIK_HOST ?? '127.0.0.1';
// Behind a proxy that speaks for several: where that one listens, with this yard's certificate.
const facing = process.env.HUDRIK_FACING_HOST;
const facingPort = process.env.HUDRIK_FACING_PORT;
// One of several looks after the certificate.
const keepsCertificate = process.env.HUDRIK_KEEPS_CERTIFICATE !== 'no';
const names = (process.env.HUDRIK_NAMES ?? '').split(/[\s,]+/).filter(Boolean);
const listening = await listeningFor({
  ...{
    host: facing ?? host,
    folder: dataFolder,
    allowsPlain: process.env.HUDRIK_PLAIN_HTTP === 'yes',
  },
  ...{ certFile: process.env.HUDRIK_TLS_CERT, keyFile: process.env.HUDRIK_TLS_KEY },
  names,
}).catch((error: unknown) => {
  if (!(error instanceof NotListening)) throw error;
  console.error(error.message);
  process.exit(HOPELESS);
});
const authority = listening.how === 'privately' ? listening.certificate.authority : null;
const trustPort = Number(process.env.HUDRIK_TRUST_PORT ?? port + 1);
const trust = authority === null ? null : { port: trustPort, fingerprint: fingerprintOf(authority) };
// An address, since a phone may not know this machine's name.
const machine = machineOf({ names });
const reachedAs =
  listening.how === 'this machine'
    ? null
    : (machine.addresses.find((address) => /^\d/.test(address) && !address.startsWith('127.')) ?? null);
const standing = {
  ...{ version: VERSION, startedAt: new Date(), backups },
  dataFolder,
  isPrivate: listening.how !== 'in the clear',
  copy: records.copy,
};
const background = await startBackground(workerPool, tasksOf(context, supplier, log, backups), log);
const isOwnName = ownNames(
  names,
  listening.how === 'privately' && listening.certificate.authority === null
    ? String(listening.certificate.cert)
    : undefined,
);
const loop = new LoopWatch(log);
loop.start();
const loads = { ...records.loads, paper: paper.load, sums: sums.load, readers: readers.load };
const app = httpApp({
  ...{ context, reads, loop, metrics: metricsOf(context, standing, loads) },
  metricsToken: process.env.HUDRIK_METRICS_TOKEN ?? null,
  installation: { ...standing, reachedAs, trust, demo, firstLeadCode, events, isOwnName },
  log,
  webFolder: existsSync(path.join(built, 'index.html')) ? built : null,
  codesPerMinute: 20,
});

const server =
  listening.how === 'privately' && facing === undefined
    ? createSecureServer(listening.certificate, app)
    : createServer(app);
// One that was here before may still be ending.
const listenBy = Date.now() + 10_000;
const listen = (): void => void server.listen(port, host);
server.once('listening', () => {
  const scheme = listening.how === 'privately' ? 'https' : 'http';
  const name = host === '127.0.0.1' ? 'localhost' : (machineOf({ names: [] }).names[0] ?? host);
  const at = `${scheme}://${name}:${portOf(server)}`;
  console.log(`Hudrik is up at ${at}`);
  if (trust) console.log(`Devices learn to trust it at http://${name}:${trust.port} (${trust.fingerprint})`);
  if (demo) for (const { name: who, role, demoPin } of people) console.log(`  ${who}, ${role}: ${demoPin}`);
  if (lostCode)
    console.log(`No device is let in. Let this one in, within ten minutes, at ${at}/let-in?code=${lostCode}`);
  if (firstLeadCode)
    console.log(`Nobody is here yet. Make the first lead, once, at ${at}/first-lead?code=${firstLeadCode}`);
});
// The page that gives the certificate, and nothing else, is in the clear: a device that does not trust it yet can open no other.
const yard = (name: string): string => `https://${name}:${facingPort ?? portOf(server)}`;
const trusting =
  trust && authority && keepsCertificate
    ? trustPage({ authority, fingerprint: trust.fingerprint, yard }).listen(trust.port, facing ?? host)
    : null;
trusting?.on('error', (error) => log.error({ err: error }, 'the page that gives the certificate cannot be shown'));
// The certificate is looked at each day, and the new one counts for the next connection.
if (listening.how === 'privately' && keepsCertificate)
  setInterval(() => {
    void listening.renew().then(
      (certificate) => {
        // A proxy in front looks at the files itself.
        if (server instanceof SecureServer) server.setSecureContext(certificate);
      },
      (error: unknown) => log.error({ err: error }, 'the certificate cannot be renewed'),
    );
  }, RENEWAL_MS).unref();
waitAtConnections(server);
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE' && Date.now() < listenBy) return void setTimeout(listen, 500);
  console.error(error.code === 'EADDRINUSE' ? `Port ${port} is taken. Set PORT to another one.` : error.message);
  process.exit(error.code === 'EADDRINUSE' ? HOPELESS : 1);
});

listen();

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  // Requests and jobs that still run get a moment; the process does not outlive it.
  setTimeout(() => process.exit(0), 4000).unref();
  standIns?.stop();
  trusting?.close();
  server.close();
  server.closeIdleConnections();
  await Promise.allSettled([background.stop(), paper.stop(), sums.stop(), readers.stop()]);
  await records.stop();
  process.exit(0);
}
process.on('SIGTERM', () => void stop());
process.on('SIGINT', () => void stop());
// However whoever started it ended, it does not stay behind.
if (process.env.HUDRIK_ENDS_WITH_RUNNER === 'yes') process.stdin.resume().once('close', () => void stop());
