import { ensureModules } from './install.mjs';
import { ensureDatabase, runServerProgram } from './serve.mjs';

/** The administration command line. Help needs no database. */
const args = process.argv.slice(2);
ensureModules();
// Finding a fault in a case file wants no database, and little time.
if (args[0] === 'diagnose') process.exit(runServerProgram('administration/diagnose.ts', args, {}));
const needsNone = args.length === 0 || args[0] === 'help' || args[0] === '--help';
const { url, stop } = needsNone ? { url: '', stop: () => undefined } : await ensureDatabase('hudrik');
const code = runServerProgram('administration/main.ts', args, { DATABASE_URL: url });
stop();
process.exit(code);
