import type {
  CAUTION_IDS,
  CLASS_IDS,
  CLOCK_IDS,
  FAULT_IDS,
  OUTCOMES,
  SET_UP_IDS,
  TEARDOWN_IDS,
  TOOL_IDS,
} from '../ids';

export type ClassId = (typeof CLASS_IDS)[number];
export type FaultId = (typeof FAULT_IDS)[number];
export type ObservationId = keyof typeof OUTCOMES;
/** The outcomes that an observation may have. */
export type OutcomeOf<O extends ObservationId> = (typeof OUTCOMES)[O][number];
export type CautionId = (typeof CAUTION_IDS)[number];
export type ClockId = (typeof CLOCK_IDS)[number];
export type SetUpId = (typeof SET_UP_IDS)[number];
export type TeardownId = (typeof TEARDOWN_IDS)[number];
export type ToolId = (typeof TOOL_IDS)[number];

/** Something seen or told, in the fault-finding vocabulary: an outcome that the observation does not have does not compile. */
export type Shown = {
  [O in ObservationId]: { readonly observation: O; readonly outcome: OutcomeOf<O> };
}[ObservationId];

/** By observation, by outcome: how often. */
export type Shows = { readonly [O in ObservationId]?: { readonly [K in OutcomeOf<O>]?: number } };
