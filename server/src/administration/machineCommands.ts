import { lineageFileIn, lineageIn } from '../database/lineage';
import { lineOf } from '../database/primary';
import { Misuse, type Command } from './command';

/** What is said by hand of which records count, where two machines have them. */
export const MACHINE_COMMANDS: Readonly<Record<string, Command>> = {
  'accept-primary': {
    usage: 'accept-primary',
    does: 'Write to the records of this machine from now on, whatever was written to before',
    run: async (_db, _args, print) => {
      const line = await lineOf(process.env['DATABASE_URL'] ?? '');
      if (line === null) {
        print('The records of this machine do not take what is written: they are a copy, or their server is away.');
        return 1;
      }
      const file = lineageFileIn(process.env);
      if (file === null) throw new Misuse('There is no data folder to keep it in: set HUDRIK_DATA_FOLDER.');
      lineageIn(file).accept(line);
      print(`Written to from now on: records ${line.system}, timeline ${line.timeline}.`);
      return 0;
    },
  },
};
