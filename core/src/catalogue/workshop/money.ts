import { JUDGEMENT, type Source, type Threshold } from '../shapes';

/** The state that a part is found in, with the odds that cleaning or mending it holds (judgement). */
export const STATES_FOUND = {
  good: { name: 'Good, worn little', success: 0.95, source: JUDGEMENT },
  dirty: { name: 'Dirty, varnished', success: 0.85, source: JUDGEMENT },
  gummed: { name: 'Gummed solid', success: 0.55, source: JUDGEMENT },
  corroded: { name: 'Corroded, pitted', success: 0.35, source: JUDGEMENT },
  broken: { name: 'Broken or worn through', success: 0.05, source: JUDGEMENT },
} as const satisfies Readonly<Record<string, { name: string; success: number; source: Source }>>;
export type StateFound = keyof typeof STATES_FOUND;

/** Risk lines: what can cost more than the job (judgement). */
export const RISKS = {
  'seized-fastener': {
    name: 'A fastener that may shear: heat and oil, a nut welded on, extractor',
    odds: 0.25,
    minutes: 90,
    source: JUDGEMENT,
  },
  'plastic-snaps': { name: 'A plastic outlet or post that may snap', odds: 0.15, minutes: 25, source: JUDGEMENT },
  'old-thread': { name: 'A thread that may strip: insert', odds: 0.15, minutes: 45, source: JUDGEMENT },
} as const satisfies Readonly<Record<string, { name: string; odds: number; minutes: number; source: Source }>>;
export type RiskId = keyof typeof RISKS;

/** What a quote without it is a guess. The observations say whether it was looked at. */
export const LOOK_BEFORE_QUOTE = [
  { id: 'tank', name: 'the tank’s floor', observations: ['tank-look', 'fuel-look'] },
  { id: 'bowl', name: 'the bowl', observations: ['bowl-look', 'bowl-drain'] },
  { id: 'compression', name: 'the compression', observations: ['compression', 'leak-down'] },
] as const;

/** What can be done with what was found. */
export const WAYS = {
  find: 'Find the fault first',
  mend: 'Clean or repair it',
  replace: 'Replace the part',
  'swap-engine': 'Swap the engine',
  retire: 'Retire the unit',
} as const;
export const WAY_IDS = [
  'find',
  'mend',
  'replace',
  'swap-engine',
  'retire',
] as const satisfies readonly (keyof typeof WAYS)[];

const amount = (name: string, value: number, unit: string, source: Source = JUDGEMENT): Threshold => ({
  name,
  value,
  unit,
  source,
});

/** The yard's money and odds, where nothing of its own is known. */
export const MONEY = {
  centsPerHour: amount('An hour of the workshop', 7800, 'cents'),
  comeback: {
    find: amount('Odds that the same trouble comes back soon after a fault was found and put right', 0.1, 'odds'),
    mend: amount('… after a part was cleaned or mended', 0.12, 'odds'),
    replace: amount('… after a new part', 0.05, 'odds'),
    'swap-engine': amount('… after another engine', 0.06, 'odds'),
  },
  comebackWorth: amount('So many cases stand behind these odds', 20, 'cases'),
  wrong: amount('Odds that a confirmed cause was not it, or not all of it', 0.08, 'odds'),
  wrongWorth: amount('So many cases stand behind that', 25, 'cases'),
  swapHolds: amount('Odds that another engine cures what is wrong with an engine', 0.93, 'odds'),
  swapAdds: amount('Another engine adds to the unit’s worth so much of its price', 0.35, 'share'),
  swapLeadDays: amount('Days until another engine is there, where the supplier has said nothing', 6, 'days'),
  partLeadDays: amount('Days until a part is there, where the supplier has said nothing', 3, 'days'),
  shelfCents: amount('Parts up to so much lie on the shelf, as a rule', 1500, 'cents'),
  daysToReplace: amount('Days until another unit is there in its place', 10, 'days'),
  shareOut: amount('Share of days that a unit is out, where nothing is booked or known', 0.35, 'share'),
  seasonDays: amount('Days to either side of this day last year that tell its season', 21, 'days'),
  findHolds: amount('Odds that the fault is found and put right in the time expected', 0.9, 'odds'),
  repairAfterFinding: amount('Minutes to put right what is found, as a rule', 30, 'min'),
  partsAfterFinding: amount('Parts for what is found, as a rule', 1800, 'cents'),
} as const;
