import { FAILURES } from '@hudrik/core/contracts';
import { ValidationError } from 'yup';
import { lineageFileIn, lineageIn } from '../database/lineage';
import { findPrimary, onServerOf, type Refused } from '../database/primary';
import { databaseOn, openPool } from '../database/open';
import { RecordsAreNewer } from '../database/newer';
import { Refusal } from '../refusal';
import { Misuse } from './command';
import { COMMANDS } from './commands';

/** Exit codes: 0 done, 1 done in part or refused, 2 called wrongly, 3 the database cannot be reached. */
const [name, ...args] = process.argv.slice(2);
const print = (line: string): void => console.log(line);

/** What is done before there are records to be asked. */
const OF_THE_MACHINE = [
  ['move-postgres', 'Dump the records and restore them into the newest PostgreSQL that is here'],
  ['share FILE', 'Write what a second machine must know to copy the records of this one'],
  ['copy-from FILE', 'Make the records of this machine a copy of those'],
  ['take-over', 'Write to the copy on this machine from now on: the other one is lost'],
  ['rejoin', 'Make the records of this machine a copy of those that took over'],
  ['install-service', 'Start Hudrik with this machine, by systemd, under an account of its own'],
  ['remove-service', 'Take that away again; the records stay'],
  ['diagnose CASE.json', 'Find the fault in a case file; prints JSON, needs no database'],
] as const;

function help(): void {
  print('npm run hudrik -- COMMAND');
  for (const command of Object.values(COMMANDS)) print(`  ${command.usage.padEnd(32)} ${command.does}`);
  for (const [usage, does] of OF_THE_MACHINE) print(`  ${usage.padEnd(32)} ${does}`);
  print('Exit codes: 0 done, 1 refused or done in part, 2 called wrongly, 3 no database.');
}

function failed(error: unknown): number {
  if (error instanceof RecordsAreNewer) return say(error.message, 1);
  if (error instanceof Misuse) return say(error.message, 2);
  if (error instanceof ValidationError) return say(error.errors.join(' '), 2);
  if (error instanceof Refusal) return say(`${FAILURES[error.code].title} ${JSON.stringify(error.facts)}`, 1);
  if (error instanceof Error && 'code' in error && error.code === 'ENOENT')
    return say(`There is no file ${'path' in error ? String(error.path) : ''}`, 2);
  // No such table.
  if (error instanceof Error && 'code' in error && error.code === '42P01')
    return say('There are no records here yet: start Hudrik once, or restore a backup.', 1);
  return say(`The database cannot be used: ${error instanceof Error ? error.message : String(error)}`, 3);
}

function say(line: string, code: number): number {
  console.error(line);
  return code;
}

/** Where what is written goes: of two machines the one that takes it, by the same rule as the server. */
async function whereTheYardIs(): Promise<string | null> {
  const [url, readUrl] = [process.env.DATABASE_URL ?? '', process.env.HUDRIK_READ_URL];
  if (readUrl === undefined) return url;
  const found = await findPrimary([url, onServerOf(url, readUrl)], lineageIn(lineageFileIn(process.env)));
  for (const one of found.refused)
    console.error(
      `The records at ${new URL(one.url).host} are not written to: ${whyNot(one)}. If they are the right ones: npm run hudrik -- accept-primary`,
    );
  return found.url;
}

const whyNot = ({ system, timeline, newest }: Refused): string =>
  system === newest.system
    ? `others took over since (timeline ${newest.timeline}; these are of ${timeline})`
    : 'they are not the ones that were written to until now';

async function main(): Promise<number> {
  if (name === undefined || name === 'help' || name === '--help') {
    help();
    return name === undefined ? 2 : 0;
  }
  const command = COMMANDS[name];
  if (command === undefined) return say(`No such command: ${name}. Try: ${Object.keys(COMMANDS).join(', ')}.`, 2);
  const url = await whereTheYardIs();
  if (url === null) return say('No server of the records takes what is written just now.', 3);
  // What a command asks of PostgreSQL's own programs goes there too.
  process.env.DATABASE_URL = url;
  const pool = openPool(url, 3);
  const db = databaseOn(pool);
  try {
    return await command.run(db, args, print, pool);
  } catch (error) {
    return failed(error);
  } finally {
    await db.destroy();
  }
}

process.exitCode = await main();
