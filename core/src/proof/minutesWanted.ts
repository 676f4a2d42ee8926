/** How a complaint came: after so many minutes, now and then, or already at the start. */
export interface Complaint {
  readonly afterMinutes: number | null;
  readonly comesAndGoes: boolean;
  readonly atStart?: boolean | undefined;
}

/** A run after a complaint that comes and goes, when nobody knows after how long (judgement). */
const COMES_AND_GOES = 30;
const TIMES = 2;

/**
 * Minutes under load that a proof wants: the class's, or twice as long as the trouble took to come, whichever is longer (common practice).
 * Example: 15 as a rule and a complaint after 12 minutes make 24.
 */
export function minutesWanted(usual: number, { afterMinutes, comesAndGoes }: Complaint): number {
  return Math.max(usual, afterMinutes === null ? 0 : TIMES * afterMinutes, comesAndGoes ? COMES_AND_GOES : 0);
}
