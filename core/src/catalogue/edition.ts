/**
 * The edition of checklists, complaints and derived findings. Raise it with any change of their content:
 * a kept inspection stores the edition that it was judged by.
 */
export const RULES_EDITION = '2026.1';
