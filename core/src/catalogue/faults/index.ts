import { mapValues } from '../../typed';
import type { Fault, FaultId, Shown } from '../shapes';
import { AIR_FAULTS } from './air';
import { BATTERY_FAULTS } from './battery';
import { BRINGS } from './brings';
import { CARBURETTOR_FAULTS } from './carburettor';
import { DRIVE_FAULTS } from './drive';
import { ELECTRICS_FAULTS } from './electrics';
import { COMPRESSION_AND_OIL_FAULTS } from './compressionAndOil';
import { ENGINE_FAULTS } from './engine';
import { FLOODING_FAULTS } from './flooding';
import { FUEL_SUPPLY_FAULTS } from './fuelSupply';
import { HYDRAULICS_FAULTS } from './hydraulics';
import { SPARK_FAULTS } from './spark';
import { WASHER_PUMP_FAULTS } from './washerPump';

/**
 * What can be wrong. Ids are fixed and never reused. Odds, strengths, minutes and prices are judgement, to be taught by the yard's own
 * proven causes; which reading speaks for which fault is common practice.
 */
const ENTRIES: Readonly<Record<FaultId, Fault>> = {
  ...FUEL_SUPPLY_FAULTS,
  ...CARBURETTOR_FAULTS,
  ...FLOODING_FAULTS,
  ...AIR_FAULTS,
  ...SPARK_FAULTS,
  ...BATTERY_FAULTS,
  ...ENGINE_FAULTS,
  ...COMPRESSION_AND_OIL_FAULTS,
  ...WASHER_PUMP_FAULTS,
  ...ELECTRICS_FAULTS,
  ...DRIVE_FAULTS,
  ...HYDRAULICS_FAULTS,
};

/** An engine that does not pull is felt at the machine too: of what bogs or dies under load, so much shows there so (judgement). */
const FELT_AT_WORK: readonly (Shown & { readonly share: number })[] = [
  { observation: 'output', outcome: 'drops-on-load', share: 0.6 },
  { observation: 'auger', outcome: 'stalls', share: 0.2 },
  { observation: 'throw', outcome: 'short', share: 0.12 },
  { observation: 'pressure', outcome: 'low', share: 0.12 },
  { observation: 'arc', outcome: 'weak', share: 0.08 },
  { observation: 'ram', outcome: 'slow', share: 0.1 },
];

function feltAtWork(fault: Fault): Fault {
  const weak = Object.values(fault.shows['under-load'] ?? {}).reduce((sum, part) => sum + part, 0);
  if (fault.lane === 'machine' || weak === 0) return fault;
  const felt = FELT_AT_WORK.filter((entry) => fault.shows[entry.observation] === undefined).map(
    (entry) => [entry.observation, { [entry.outcome]: Math.round(weak * entry.share * 100) / 100 }] as const,
  );
  return { ...fault, shows: { ...fault.shows, ...Object.fromEntries(felt) } };
}

export const FAULTS: Readonly<Record<FaultId, Fault>> = mapValues(ENTRIES, feltAtWork);
export const isFaultId = (text: string): text is FaultId => Object.hasOwn(ENTRIES, text);

/** Told with their cause, never by themselves. */
export const CONSEQUENCES_OF_FAULTS = {
  'oil-diluted': { name: 'Fuel in the oil', caution: 'do-not-start' },
  'hydraulic-lock': { name: 'Liquid in the cylinder', caution: 'do-not-start' },
} as const;

/** Nothing wrong with the machine: the empty set, reported under this id. */
export const NOTHING_WRONG = 'user-error';
export { SCHOOLS } from './schools';

export { BRINGS };
export { FORMER_FAULTS, formerlyOf, presentFault } from './former';
