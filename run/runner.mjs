import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** Who started the records' server: its number, and when it began, since numbers come again. */
const fileOf = (home) => path.join(home, 'runner');
const nameOf = (pid) => {
  try {
    // After the name in brackets, which may hold anything: the twentieth field is when it began.
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return `${pid} ${stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19]}`;
  } catch {
    return null;
  }
};

export const noteRunner = (home) => writeFileSync(fileOf(home), nameOf(process.pid) ?? '');

/** Whether whoever started it still runs. One of whom nothing is known counts as alive: it is left alone. */
export function isRunnerAlive(home) {
  if (!existsSync(fileOf(home))) return true;
  const noted = readFileSync(fileOf(home), 'utf8').trim();
  return noted === '' || nameOf(noted.split(' ')[0]) === noted;
}
