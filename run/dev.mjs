import { spawn } from 'node:child_process';
import path from 'node:path';
import { ensureModules } from './install.mjs';
import { ROOT } from './places.mjs';
import { say } from './say.mjs';
import { ensureDatabase, runServerProgram } from './serve.mjs';

/** For the developer: the server starts anew at each change, the app reloads; the app's server passes /api on. */
ensureModules();
const { url, ownerUrl, stop } = await ensureDatabase('hudrik_demo');
const api = process.env.PORT ?? '4780';
const env = {
  ...process.env,
  DATABASE_URL: url,
  HUDRIK_OWNER_URL: ownerUrl,
  HUDRIK_DEMO: '1',
  PORT: api,
  API_URL: `http://127.0.0.1:${api}`,
};
runServerProgram('administration/main.ts', ['demo-data'], { ...env, DATABASE_URL: ownerUrl });
const start = (args, cwd) => spawn(process.execPath, args, { cwd: path.join(ROOT, cwd), env, stdio: 'inherit' });
const children = [
  start(['--watch', '--import', 'tsx', 'src/main.ts'], 'server'),
  start(
    [path.join(ROOT, 'node_modules/expo/bin/cli'), 'start', '--web', '--port', '8090', '--host', 'localhost'],
    'app',
  ),
];
say('the app is at http://localhost:8090');
const end = () => {
  for (const child of children) child.kill('SIGTERM');
  stop();
  process.exit(0);
};
process.on('SIGINT', end);
process.on('SIGTERM', end);
