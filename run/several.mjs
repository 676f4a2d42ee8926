import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import path from 'node:path';
import { keepRunning } from './keepRunning.mjs';
import { DATA, ROOT } from './places.mjs';
import { freePort } from './postgres.mjs';
import { startProxy } from './proxy.mjs';
import { giveUp, say } from './say.mjs';

const SERVER = path.join(ROOT, 'server');
const LOOPBACK = /^(localhost|127\.\d+\.\d+\.\d+|::1)$/;

const isUp = (port) =>
  fetch(`http://127.0.0.1:${port}/api/health`).then(
    () => true,
    () => false,
  );

async function untilUp(port, isStopping) {
  while (!(await isUp(port)) && !isStopping()) await new Promise((resolve) => setTimeout(resolve, 100));
}

/** The simulated outside, once for all processes. Out: how they are told of it, and what ends it. */
async function startStandIns(env) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'src/standins/main.ts'], {
    cwd: SERVER,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const said = await new Promise((resolve) => {
    child.stdout.once('data', (chunk) => resolve(String(chunk)));
    child.once('exit', () => resolve(null));
  });
  if (said === null) giveUp('the simulated outside could not be started.');
  return { urls: JSON.parse(said), stop: () => child.kill('SIGTERM') };
}

/**
 * Several server processes on one database, and nginx in front of them where one would listen: each is started again when it dies, and the others
 * answer meanwhile. In: how many, and their environment. Out: what stops them all, and a promise of the exit code.
 */
export async function startSeveral(count, env) {
  const { HUDRIK_HOST: host = '127.0.0.1', HUDRIK_TLS_CERT: cert = null, HUDRIK_TLS_KEY: key = null } = env;
  if (!LOOPBACK.test(host) && cert === null && env.HUDRIK_PLAIN_HTTP !== 'yes')
    giveUp(
      'Several processes beyond this machine want a certificate of the yard’s own: HUDRIK_TLS_CERT and HUDRIK_TLS_KEY.',
    );
  let isStopping = false;
  const outside = await startStandIns(env);
  // Each listens on this machine alone; who is beyond it comes through nginx.
  const { HUDRIK_HOST: _host, HUDRIK_TLS_CERT: _cert, HUDRIK_TLS_KEY: _key, ...rest } = env;
  const firstLead = env.HUDRIK_FIRST_LEAD_CODE ?? randomBytes(12).toString('base64url');
  const own = { ...outside.urls, ...rest, HUDRIK_FIRST_LEAD_CODE: firstLead };
  const servers = [];
  const ports = [];
  for (let n = 0; n < count; n++) {
    const port = await freePort();
    ports.push(port);
    servers.push(
      keepRunning(process.execPath, ['--import', 'tsx', 'src/main.ts'], {
        cwd: SERVER,
        env: { ...own, PORT: String(port) },
        // What it says of where it is up is said of the proxy below.
        stdio: ['ignore', 'ignore', 'inherit'],
        detached: true,
      }),
    );
    // The first brings the records up to date.
    await untilUp(port, () => isStopping);
  }
  const port = Number(env.PORT ?? 4780);
  const proxy = startProxy({ folder: path.join(DATA, 'proxy'), host, port, ports, cert, key });
  const proxyEnded = new Promise((resolve) => proxy.once('exit', (code) => resolve(code ?? 1)));
  const scheme = cert === null ? 'http' : 'https';
  const at = `${scheme}://${LOOPBACK.test(host) ? 'localhost' : host}:${port}`;
  say(`${count} processes behind nginx: ${at}`);
  if (await wantsFirstLead(ports[0]))
    say(`nobody is here yet. Make the first lead, once, at ${at}/first-lead?code=${firstLead}`);
  const stop = () => {
    if (isStopping) return;
    isStopping = true;
    for (const server of servers) server.stop();
    proxy.kill('SIGTERM');
    outside.stop();
  };
  const ended = proxyEnded.then(async (code) => {
    stop();
    await Promise.all(servers.map((server) => server.ended));
    return code;
  });
  return { stop, ended, pids: () => servers.map((server) => server.pid()) };
}

const wantsFirstLead = (port) =>
  fetch(`http://127.0.0.1:${port}/api/sign-in-options`)
    .then((answer) => answer.json())
    .then(({ wantsFirstLead: isSo }) => isSo === true);
