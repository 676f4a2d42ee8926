import path from 'node:path';
import { newPin } from '@hudrik/core/contracts';
import { backUp, restore } from '../backups/backup';
import { exportYard, importYard } from '../backups/openForm';
import { migrationsRun, migrationsToRun } from '../database/newer';
import { hashPin } from '../people/people';
import { mustBeHard } from '../people/mustBeHard';
import { Refusal } from '../refusal';
import { backUpBefore, NoRoom } from './beforeUpgrade';
import { Misuse, type Command } from './command';
import { tryBackup } from './tryBackup';

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
      try {
        const { at, contents } = await restore(url(), fileIn(args));
        print(`Restored ${Object.keys(contents).length} tables as they were at ${at}.`);
        return 0;
      } catch (error) {
        if (!(error instanceof Refusal) || error.code !== 'already-there') throw error;
        print('There are records here already, and nothing was changed: a backup is put into an empty place.');
        print('For another place: HUDRIK_DATA=FOLDER npm run hudrik -- restore FILE');
        return 1;
      }
    },
  },
  'to-upgrade': {
    usage: 'to-upgrade',
    does: 'Say what of the database an upgrade would change; nothing: it is up to date, or empty',
    run: async (db, _args, print) => {
      const isEmpty = (await migrationsRun(db)).length === 0;
      for (const name of isEmpty ? [] : await migrationsToRun(db)) print(name);
      return 0;
    },
  },
  'back-up-before': {
    usage: 'back-up-before',
    does: 'Before an upgrade: write a backup, restore and upgrade it on a spare server, and check',
    run: async (db, _args, print) => {
      const { HUDRIK_SPARE_URL: spareUrl, HUDRIK_BACKUPS: folder } = process.env;
      if (!spareUrl || !folder) throw new Misuse('HUDRIK_SPARE_URL and HUDRIK_BACKUPS must be set.');
      const pending = await migrationsToRun(db);
      try {
        const { file, bytes, rows, wrong } = await backUpBefore(db, pending, { url: url(), folder, spareUrl });
        print(
          `Before the upgrade all records were written to ${file}: ${rows} rows, ${bytes} bytes, restored and upgraded on trial.`,
        );
        for (const line of wrong) print(line);
        return 0;
      } catch (error) {
        if (!(error instanceof NoRoom)) throw error;
        print(error.message);
        print('Make room, or go on without it: npm start -- --without-backup');
        return 1;
      }
    },
  },
  verify: {
    usage: 'verify FILE',
    does: 'Restore a backup into a throw-away database, compare, and run every rule',
    run: async (_db, args, print) => {
      const spare = process.env.HUDRIK_SPARE_URL;
      if (!spare) throw new Misuse('HUDRIK_SPARE_URL must name a database server to try it on.');
      const { at, wrong } = await tryBackup(spare, fileIn(args), print);
      print(wrong === 0 ? `Good: all that was there at ${at} comes back.` : `${wrong} things are wrong in it.`);
      return wrong === 0 ? 0 : 1;
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
