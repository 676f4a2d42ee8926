export const ROLES = ['apprentice', 'technician', 'lead', 'counter'] as const;
export type Role = (typeof ROLES)[number];

/** Who may do what: named sets, so that a route says why it is open to whom. */
export const ANYONE_SIGNED_IN: readonly Role[] = [...ROLES];
export const WORKS_ON_UNITS: readonly Role[] = ['apprentice', 'technician', 'lead'];
export const SIGNS_OFF: readonly Role[] = ['technician', 'lead'];
export const HANDS_OUT: readonly Role[] = ['technician', 'lead', 'counter'];
export const DESK: readonly Role[] = ['lead', 'counter'];
export const LEAD_ONLY: readonly Role[] = ['lead'];
