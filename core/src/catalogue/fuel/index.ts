import { COMMON_PRACTICE, JUDGEMENT, type ClassId, type Source } from '../shapes';

/** A fuel as it is bought. */
export interface FuelKind {
  readonly id: string;
  readonly name: string;
  /** Of its volume, as a share. */
  readonly ethanol: number;
  /** Days that it keeps in a vented tank, or a can that is opened, as it is and with stabiliser mixed in fresh. */
  readonly keepsDays: number;
  readonly treatedDays: number;
  /** What a litre costs. */
  readonly centsPerLitre: number;
  readonly source: Source;
}

/** What is put into a tank or a can. Without knowing better it is what the pump has. */
export const FUELS = {
  e10: {
    id: 'e10',
    name: 'Pump petrol, 10 % ethanol',
    ethanol: 0.1,
    keepsDays: 30,
    treatedDays: 180,
    centsPerLitre: 110,
    source: COMMON_PRACTICE,
  },
  e5: {
    id: 'e5',
    name: 'Pump petrol, 5 % ethanol',
    ethanol: 0.05,
    keepsDays: 45,
    treatedDays: 240,
    centsPerLitre: 120,
    source: JUDGEMENT,
  },
  e0: {
    id: 'e0',
    name: 'Ethanol-free petrol',
    ethanol: 0,
    keepsDays: 90,
    treatedDays: 365,
    centsPerLitre: 160,
    source: COMMON_PRACTICE,
  },
  alkylate: {
    id: 'alkylate',
    name: 'Alkylate',
    ethanol: 0,
    keepsDays: 730,
    treatedDays: 730,
    centsPerLitre: 620,
    source: COMMON_PRACTICE,
  },
} as const satisfies Readonly<Record<string, FuelKind>>;
export type FuelId = keyof typeof FUELS;
export const FUEL_IDS = Object.keys(FUELS) as FuelId[];

/** The tank of a class, where its model's is not known. */
export interface TankOfClass {
  readonly litres: number;
  /** Under the loads of hire. */
  readonly litresPerHour: number;
  readonly isMetal: boolean;
  readonly hasTap: boolean;
  readonly hasBattery: boolean;
  readonly hasPump: boolean;
}

export const TANKS: Readonly<Record<ClassId, TankOfClass>> = {
  'pressure-washer': { litres: 3, litresPerHour: 1.2, isMetal: false, hasTap: false, hasBattery: false, hasPump: true },
  generator: { litres: 20, litresPerHour: 1.8, isMetal: true, hasTap: true, hasBattery: true, hasPump: false },
  tiller: { litres: 4, litresPerHour: 0.9, isMetal: true, hasTap: true, hasBattery: false, hasPump: false },
  snowblower: { litres: 3.5, litresPerHour: 1.0, isMetal: false, hasTap: true, hasBattery: false, hasPump: false },
  'log-splitter': { litres: 3.8, litresPerHour: 0.9, isMetal: false, hasTap: true, hasBattery: false, hasPump: false },
  welder: { litres: 30, litresPerHour: 2.5, isMetal: true, hasTap: true, hasBattery: true, hasPump: false },
};
export const TANKS_SOURCE: Source = JUDGEMENT;
