import type { Threshold } from '../catalogue/shapes';
import { NOZZLE_OFF, PUMP_PASSES_ON } from '../calculators/machines';
import { EXPLAINS_OFTEN } from '../defects/explainedBy';
import { OFTEN_NOTHING, NOTHING_AMISS } from '../diagnosis/Finding';
import { ENOUGH } from '../diagnosis/Planner';
import { SETTLES } from '../diagnosis/Prices';
import { STANDS_BEHIND } from '../diagnosis/behind';
import { PRIOR_WORTH, LINK_WORTH, SUREST_LOOK, MOST_BROUGHT } from '../diagnosis/compileModel';
import { SURPRISING, EXPLAINED_TIMES, LEAST_PRIOR, SHOWN_BY, SPEAKS } from '../diagnosis/conflicts';
import { SUSPECT_FROM, LOOKED_INTO, SPEAKS_MOSTLY } from '../diagnosis/diagnose';
import { COUNTS_AS_SO } from '../diagnosis/established';
import { MIN_EVIDENCE_SHARE } from '../diagnosis/explainingSets';
import { SCHOOL_IS_SURE } from '../diagnosis/follow';
import { TEACHES_WHEN_BACK } from '../diagnosis/lessons';
import { FRESH_DAYS } from '../diagnosis/machine';
import { MOSTLY_HOLDS } from '../diagnosis/rivalRepairs';
import { LONG_ODDS } from '../diagnosis/steps';
import { WORTH_TELLING } from '../diagnosis/warnings';
import { UNUSUAL_BELOW, CLOCK_SLACK_HOURS } from '../hours/assessReading';
import { SILENT_HOURS } from '../hours/fromAfar';
import { SPREAD_WORTH } from '../hours/useRate';
import { HANDS_SPREAD } from '../money/spread';
import { BENCH_DAY } from '../money/ways';
import { SPOILS } from '../fuel/blend';
import { READ_ALIKE } from '../fuel/passport';
import { FILM, RUSH } from '../layUp/costs';
import { WAKES_WORTH } from '../layUp/risk';
import { SEASON_AHEAD, SEASON_SPREAD } from '../layUp/seasons';
import { LIFE_LEFT, NOT_COVERED, NOT_SURE, OVERRUN, SHUFFLE, TURNAROUND } from '../hires/assignHires';
import { NIGHT, WORTH_SAYING } from '../planning/adviceOf';
import { MOVED_ALTOGETHER } from '../planning/Bench';
import { SPREAD_WORTH_CASES, TEMPLATE_WORTH } from '../planning/durations';
import { SLIP_SECONDS } from '../log/proofRefusals';
import { BELIEVED_DAYS } from '../log/timing';
import { FIRST_WAIT, FREE_TRIES, LONGEST_WAIT } from '../people/guessing';
import { PIN_LENGTH } from '../people/pin';
import { COMEBACK_DAYS, COMEBACK_HOURS } from '../proof/isComeback';
import { MINUTES_TO_SETTLE } from '../proof/lookTimes';
import { COMES_AND_GOES, TIMES_AS_LONG } from '../proof/minutesWanted';
import { INVERTER_STRAYS } from '../ratings/rated';
import { BATTERY_EMPTY, BATTERY_FULL, BATTERY_COLD, BATTERY_LOW } from '../readings/battery';
import { KNOWN_AFTER_DAYS, LASTS_DAYS } from '../parts/stockFor';
import { OIL_AHEAD } from '../service/fluidFor';
import { LATE_MINUTES, VISIT_MINUTES } from '../service/groupVisits';
import { SHARE_OUT, SHARE_OUT_WORTH } from '../service/shareOnHire';
import { FURTHEST, HIRE_DAYS } from '../service/whenReached';
import { RING_WITHIN, NEIGHBOUR_WITHIN, EVEN_WITHIN } from '../torque/tighteningPattern';
import { DRAG_TOO_HIGH } from '../torque/torqueSteps';

/** The thresholds of the sums, each kept beside what it decides. A number that decides and is not here does not pass the tests. */
export const THRESHOLDS: readonly Threshold[] = [
  NOZZLE_OFF,
  PUMP_PASSES_ON,
  EXPLAINS_OFTEN,
  OFTEN_NOTHING,
  NOTHING_AMISS,
  ENOUGH,
  SETTLES,
  STANDS_BEHIND,
  PRIOR_WORTH,
  LINK_WORTH,
  SUREST_LOOK,
  MOST_BROUGHT,
  SURPRISING,
  EXPLAINED_TIMES,
  LEAST_PRIOR,
  SHOWN_BY,
  SPEAKS,
  SUSPECT_FROM,
  LOOKED_INTO,
  SPEAKS_MOSTLY,
  COUNTS_AS_SO,
  MIN_EVIDENCE_SHARE,
  SCHOOL_IS_SURE,
  TEACHES_WHEN_BACK,
  FRESH_DAYS,
  MOSTLY_HOLDS,
  LONG_ODDS,
  WORTH_TELLING,
  UNUSUAL_BELOW,
  CLOCK_SLACK_HOURS,
  SILENT_HOURS,
  READ_ALIKE,
  SPOILS,
  FILM,
  RUSH,
  WAKES_WORTH,
  SEASON_AHEAD,
  SEASON_SPREAD,
  LASTS_DAYS,
  KNOWN_AFTER_DAYS,
  OIL_AHEAD,
  SPREAD_WORTH,
  HANDS_SPREAD,
  BENCH_DAY,
  COMEBACK_DAYS,
  COMEBACK_HOURS,
  COMES_AND_GOES,
  TIMES_AS_LONG,
  INVERTER_STRAYS,
  BATTERY_EMPTY,
  BATTERY_FULL,
  BATTERY_COLD,
  BATTERY_LOW,
  RING_WITHIN,
  NEIGHBOUR_WITHIN,
  EVEN_WITHIN,
  DRAG_TOO_HIGH,
  VISIT_MINUTES,
  LATE_MINUTES,
  SHARE_OUT,
  SHARE_OUT_WORTH,
  FURTHEST,
  HIRE_DAYS,
  TEMPLATE_WORTH,
  SPREAD_WORTH_CASES,
  MOVED_ALTOGETHER,
  WORTH_SAYING,
  TURNAROUND,
  NOT_COVERED,
  OVERRUN,
  NOT_SURE,
  SHUFFLE,
  LIFE_LEFT,
  NIGHT,
  BELIEVED_DAYS,
  MINUTES_TO_SETTLE,
  SLIP_SECONDS,
  PIN_LENGTH,
  FREE_TRIES,
  FIRST_WAIT,
  LONGEST_WAIT,
];
