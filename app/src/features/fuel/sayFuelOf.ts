import { FUELS, type FuelId } from '@hudrik/core/catalogue';
import type { FuelLevel, FuelStore, UnitFuel } from '@hudrik/core/contracts';
import { convertValue, type UnitSystem } from '@hudrik/core/units';
import { sayAs, sayDay, sayFigure } from '@/writing';

const BOWL: Readonly<Record<UnitFuel['bowl'], string>> = {
  wet: 'bowl wet',
  'run-dry': 'run dry: a little stays in the bowl',
  drained: 'bowl drained',
};

export const percent = (share: number): string => `${Math.round(share * 100)} %`;
const days = (count: number): string => (Math.round(count) === 1 ? '1 day' : `${Math.round(count)} days`);

/** What is in the tank, as one would say it. Example: Stale: 64 days old, 10 % ethanol, bowl wet. */
export function sayFuelState({ state, bowl, isTapShut }: UnitFuel): string {
  const tap = isTapShut === true ? ', tap shut' : '';
  if (state === null) return `Empty, ${BOWL[bowl]}${tap}.`;
  const known = state.unknown >= 0.5 ? ', mostly what hirers put in' : '';
  const what = `${days(state.ageDays)} old, ${percent(state.ethanol)} ethanol, ${BOWL[bowl]}${tap}${known}`;
  return state.isStale ? `Stale: ${what}.` : `${what[0]?.toUpperCase()}${what.slice(1)}.`;
}

/** How sure the level of a tank is. Example: seen 4 Mar 2030, 09:00. */
export function sayHowSure({ seenAt, ranSince }: FuelLevel): string {
  if (seenAt === null) return 'nobody looked into it yet';
  return ranSince ? `by its hours since it was seen ${sayDay(seenAt)}` : `seen ${sayDay(seenAt)}`;
}

/** How much is in a tank, and how sure that is. Example: about 16 of 20 l, seen 4 Mar 2030, 09:00. */
export const sayLevel = (level: FuelLevel): string =>
  `about ${sayAbout(level.litres)} of ${sayAbout(level.holds)} l, ${sayHowSure(level)}`;

/** Of a big tank nobody reads a tenth of a litre. */
const sayAbout = (litres: number): string => sayFigure(litres, litres >= 10 || Number.isInteger(litres) ? 0 : 1);

/** Until when it keeps; nothing where it is past that. */
export const sayKeeps = (staleBy: string, isStale: boolean): string =>
  isStale ? `Past its date since ${sayAs(staleBy, 'd MMM yyyy')}` : `Keeps until ${sayAs(staleBy, 'd MMM yyyy')}`;

export const sayLitres = (litres: number): string => `${sayFigure(litres)} l`;

/** A dose as this person reads it, with what it is in litres: 0.92 US gal (3.5 l). */
export function sayDose(litres: number, system: UnitSystem): string {
  const small = litres < 0.25;
  const metric = small ? `${sayFigure(litres * 1000, 0)} ml` : sayLitres(litres);
  if (system === 'metric') return metric;
  const unit = small ? 'US fl oz' : 'US gal';
  return `${sayFigure(convertValue(litres, 'L', unit), small ? 1 : 2)} ${unit} (${metric})`;
}

export const fuelName = (fuel: FuelId): string => FUELS[fuel].name;

/** The store in one sentence. */
export function sayStore({ cans, units, litres }: FuelStore): string {
  const stale = cans.filter(({ isStale }) => isStale).length + units.filter(({ state }) => state?.isStale).length;
  const have = `${sayLitres(litres)} in ${cans.length === 1 ? '1 can' : `${cans.length} cans`}.`;
  if (stale === 0) return `${have} Nothing is past its date.`;
  return `${have} ${stale === 1 ? '1 can or tank is' : `${stale} cans or tanks are`} past their date.`;
}
