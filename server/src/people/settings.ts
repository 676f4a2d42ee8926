import type { Settings } from '@hudrik/core/contracts';
import { askNow } from '../background/enqueue';
import { notifyChange } from '../background/notify';
import { mustNotOverlap } from '../bench/mustNotOverlap';
import type { Db } from '../database/tables';
import { refuse } from '../refusal';

/** How this yard writes money, figures and times. */
export async function readSettings(db: Db): Promise<Required<Settings>> {
  const row = await db.selectFrom('yard_settings').selectAll().executeTakeFirstOrThrow();
  const { yard, currency, locale, time_zone: timeZone } = row;
  return {
    ...{ yard, currency, locale, timeZone, centsPerHour: row.cents_per_hour, kitPrices: row.kit_prices },
    serviceLevel: row.service_level,
    coldestStarts: row.coldest_starts,
    unknownFuel: row.unknown_fuel,
    ...{
      place: row.place,
      heightM: row.height_m,
      usualUnits: row.usual_units,
      openHours: row.open_hours,
      bays: row.bays,
    },
    ...{ stabiliserMl: row.stabiliser_ml, stabiliserCents: row.stabiliser_cents },
  };
}

/** The yard's own prices of a class's kit, cents by item. */
export async function kitPricesOf(db: Db, classId: string): Promise<Record<string, number>> {
  const { kitPrices } = await readSettings(db);
  const own = Object.entries(kitPrices).filter(([key]) => key.startsWith(`${classId}/`));
  return Object.fromEntries(own.map(([key, cents]) => [key.slice(classId.length + 1), cents]));
}

export async function changeSettings(db: Db, settings: Settings): Promise<Settings> {
  const { yard, currency, locale, timeZone, centsPerHour, kitPrices, serviceLevel, coldestStarts } = settings;
  const { unknownFuel, stabiliserMl, stabiliserCents, place, heightM, usualUnits, openHours, bays } = settings;
  const before = await readSettings(db);
  if (openHours) mustNotOverlap(openHours);
  mustBeKnown('locale', locale, () => Intl.getCanonicalLocales(locale));
  mustBeKnown('currency', currency, () => new Intl.NumberFormat(locale, { style: 'currency', currency }));
  mustBeKnownZone(timeZone, locale);
  // What is not said stays as it is.
  const prices = {
    ...(centsPerHour === undefined ? {} : { cents_per_hour: centsPerHour }),
    ...(serviceLevel === undefined ? {} : { service_level: serviceLevel }),
    ...(coldestStarts === undefined ? {} : { coldest_starts: coldestStarts && JSON.stringify(coldestStarts) }),
    ...(unknownFuel === undefined ? {} : { unknown_fuel: unknownFuel }),
    ...(stabiliserMl === undefined ? {} : { stabiliser_ml: stabiliserMl }),
    ...(stabiliserCents === undefined ? {} : { stabiliser_cents: stabiliserCents }),
    ...(place === undefined ? {} : { place }),
    ...(heightM === undefined ? {} : { height_m: heightM }),
    ...(usualUnits === undefined ? {} : { usual_units: usualUnits }),
    ...(openHours === undefined ? {} : { open_hours: openHours && JSON.stringify(openHours) }),
    ...(bays === undefined ? {} : { bays }),
    ...(kitPrices === undefined ? {} : { kit_prices: JSON.stringify(kitPrices) }),
  };
  await db
    .updateTable('yard_settings')
    .set({ yard, currency, locale, time_zone: timeZone, ...prices })
    .execute();
  const isElsewhere = timeZone !== before.timeZone;
  // Hires whose times name no zone go with the yard's.
  if (isElsewhere) await askNow(db, 'read-desk');
  // The plan is laid into the hours and the bays.
  if (openHours !== undefined || bays !== undefined || isElsewhere)
    await notifyChange(db, { what: 'bench', id: 'hours' });
  return readSettings(db);
}

export const mustBeKnownZone = (timeZone: string, locale: string): void =>
  mustBeKnown('timeZone', timeZone, () => new Intl.DateTimeFormat(locale, { timeZone }));

function mustBeKnown(field: string, value: string, make: () => unknown): void {
  try {
    make();
  } catch {
    refuse('not-valid', { field, value });
  }
}
