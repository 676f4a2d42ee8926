/** The state that a part is found in, with the odds that cleaning or mending it holds (judgement). */
export const STATES_FOUND = {
  good: { says: 'Good, worn little', success: 0.95 },
  dirty: { says: 'Dirty, varnished', success: 0.85 },
  gummed: { says: 'Gummed solid', success: 0.55 },
  corroded: { says: 'Corroded, pitted', success: 0.35 },
  broken: { says: 'Broken or worn through', success: 0.05 },
} as const;
export type StateFound = keyof typeof STATES_FOUND;

/** Risk lines: what can cost more than the job (judgement). */
export const RISKS = {
  'seized-fastener': {
    says: 'A fastener that may shear: heat and oil, a nut welded on, extractor',
    odds: 0.25,
    minutes: 90,
  },
  'plastic-snaps': { says: 'A plastic outlet or post that may snap', odds: 0.15, minutes: 25 },
  'old-thread': { says: 'A thread that may strip: insert', odds: 0.15, minutes: 45 },
} as const;
export type RiskId = keyof typeof RISKS;

/** What a quote without it is a guess. The observations say whether it was looked at. */
export const LOOK_BEFORE_QUOTE = [
  { id: 'tank', says: 'the tank’s floor', observations: ['tank-look', 'fuel-look'] },
  { id: 'bowl', says: 'the bowl', observations: ['bowl-look', 'bowl-drain'] },
  { id: 'compression', says: 'the compression', observations: ['compression', 'leak-down'] },
] as const;

/** The yard's money, where nothing else is set (judgement). */
export const MONEY = {
  centsPerHour: 7800,
  /** Odds that a repair comes back within thirty days, by way. */
  comeback: { mend: 0.12, replace: 0.05, 'swap-engine': 0.06 },
  /** By class: hire a day; worth of a sound unit; of one let go; an engine to swap in; minutes to swap it. */
  classes: {
    'pressure-washer': { dayCents: 6500, soundCents: 62_000, scrapCents: 4000, engineCents: 24_000, swapMinutes: 90 },
    generator: { dayCents: 8500, soundCents: 110_000, scrapCents: 9000, engineCents: 38_000, swapMinutes: 240 },
    tiller: { dayCents: 7000, soundCents: 85_000, scrapCents: 6000, engineCents: 26_000, swapMinutes: 110 },
    snowblower: { dayCents: 9000, soundCents: 120_000, scrapCents: 8000, engineCents: 30_000, swapMinutes: 120 },
    'log-splitter': { dayCents: 9500, soundCents: 140_000, scrapCents: 12_000, engineCents: 28_000, swapMinutes: 100 },
    welder: { dayCents: 11_000, soundCents: 210_000, scrapCents: 20_000, engineCents: 52_000, swapMinutes: 300 },
  } as Readonly<
    Record<
      string,
      {
        readonly dayCents: number;
        readonly soundCents: number;
        readonly scrapCents: number;
        readonly engineCents: number;
        readonly swapMinutes: number;
      }
    >
  >,
} as const;
