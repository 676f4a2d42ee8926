/** What a thing that comes off belongs to: the proof asks the safety checks of it. */
export const SYSTEMS = ['fuel', 'oil', 'guard', 'electric', 'none'] as const;
export type System = (typeof SYSTEMS)[number];
