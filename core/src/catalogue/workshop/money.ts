/** The state that a part is found in, with the odds that cleaning or mending it holds (judgement). */
export const STATES_FOUND = {
  good: { name: 'Good, worn little', success: 0.95 },
  dirty: { name: 'Dirty, varnished', success: 0.85 },
  gummed: { name: 'Gummed solid', success: 0.55 },
  corroded: { name: 'Corroded, pitted', success: 0.35 },
  broken: { name: 'Broken or worn through', success: 0.05 },
} as const;
export type StateFound = keyof typeof STATES_FOUND;

/** Risk lines: what can cost more than the job (judgement). */
export const RISKS = {
  'seized-fastener': {
    name: 'A fastener that may shear: heat and oil, a nut welded on, extractor',
    odds: 0.25,
    minutes: 90,
  },
  'plastic-snaps': { name: 'A plastic outlet or post that may snap', odds: 0.15, minutes: 25 },
  'old-thread': { name: 'A thread that may strip: insert', odds: 0.15, minutes: 45 },
} as const;
export type RiskId = keyof typeof RISKS;

/** What a quote without it is a guess. The observations say whether it was looked at. */
export const LOOK_BEFORE_QUOTE = [
  { id: 'tank', name: 'the tank’s floor', observations: ['tank-look', 'fuel-look'] },
  { id: 'bowl', name: 'the bowl', observations: ['bowl-look', 'bowl-drain'] },
  { id: 'compression', name: 'the compression', observations: ['compression', 'leak-down'] },
] as const;

/** What can be done with what was found. */
export const WAYS = {
  mend: 'Clean or repair it',
  replace: 'Replace the part',
  'swap-engine': 'Swap the engine',
  retire: 'Retire the unit',
} as const;
export const WAY_IDS = ['mend', 'replace', 'swap-engine', 'retire'] as const satisfies readonly (keyof typeof WAYS)[];

/** The yard's money, where nothing else is set (judgement). */
export const MONEY = {
  centsPerHour: 7800,
  /** Odds that a repair comes back within thirty days, by way. */
  comeback: { mend: 0.12, replace: 0.05, 'swap-engine': 0.06 },
} as const;
