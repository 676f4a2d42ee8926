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

/** How much is in a tank, and how sure that is. Example: about 16 l of 20 l, seen today 09:00. */
export function sayLevel({ litres, holds, seenAt, ranSince }: FuelLevel): string {
  const much = `about ${sayLitres(Math.round(litres * 10) / 10)} of ${sayLitres(holds)}`;
  if (seenAt === null) return much;
  return ranSince ? `${much}, by its hours since it was seen ${sayDay(seenAt)}` : `${much}, seen ${sayDay(seenAt)}`;
}

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
