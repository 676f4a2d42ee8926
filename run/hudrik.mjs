import { ensureModules } from './install.mjs';
import { movePostgres } from './movePostgres.mjs';
import { startPostgres, startThrowAwayPostgres } from './postgres.mjs';
import { copyFrom, rejoin, share, takeOver } from './secondMachine.mjs';
import { installService, removeService } from './service.mjs';
import { ROLES } from './roles.mjs';
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
const accept = (databaseUrl) =>
  runServerProgram('administration/main.ts', ['accept-primary'], { DATABASE_URL: databaseUrl });
const acceptThis = async () => {
  const postgres = await startPostgres();
  // An empty place counts too: a backup is restored into it.
  if (!postgres.isCopy) postgres.ensureDatabase('hudrik');
  const code = accept(postgres.urlAs(ROLES.owner, 'hudrik'));
  postgres.stop();
  process.exit(code);
};
const OF_THIS_MACHINE = {
  'accept-primary': acceptThis,
  share: () => share(args[1]),
  'copy-from': () => copyFrom(args[1]),
  'take-over': () => takeOver(accept),
  rejoin,
  'install-service': installService,
  'remove-service': removeService,
};
if (Object.hasOwn(OF_THIS_MACHINE, args[0] ?? '')) {
  await OF_THIS_MACHINE[args[0]]();
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
