/** What a walk may find at most of what is counted: these only become smaller. */
export const CEILINGS = { small: 14, rules: 2 } as const;
