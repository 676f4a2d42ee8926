import { ensureModules } from './install.mjs';
import { movePostgres } from './movePostgres.mjs';
import { startThrowAwayPostgres } from './postgres.mjs';
import { ensureDatabase, runServerProgram } from './serve.mjs';
import { backUpBeforeUpgrade } from './upgrade.mjs';

/** The administration command line. Help needs no database. */
const args = process.argv.slice(2);
ensureModules();
// Finding a fault in a case file wants no database, and little time.
if (args[0] === 'diagnose') process.exit(runServerProgram('administration/diagnose.ts', args, {}));
if (args[0] === 'move-postgres') {
  await movePostgres((given, databaseUrl) =>
    runServerProgram('administration/main.ts', given, { DATABASE_URL: databaseUrl }),
  );
  process.exit(0);
}
const needsNone = args.length === 0 || args[0] === 'help' || args[0] === '--help';
const { ownerUrl, stop } = needsNone ? { ownerUrl: '', stop: () => undefined } : await ensureDatabase('hudrik');
if (args[0] === 'migrate')
  await backUpBeforeUpgrade({
    ownerUrl,
    folder: process.env.HUDRIK_BACKUPS ?? '',
    without: args.includes('--without-backup'),
    stop,
  });
// A backup is tried on a cluster of its own, which is thrown away.
const spare = args[0] === 'verify' ? await startThrowAwayPostgres() : null;
const spareUrl = spare ? { HUDRIK_SPARE_URL: spare.urlOf('postgres') } : {};
const code = runServerProgram('administration/main.ts', args, { DATABASE_URL: ownerUrl, ...spareUrl });
spare?.stop();
stop();
process.exit(code);
