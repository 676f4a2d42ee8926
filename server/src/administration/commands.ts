import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { newPerson, type ImportReport } from '@hudrik/core/contracts';
import { pino } from 'pino';
import { prepareBackground } from '../background/runner';
import type { Context } from '../context';
import { bringUpToDate } from '../fleet/bringUpToDate';
import { grantRights } from '../database/rights';
import type { Db } from '../database/tables';
import { addWorkInHand } from '../demo/workInHand';
import { loadDemo } from '../demo/load';
import { exportHires, importHires } from '../exchange/hires';
import { exportModels, importModels } from '../exchange/models';
import { exportParts, importParts } from '../exchange/parts';
import { exportUnits, importUnits } from '../exchange/units';
import { makeDeviceCode } from '../people/devices';
import { addPerson } from '../people/people';
import { BACKUP_COMMANDS } from './backupCommands';
import { checkAll } from './check';
import { MACHINE_COMMANDS } from './machineCommands';
import { Misuse, type Command, type Print } from './command';

export const COMMANDS: Readonly<Record<string, Command>> = {
  migrate: {
    usage: 'migrate',
    does: 'Bring the database to the newest migration',
    run: async (db, _args, print, pool) => {
      const ran = await bringUpToDate(db);
      await prepareBackground(pool, pino({ level: 'warn' }));
      await grantRights(db);
      print(ran.length === 0 ? 'Nothing to do: the database is at the newest migration.' : `Ran ${ran.join(', ')}.`);
      return 0;
    },
  },
  'demo-data': {
    usage: 'demo-data',
    does: 'Fill an empty database with the demo’s yard',
    run: async (db, _args, print, pool) => {
      await bringUpToDate(db);
      await prepareBackground(pool, pino({ level: 'warn' }));
      await grantRights(db);
      const now = new Date();
      const records = await loadDemo(db, now);
      if (records !== null) await addWorkInHand(db, now);
      print(records === null ? 'Left alone: there are people or units here already.' : `Wrote ${records} records.`);
      return 0;
    },
  },
  import: {
    usage: 'import models|units|hires|parts FILE.csv',
    does: 'Take models, units, hires or parts from CSV, with a report per line',
    run: importFile,
  },
  export: {
    usage: 'export models|units|hires|parts',
    does: 'Write models, units, hires or parts as CSV to standard output',
    run: async (db, [what], print) => {
      print(
        (
          await pickOf(what, { models: exportModels, units: exportUnits, hires: exportHires, parts: exportParts })(db)
        ).trimEnd(),
      );
      return 0;
    },
  },
  'add-person': {
    usage: 'add-person NAME ROLE PIN',
    does: 'Add a person: apprentice, technician, lead or counter',
    run: async (db, [name, role, pin], print) => {
      const fresh = await newPerson.validate({ name, role, pin });
      const person = await addPerson(db, fresh);
      print(`Added ${person.name}, ${person.role}.`);
      return 0;
    },
  },
  'let-in': {
    usage: 'let-in',
    does: 'Make a code that lets one device in, within ten minutes',
    run: async (db, _args, print) => {
      const { code, expiresAt } = await makeDeviceCode({ db, now: () => new Date() }, null);
      print(`${code}  until ${expiresAt}: open /let-in on the device, and type it.`);
      return 0;
    },
  },
  check: {
    usage: 'check',
    does: 'Compare all that is stored with the facts that it follows from',
    run: async (db, _args, print) => {
      const wrong = await checkAll(db, print);
      print(`${wrong} wrong.`);
      return wrong === 0 ? 0 : 1;
    },
  },
  ...BACKUP_COMMANDS,
  ...MACHINE_COMMANDS,
};

function pickOf<T>(what: string | undefined, choices: Readonly<Record<string, T>>): T {
  const chosen = choices[what ?? ''];
  if (chosen === undefined) throw new Misuse(`Say which: ${Object.keys(choices).join(' or ')}.`);
  return chosen;
}

async function importFile(db: Db, [what, file]: readonly string[], print: Print): Promise<number> {
  const take = pickOf<(context: Pick<Context, 'db' | 'now'>, text: string) => Promise<ImportReport>>(what, {
    models: importModels,
    units: (context, text) => importUnits(context, null, text),
    hires: (context, text) => importHires(context, null, text),
    parts: (context, text) => importParts(context, null, text),
  });
  if (file === undefined) throw new Misuse('Name the CSV file.');
  const text = await readFile(path.resolve(process.env['INIT_CWD'] ?? '.', file), 'utf8');
  const report = await take({ db, now: () => new Date() }, text);
  for (const line of report.lines)
    print(`line ${line.line}: ${line.what}: ${line.taken ? 'taken' : `refused: ${line.why ?? ''}`}`);
  print(`${report.taken} taken, ${report.refused} refused.`);
  return report.refused === 0 ? 0 : 1;
}
