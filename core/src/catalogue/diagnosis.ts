import { COMMON_PRACTICE, JUDGEMENT, judgement, type Source } from './shapes';
import { BRINGS, FAULTS } from './faults';
import { OBSERVATIONS, SAME_FACTS, SEEN_AS, SET_UPS } from './observations';
import { MISLEADING, STANDSTILLS, TELLS_PAST } from './warnings';

/** Of engines of which nothing is said, the share with each trait (judgement). */
export const TRAIT_SHARES = {
  ignition: { coil: 0.93, points: 0.07 },
  strokes: { 4: 0.95, 2: 0.05 },
  release: { true: 0.8, false: 0.2 },
  fuel: { petrol: 0.96, gas: 0.04 },
  throttle: { mechanical: 0.88, electronic: 0.12 },
  carburettor: { float: 0.86, diaphragm: 0.07, suction: 0.05, none: 0.02 },
  tank: { plastic: 0.6, metal: 0.38, none: 0.02 },
  start: { recoil: 0.6, electric: 0.1, both: 0.3 },
  cooling: { air: 0.97, liquid: 0.03 },
} as const;

/** Everything that finding a fault knows, as one hand-over. */
export const FAULT_KNOWLEDGE = {
  faults: FAULTS,
  brings: BRINGS,
  observations: OBSERVATIONS,
  seenAs: SEEN_AS,
  setUps: SET_UPS,
  sameFacts: SAME_FACTS,
  traitShares: TRAIT_SHARES,
  misleading: MISLEADING,
  standstills: STANDSTILLS,
  tellsPast: TELLS_PAST,
} as const;

/**
 * Where the numbers of each table of the knowledge come from, by what they are. A table without its line does not compile. What proven visits
 * of the yard teach moves the odds of faults and of what they bring about; everything else stays as it is here.
 */
export const KNOWLEDGE_SOURCES: Readonly<Record<keyof typeof FAULT_KNOWLEDGE, Readonly<Record<string, Source>>>> = {
  faults: {
    'odds, of a thousand': judgement('moved by the yard’s own proven visits'),
    'what they show, and how often': judgement('which reading speaks for which fault is common practice'),
    'minutes, prices and how often a repair holds': JUDGEMENT,
  },
  brings: { 'how often one brings another about': judgement('moved by the yard’s own proven visits') },
  observations: {
    minutes: JUDGEMENT,
    'how often a machine without the fault shows it': JUDGEMENT,
    'what each means': COMMON_PRACTICE,
  },
  seenAs: { 'how often it is called so where it is not': JUDGEMENT },
  setUps: { minutes: JUDGEMENT },
  sameFacts: { 'which tellings are one': COMMON_PRACTICE },
  traitShares: { 'share of engines with each trait': JUDGEMENT },
  misleading: { 'what misleads': COMMON_PRACTICE },
  standstills: { 'what must not be started, run or turned': COMMON_PRACTICE },
  tellsPast: { 'what tells a past': JUDGEMENT },
};
