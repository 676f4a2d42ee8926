import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { isRoot, ROOT } from '../places.mjs';
import { freePort } from '../postgres.mjs';
import { unitOf } from '../service.mjs';
import { pause, until } from './device.mjs';
import { folder, killAllOf, pidsOf, start } from './installation.mjs';

const nameOf = (pid) => readFileSync(`/proc/${pid}/comm`, 'utf8').trim();
const leftOf = (data) => [...new Set(pidsOf(data).map(nameOf))].sort();

/** Whoever started it is killed alone: what stays behind, whether the next start goes well, and what stays after that one ends. */
async function killedAlone(processes) {
  const data = folder('alone');
  const env = { HUDRIK_PROCESSES: String(processes) };
  const port = await freePort();
  const options = { port, env };
  const isUp = () => fetch(`http://127.0.0.1:${port}/api/health`).then(({ ok }) => ok);
  try {
    const first = await start(data, options);
    await until(isUp, 60_000);
    first.kill();
    await pause(6000);
    const left = leftOf(data);
    const second = await start(data, options);
    const upMs = await until(isUp, 60_000);
    await second.stop();
    await pause(1000);
    return { left, upMs, after: leftOf(data) };
  } finally {
    await killAllOf(data);
    rmSync(data, { recursive: true, force: true });
  }
}

/** What systemd finds wrong with the unit; null: its program is not here. */
function faultsOfUnit() {
  const place = mkdtempSync(path.join(tmpdir(), 'hudrik-unit-'));
  const file = path.join(place, 'hudrik.service');
  writeFileSync(file, unitOf({ node: process.execPath, root: ROOT }));
  const done = spawnSync('systemd-analyze', ['verify', file], { encoding: 'utf8' });
  rmSync(place, { recursive: true, force: true });
  if (done.error !== undefined) return null;
  // Of other units, and of an account that is not made yet, it also speaks.
  return done.stderr.split('\n').filter((line) => line.includes('hudrik.service') && !/User|Group/.test(line));
}

/** The command of the unit by an account that owns nothing here and may write its state alone, as the unit has it. */
async function asAccount() {
  if (!isRoot) return null;
  const data = folder('account');
  const account = 'nobody';
  spawnSync('chown', [account, data]);
  chmodSync(data, 0o750);
  const port = await freePort();
  const env = ['env', `HUDRIK_DATA=${data}`, `HOME=${data}`, `PORT=${port}`, 'HUDRIK_LOG=info'];
  const command = ['-u', account, '--', ...env, process.execPath, path.join(ROOT, 'run/start.mjs')];
  const writes = spawnSync('runuser', ['-u', account, '--', 'test', '-w', ROOT]).status === 0;
  const child = spawn('runuser', command, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
  try {
    const upMs = await until(() => fetch(`http://127.0.0.1:${port}/api/health`).then(({ ok }) => ok), 60_000);
    await fetch(`http://127.0.0.1:${port}/api/calendars/a-secret-of-somebody.ics`);
    await pause(300);
    const requests = said.split('\n').filter((line) => line.includes('"msg":"request"'));
    const lines = requests.map((line) => JSON.parse(line));
    const log = existsSync(path.join(data, 'postgres/logs'));
    return { upMs, writes, lines, log, said };
  } finally {
    await killAllOf(data);
    rmSync(data, { recursive: true, force: true });
  }
}

export async function sayService() {
  console.log('\nas a service');
  for (const processes of [1, 2]) {
    const { left, upMs, after } = await killedAlone(processes);
    console.log(
      `  ${processes} at work, whoever started it killed alone: six seconds later ${left.join(', ') || 'nothing'} ran; the next start was up after ${upMs} ms; once that was stopped ${after.join(', ') || 'nothing'} ran`,
    );
  }
  const faults = faultsOfUnit();
  console.log(
    `  the unit: ${faults === null ? 'systemd-analyze is not here' : faults.length === 0 ? 'systemd finds nothing wrong' : faults.join('; ')}`,
  );
  const account = await asAccount();
  if (account === null) return console.log('  as another account: only root can try');
  const { upMs, writes, lines, log, said } = account;
  console.log(
    upMs === null
      ? `  as another account: DOES NOT START: ${said}`
      : `  as another account, which may ${writes ? '' : 'not '}write into the checkout: up after ${upMs} ms; of ${lines.length} requests each one line with a name: ${lines.every(({ request }) => request)}; PostgreSQL’s log rotates: ${log}`,
  );
}
