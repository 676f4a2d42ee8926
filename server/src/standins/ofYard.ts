import type { Db } from '../database/tables';
import { deskBookings } from '../demo/deskBookings';
import { machinesOfDemo } from '../demo/machinesOfDemo';
import { startStandIns, type StandIns } from './start';

/** By what names those outside are told to a server process. */
export const OUTSIDE = {
  supplierUrl: 'HUDRIK_SUPPLIER_URL',
  loadBankUrl: 'HUDRIK_INSTRUMENTS_URL',
  deskUrl: 'HUDRIK_DESK_URL',
  equipmentUrl: 'HUDRIK_EQUIPMENT_URL',
} as const satisfies Record<Exclude<keyof StandIns, 'stop'>, string>;

interface Manners {
  readonly dayMs: number | null;
  readonly failsOf100: number | null;
}

/** The simulated outside of this yard: in the demo a day of delivery is short, some orders fail, and there are bookings and machines. */
export const standInsOfYard = (db: Db, demo: boolean, { dayMs, failsOf100 }: Manners): Promise<StandIns> =>
  startStandIns(
    { dayMs: dayMs ?? (demo ? 4000 : 86_400_000), failsOf100: failsOf100 ?? (demo ? 4 : 0), now: Date.now },
    undefined,
    demo ? deskBookings(new Date()) : [],
    async () => (demo ? machinesOfDemo(db, new Date()) : []),
  );

/** What the environment says of their manners. */
export function mannersIn(env: Readonly<Record<string, string | undefined>>): Manners {
  const figure = (name: string): number | null => (env[name] === undefined ? null : Number(env[name]));
  return { dayMs: figure('HUDRIK_SUPPLIER_DAY_MS'), failsOf100: figure('HUDRIK_SUPPLIER_FAILS') };
}

/** Hosts outside that may be on this machine, or on the yard's own network. */
export const PRIVATE_HOSTS = 'HUDRIK_PRIVATE_HOSTS';

export const privateHostsIn = (env: Readonly<Record<string, string | undefined>>): string[] =>
  (env[PRIVATE_HOSTS] ?? '').split(/[\s,]+/).filter(Boolean);
