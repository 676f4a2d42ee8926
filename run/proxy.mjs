import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { aptInstall } from './install.mjs';
import { giveUp } from './say.mjs';

const NGINX = ['/usr/sbin/nginx', '/usr/bin/nginx'];
const nginxPath = () => NGINX.find((file) => existsSync(file)) ?? null;

/** nginx of Debian's packages. */
export function ensureNginx() {
  if (nginxPath() === null) aptInstall('nginx', ['nginx-light']);
  if (nginxPath() === null)
    giveUp('nginx is not there; several processes need it in front: apt-get install nginx-light');
  return nginxPath();
}

/**
 * What nginx is told to stand in front of several server processes: a request goes to whichever is least busy, and to another when one does not
 * answer. An entry of the log is sent again to the other one whatever became of it: its id makes it once all the same; any other change only when it
 * never arrived. Streams pass at once.
 */
export function nginxConf({ folder, host, port, ports, cert = null, key = null }) {
  const listen = host.includes(':') ? `[${host}]:${port}` : `${host}:${port}`;
  const tls =
    cert === null ? '' : `ssl_certificate ${cert}; ssl_certificate_key ${key}; ssl_protocols TLSv1.2 TLSv1.3;`;
  return `# Written by Hudrik at its start.
daemon off;
worker_processes 1;
pid ${folder}/nginx.pid;
error_log ${folder}/error.log warn;
events { worker_connections 4096; }
http {
  access_log off;
  client_max_body_size 40m;
  client_body_temp_path ${folder}/body;
  proxy_temp_path ${folder}/proxied;
  fastcgi_temp_path ${folder}/unused;
  uwsgi_temp_path ${folder}/unused;
  scgi_temp_path ${folder}/unused;
  # What only holds a connection is cut off.
  client_header_timeout 15s;
  client_body_timeout 20s;
  # Longer than a phone's own patience, shorter than the servers'.
  keepalive_timeout 70s;
  upstream hudrik {
    least_conn;
${ports.map((each) => `    server 127.0.0.1:${each} max_fails=0;`).join('\n')}
    keepalive 64;
  }
  server {
    listen ${listen}${cert === null ? '' : ' ssl'};
    ${tls}
    proxy_http_version 1.1;
    proxy_set_header Connection "";
    proxy_set_header Host $http_host;
    proxy_set_header X-Forwarded-For $remote_addr;
    proxy_set_header X-Forwarded-Proto $scheme;
    proxy_buffering off;
    proxy_request_buffering off;
    proxy_connect_timeout 2s;
    proxy_read_timeout 1h;
    location / {
      proxy_pass http://hudrik;
      proxy_next_upstream error timeout;
    }
    # Each entry has its own id: sent to the other process too, it is taken once.
    location = /api/log {
      proxy_pass http://hudrik;
      proxy_request_buffering on;
      proxy_next_upstream error timeout non_idempotent;
    }
  }
}
`;
}

/** Starts it. Out: its process. */
export function startProxy(given) {
  const nginx = ensureNginx();
  mkdirSync(given.folder, { recursive: true });
  const file = path.join(given.folder, 'nginx.conf');
  endLeftOver(nginx, given.folder, file);
  writeFileSync(file, nginxConf(given));
  return spawn(nginx, ['-c', file, '-p', given.folder, '-e', path.join(given.folder, 'error.log')], {
    stdio: ['ignore', 'inherit', 'inherit'],
  });
}

/** One that a killed start left behind has the port still. */
function endLeftOver(nginx, folder, file) {
  const isOurs = () => {
    try {
      const pid = readFileSync(path.join(folder, 'nginx.pid'), 'utf8').trim();
      return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(file);
    } catch {
      return false;
    }
  };
  if (!isOurs()) return;
  spawnSync(nginx, ['-c', file, '-p', folder, '-s', 'stop'], { stdio: 'ignore' });
  for (let nth = 0; isOurs() && nth < 100; nth++) spawnSync('sleep', ['0.1']);
}
