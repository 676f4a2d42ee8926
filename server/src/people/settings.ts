import type { Settings } from '@hudrik/core/contracts';
import type { Db } from '../database/tables';
import { refuse } from '../refusal';

/** How this yard writes money, figures and times. Until somebody says where it lies, its clock is this server's. */
export async function readSettings(db: Db): Promise<Settings> {
  const row = await db.selectFrom('yard_settings').selectAll().executeTakeFirstOrThrow();
  const { yard, currency, locale } = row;
  return { yard, currency, locale, timeZone: row.time_zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone };
}

export async function changeSettings(db: Db, { yard, currency, locale, timeZone }: Settings): Promise<Settings> {
  mustBeKnown('locale', locale, () => Intl.getCanonicalLocales(locale));
  mustBeKnown('currency', currency, () => new Intl.NumberFormat(locale, { style: 'currency', currency }));
  mustBeKnown('timeZone', timeZone, () => new Intl.DateTimeFormat(locale, { timeZone }));
  await db.updateTable('yard_settings').set({ yard, currency, locale, time_zone: timeZone }).execute();
  return readSettings(db);
}

function mustBeKnown(field: string, value: string, make: () => unknown): void {
  try {
    make();
  } catch {
    refuse('not-valid', { field, value });
  }
}
