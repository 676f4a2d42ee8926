import { COMMON_PRACTICE, JUDGEMENT, type Threshold } from '../catalogue/shapes';
/** How a complaint came: after so many minutes, now and then, or already at the start. */
export interface Complaint {
  readonly afterMinutes: number | null;
  readonly comesAndGoes: boolean;
  readonly atStart?: boolean | undefined;
}

export const COMES_AND_GOES: Threshold = {
  name: 'A run after a complaint that comes and goes, when nobody knows after how long',
  value: 30,
  unit: 'min',
  source: JUDGEMENT,
};
export const TIMES_AS_LONG: Threshold = {
  name: 'A trouble that came after so many minutes is proven gone by a run so many times as long',
  value: 2,
  unit: 'times',
  source: COMMON_PRACTICE,
};

/**
 * Minutes under load that a proof wants: the class's, or twice as long as the trouble took to come, whichever is longer (common practice).
 * Example: 15 as a rule and a complaint after 12 minutes make 24.
 */
export function minutesWanted(usual: number, { afterMinutes, comesAndGoes }: Complaint): number {
  return Math.max(
    usual,
    afterMinutes === null ? 0 : TIMES_AS_LONG.value * afterMinutes,
    comesAndGoes ? COMES_AND_GOES.value : 0,
  );
}
