import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const SERVER = fileURLToPath(new URL('../../', import.meta.url));

/** A program of the server in a process of its own, once it has said so. */
export function launch(
  file: string,
  env: Readonly<Record<string, string>>,
  said: string,
): Promise<ChildProcess & { readonly text: () => string }> {
  const built = process.env['HUDRIK_BUILT'];
  const program = built ? [path.join(built, file.replace(/\.ts$/, '.mjs'))] : ['--import', 'tsx', `src/${file}`];
  const child = spawn(process.execPath, program, {
    cwd: SERVER,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  return new Promise((resolve, reject) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk: Buffer) => {
        text += String(chunk);
        if (text.includes(said)) resolve(Object.assign(child, { text: () => text }));
      });
    child.once('exit', (code) => reject(new Error(`${file} ended (${code}) before it said “${said}”: ${text}`)));
  });
}

/** Ends it at once, as a lost current would. */
export async function kill(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGKILL');
  await ended;
}

/** Waits until it is so, up to ten seconds. */
export async function until(isSo: () => boolean | Promise<boolean>, mostMs = 10_000): Promise<void> {
  const began = Date.now();
  while (!(await isSo())) {
    if (Date.now() - began > mostMs) throw new Error('it did not come to that');
    await new Promise((resolve) => setTimeout(resolve, 30));
  }
}
