import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { buildServer } from './builtServer.mjs';
import { ensureModules, ensurePostgres } from './install.mjs';
import { isRoot, ROOT } from './places.mjs';
import { giveUp, say } from './say.mjs';
import { ensureWeb } from './web.mjs';

const USER = 'hudrik';
const STATE = '/var/lib/hudrik';
const UNIT = '/etc/systemd/system/hudrik.service';
const COMMAND = '/usr/local/bin/hudrik';

/** The service as systemd is told of it: its own account, its own state, nothing else to be written, and an end to what it may take. */
export const unitOf = ({ node, root }) => `# Written by Hudrik: npm run hudrik -- install-service
[Unit]
Description=Hudrik: the rental fleet's workshop
Wants=network-online.target
After=network-online.target
StartLimitIntervalSec=10min
StartLimitBurst=20

[Service]
User=${USER}
Group=${USER}
WorkingDirectory=${root}
Environment=HUDRIK_DATA=${STATE} HUDRIK_LOG=info HOME=${STATE}
ExecStart=${node} ${root}/run/start.mjs
StateDirectory=hudrik
StateDirectoryMode=0750
UMask=0077

# What it can not help by starting again ends with 78.
Restart=on-failure
RestartSec=5
RestartPreventExitStatus=78
KillMode=mixed
TimeoutStopSec=60

StandardOutput=journal
StandardError=journal
SyslogIdentifier=hudrik

LimitNOFILE=65536
TasksMax=1024
MemoryMax=4G

NoNewPrivileges=yes
ProtectSystem=strict
ReadOnlyPaths=${root}
ProtectHome=read-only
PrivateTmp=yes
PrivateDevices=yes
ProtectClock=yes
ProtectControlGroups=yes
ProtectHostname=yes
ProtectKernelLogs=yes
ProtectKernelModules=yes
ProtectKernelTunables=yes
RestrictAddressFamilies=AF_INET AF_INET6 AF_UNIX AF_NETLINK
RestrictNamespaces=yes
RestrictRealtime=yes
RestrictSUIDSGID=yes
LockPersonality=yes
SystemCallArchitectures=native
CapabilityBoundingSet=
AmbientCapabilities=

[Install]
WantedBy=multi-user.target
`;

/** The commands, as the service's account and on its records, from anywhere. */
const commandOf = ({ node, root }) => `#!/bin/sh
# Written by Hudrik: npm run hudrik -- install-service
exec runuser -u ${USER} -- env HOME=${STATE} HUDRIK_DATA=${STATE} INIT_CWD="$PWD" ${node} ${root}/run/hudrik.mjs "$@"
`;

const SETTINGS = `# Hudrik's settings, one a line, read at its start and by each command: docs/settings.md has all of them.
# HUDRIK_HOST=0.0.0.0
`;

const did = (program, ...args) => spawnSync(program, args, { encoding: 'utf8' });
const must = (done, what) => done.status === 0 || giveUp(`${what}: ${done.stderr ?? done.error}`);
const hasSystemd = () => existsSync('/run/systemd/system');

/** Makes Hudrik a service of this machine, started with it. */
export async function installService() {
  mustBeRoot('install-service');
  const place = { node: process.execPath, root: ROOT };
  ensureModules();
  ensurePostgres();
  ensureWeb();
  // The service's account only reads what it runs.
  await buildServer();
  if (did('id', USER).status !== 0)
    must(
      did('useradd', '--system', '--home-dir', STATE, '--shell', '/usr/sbin/nologin', USER),
      'no account could be made',
    );
  const reads = did('runuser', '-u', USER, '--', place.node, '--check', path.join(ROOT, 'run/start.mjs'));
  if (reads.status !== 0)
    giveUp(
      `the account ${USER} cannot run ${place.node} or read ${ROOT}: set them where everybody may, under /opt, say.`,
    );
  mkdirSync(STATE, { recursive: true, mode: 0o750 });
  const settings = path.join(STATE, 'settings.env');
  if (!existsSync(settings)) writeFileSync(settings, SETTINGS, { mode: 0o640 });
  must(did('chown', `${USER}:${USER}`, STATE, settings), STATE);
  writeFileSync(COMMAND, commandOf(place));
  chmodSync(COMMAND, 0o755);
  writeFileSync(UNIT, unitOf(place));
  const verified = did('systemd-analyze', 'verify', UNIT);
  if (verified.error === undefined && verified.status !== 0)
    say(`systemd finds fault with it: ${verified.stderr.trim()}`);
  if (!hasSystemd()) return say(`${UNIT} is written. This machine was not started by systemd: nothing is started.`);
  must(did('systemctl', 'daemon-reload'), 'systemctl');
  must(did('systemctl', 'enable', '--now', 'hudrik.service'), 'it could not be started');
  say(
    `it runs, and starts with this machine. Its log: journalctl -u hudrik. Its settings: ${settings}. Its commands: hudrik help`,
  );
}

/** Takes the service away again; the records stay. */
export function removeService() {
  mustBeRoot('remove-service');
  if (hasSystemd()) did('systemctl', 'disable', '--now', 'hudrik.service');
  for (const file of [UNIT, COMMAND]) rmSync(file, { force: true });
  if (hasSystemd()) did('systemctl', 'daemon-reload');
  say(`the service is taken away. The records stay in ${STATE}, and the account ${USER} with them.`);
}

function mustBeRoot(command) {
  if (!isRoot) giveUp(`${command} writes for the whole machine: sudo npm run hudrik -- ${command}`);
}
