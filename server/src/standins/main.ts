import { openDatabase } from '../database/open';
import { mannersIn, OUTSIDE, PRIVATE_HOSTS, privateHostsIn, standInsOfYard } from './ofYard';

/** The simulated outside as a process of its own, for several server processes that must all ask the same one. Says where it is, in a line. */
const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
const db = openDatabase(url, 1);
const standIns = await standInsOfYard(db, process.env.HUDRIK_DEMO === '1', mannersIn(process.env));
console.log(
  JSON.stringify({
    [OUTSIDE.supplierUrl]: standIns.supplierUrl,
    [OUTSIDE.loadBankUrl]: standIns.loadBankUrl,
    [OUTSIDE.deskUrl]: standIns.deskUrl,
    [OUTSIDE.equipmentUrl]: standIns.equipmentUrl,
    // They are on this machine.
    [PRIVATE_HOSTS]: ['127.0.0.1', ...privateHostsIn(process.env)].join(' '),
  }),
);
const stop = (): void => {
  standIns.stop();
  void db.destroy().then(() => process.exit(0));
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
if (process.env.HUDRIK_ENDS_WITH_RUNNER === 'yes') process.stdin.resume().once('close', stop);
