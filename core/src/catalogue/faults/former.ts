import type { FaultId } from '../shapes';

interface Former {
  readonly name: string;
  /** What stands for it now, the likelier first. */
  readonly now: readonly [FaultId, ...FaultId[]];
}

export const FORMER_FAULT_IDS = ['fuel-low-or-off'] as const;

/** Ids of former editions that are two faults now. What was kept under them stays readable. */
export const FORMER_FAULTS: Readonly<Record<string, Former>> = {
  'fuel-low-or-off': { name: 'Fuel low, or the tap shut', now: ['fuel-low', 'tap-off'] },
};

/** The id that stands for it now. Example: fuel-low-or-off is fuel-low. */
export const presentFault = (id: string): string => FORMER_FAULTS[id]?.now[0] ?? id;

/** What a fault was called in a former edition. */
export const formerlyOf = (id: string): string | undefined =>
  Object.keys(FORMER_FAULTS).find((former) => FORMER_FAULTS[former]?.now.some((one) => one === id));
