import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import pino from 'pino';
import { httpInstruments } from './cards/instruments';
import { migrate, openDatabase } from './database/open';
import { httpApp } from './http/app';
import { httpSupplier } from './parts/supplier';
import { readSignInOptions } from './people/sessions';
import { startStandIns } from './standins/start';

/** Composition root: what comes from the environment becomes arguments here and nowhere else. */
const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
const port = Number(process.env.PORT ?? 4780);
const demo = process.env.HUDRIK_DEMO === '1';
const log = pino({ level: process.env.HUDRIK_LOG ?? 'warn' });
const db = openDatabase(url);
await migrate(db);

const people = demo ? (await readSignInOptions({ db }, true)).people.filter((person) => person.demoPin) : [];
const nobodyYet = (await db.selectFrom('person').select('id').limit(1).executeTakeFirst()) === undefined;
const firstLeadCode = nobodyYet ? randomBytes(12).toString('base64url') : null;
const built = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../../app/dist');
// Until a real supplier and real instruments are named, the simulated ones that ship with it answer. In the demo a day of delivery is short.
const standIns = await startStandIns({
  dayMs: Number(process.env.HUDRIK_SUPPLIER_DAY_MS ?? (demo ? 4000 : 86_400_000)),
  failsOf100: Number(process.env.HUDRIK_SUPPLIER_FAILS ?? (demo ? 4 : 0)),
  now: Date.now,
});
const supplier = httpSupplier(process.env.HUDRIK_SUPPLIER_URL ?? standIns.supplierUrl);
const bench = httpInstruments(process.env.HUDRIK_BENCH_URL ?? standIns.loadBankUrl);
const app = httpApp({
  context: { db, now: () => new Date(), supplier, instruments: bench },
  installation: { version: process.env.npm_package_version ?? '0.1.0', demo, firstLeadCode },
  log,
  webFolder: existsSync(path.join(built, 'index.html')) ? built : null,
  signInsPerMinute: demo ? 120 : 10,
});

const server = app.listen(port, process.env.HUDRIK_HOST ?? '127.0.0.1', () => {
  const address = server.address();
  const at = `http://localhost:${address !== null && typeof address === 'object' ? address.port : port}`;
  console.log(`Hudrik is up at ${at}`);
  if (demo) for (const { name, role, demoPin } of people) console.log(`  ${name}, ${role}: ${demoPin}`);
  if (firstLeadCode)
    console.log(`Nobody is here yet. Make the first lead, once, at ${at}/first-lead?code=${firstLeadCode}`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${port} is taken. Set PORT to another one.` : error.message);
  process.exit(1);
});

let stopping = false;
function stop(): void {
  if (stopping) return;
  stopping = true;
  standIns.stop();
  server.close(() => void db.destroy().then(() => process.exit(0)));
  server.closeIdleConnections();
  // Requests that still run get a moment; the process does not outlive it.
  setTimeout(() => process.exit(0), 4000).unref();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
