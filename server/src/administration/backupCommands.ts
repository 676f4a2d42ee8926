import path from 'node:path';
import { newPin } from '@hudrik/core/contracts';
import pg from 'pg';
import { backUp, restore } from '../backups/backup';
import { exportYard, importYard } from '../backups/openForm';
import { databaseOn, openPool } from '../database/open';
import { hashPin } from '../people/people';
import { mustBeHard } from '../people/mustBeHard';
import { checkAll } from './check';
import { Misuse, type Command } from './command';

const url = (): string => process.env['DATABASE_URL'] ?? '';
/** A file is named from where the command was called. */
function fileIn([file]: readonly string[]): string {
  if (file === undefined) throw new Misuse('Name the file.');
  return path.resolve(process.env['INIT_CWD'] ?? '.', file);
}

/** The records written away and put back; in our own form for that, and in an open one. */
export const BACKUP_COMMANDS: Readonly<Record<string, Command>> = {
  backup: {
    usage: 'backup FILE',
    does: 'Write all records and photos into one file',
    run: async (_db, args, print) => {
      const { bytes, rows } = await backUp(url(), fileIn(args));
      print(`Wrote ${rows} rows, ${bytes} bytes.`);
      return 0;
    },
  },
  restore: {
    usage: 'restore FILE',
    does: 'Put a backup into an empty database, and compare',
    run: async (_db, args, print) => {
      const { at, contents } = await restore(url(), fileIn(args));
      print(`Restored ${Object.keys(contents).length} tables as they were at ${at}.`);
      return 0;
    },
  },
  verify: {
    usage: 'verify FILE',
    does: 'Restore a backup into a throw-away database, compare, and run every rule',
    run: async (_db, args, print) => {
      const spare = process.env.HUDRIK_SPARE_URL;
      if (!spare) throw new Misuse('HUDRIK_SPARE_URL must name a database server to try it on.');
      const name = `verify_${Date.now()}`;
      const server = new pg.Client({ connectionString: spare });
      await server.connect();
      await server.query(`create database ${name}`);
      const copy = new URL(spare);
      copy.pathname = `/${name}`;
      try {
        const { at } = await restore(copy.href, fileIn(args));
        const pool = openPool(copy.href, 3);
        const wrong = await checkAll(databaseOn(pool), print);
        await pool.end();
        print(wrong === 0 ? `Good: all that was there at ${at} comes back.` : `${wrong} things are wrong in it.`);
        return wrong === 0 ? 0 : 1;
      } finally {
        await server.query(`drop database ${name} with (force)`);
        await server.end();
      }
    },
  },
  'export-yard': {
    usage: 'export-yard FILE.zip [--with-pins]',
    does: 'Write the whole yard in the open form: JSON Lines and photos',
    run: async (_db, args, print, pool) => {
      const withPins = args.includes('--with-pins');
      const { tables } = await exportYard(pool, fileIn(args), { withPins });
      print(`Wrote ${tables.length} tables${withPins ? ', with PINs' : ', without PINs'}.`);
      return 0;
    },
  },
  'import-yard': {
    usage: 'import-yard FILE.zip',
    does: 'Take a yard in the open form into an empty, migrated database',
    run: async (db, args, print) => {
      const { tables, at, hasPins } = await importYard(db, fileIn(args));
      print(`Took ${tables.length} tables as they were at ${at}.`);
      if (!hasPins) print('It came without PINs: give each person one with set-pin.');
      return 0;
    },
  },
  'set-pin': {
    usage: 'set-pin NAME PIN',
    does: 'Give a person a new PIN, when no lead can',
    run: async (db, [name, pin], print) => {
      const fresh = await newPin.required().validate(pin);
      const who = await db
        .selectFrom('person')
        .select(['id', 'name'])
        .where('name', '=', name ?? '')
        .executeTakeFirst();
      if (who === undefined) throw new Misuse(`There is nobody called ${name ?? ''}.`);
      mustBeHard(fresh, who.name);
      await db
        .updateTable('person')
        .set({ pin_hash: await hashPin(fresh), pin_is_short: false, demo_pin: null })
        .where('id', '=', who.id)
        .execute();
      await db.deleteFrom('session').where('person_id', '=', who.id).execute();
      print(`${who.name} has a new PIN.`);
      return 0;
    },
  },
};
