import { FAILURES } from '@hudrik/core/contracts';
import { ValidationError } from 'yup';
import { databaseOn, openPool } from '../database/open';
import { RecordsAreNewer } from '../database/newer';
import { Refusal } from '../refusal';
import { Misuse } from './command';
import { COMMANDS } from './commands';

/** Exit codes: 0 done, 1 done in part or refused, 2 called wrongly, 3 the database cannot be reached. */
const [name, ...args] = process.argv.slice(2);
const print = (line: string): void => console.log(line);

function help(): void {
  print('npm run hudrik -- COMMAND');
  for (const command of Object.values(COMMANDS)) print(`  ${command.usage.padEnd(32)} ${command.does}`);
  print(`  ${'move-postgres'.padEnd(32)} Dump the records and restore them into the newest PostgreSQL that is here`);
  print(`  ${'diagnose CASE.json'.padEnd(32)} Find the fault in a case file; prints JSON, needs no database`);
  print('Exit codes: 0 done, 1 refused or done in part, 2 called wrongly, 3 no database.');
}

function failed(error: unknown): number {
  if (error instanceof RecordsAreNewer) return say(error.message, 1);
  if (error instanceof Misuse) return say(error.message, 2);
  if (error instanceof ValidationError) return say(error.errors.join(' '), 2);
  if (error instanceof Refusal) return say(`${FAILURES[error.code].title} ${JSON.stringify(error.facts)}`, 1);
  if (error instanceof Error && 'code' in error && error.code === 'ENOENT')
    return say(`There is no file ${'path' in error ? String(error.path) : ''}`, 2);
  return say(`The database cannot be used: ${error instanceof Error ? error.message : String(error)}`, 3);
}

function say(line: string, code: number): number {
  console.error(line);
  return code;
}

async function main(): Promise<number> {
  if (name === undefined || name === 'help' || name === '--help') {
    help();
    return name === undefined ? 2 : 0;
  }
  const command = COMMANDS[name];
  if (command === undefined) return say(`No such command: ${name}. Try: ${Object.keys(COMMANDS).join(', ')}.`, 2);
  const pool = openPool(process.env.DATABASE_URL ?? '', 3);
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
