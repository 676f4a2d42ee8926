import { stateTable } from './stateTable';

export const PART_LINE_STATES = ['wanted', 'reserved', 'ordered', 'arrived', 'used', 'returned', 'dropped'] as const;
export type PartLineState = (typeof PART_LINE_STATES)[number];

/** What a person may do with a part that was asked for. */
export const PART_LINE_ACTIONS = ['use', 'return', 'drop', 'reserve'] as const;
export type PartLineAction = (typeof PART_LINE_ACTIONS)[number];

/** And what happens to it besides: it is ordered, refused by the supplier, it arrives, its job is ended. */
type Happening = PartLineAction | 'order' | 'refuse' | 'arrive' | 'release';

/**
 * A part that a job asked for. wanted → reserved (the shelf has it) or ordered → arrived; reserved or arrived → used → returned.
 * What is on order stays on order when its job is ended: it comes for the shelf.
 */
export const PART_LINE = stateTable<PartLineState, Happening>({
  wanted: { reserve: 'reserved', order: 'ordered', drop: 'dropped', release: 'dropped' },
  reserved: { use: 'used', drop: 'dropped', release: 'dropped' },
  ordered: { arrive: 'arrived', refuse: 'wanted', drop: 'dropped', release: 'ordered' },
  arrived: { use: 'used', drop: 'dropped', release: 'dropped' },
  used: { return: 'returned', release: 'used' },
  returned: { release: 'returned' },
  dropped: { release: 'dropped' },
});

/** It lies on the shelf with somebody's name on it. */
export const PROMISED_LINES: readonly PartLineState[] = ['reserved', 'arrived'];
/** It is not there yet: a job that waits for parts waits for these. */
export const MISSING_LINES: readonly PartLineState[] = ['wanted', 'ordered'];
/** It came to nothing: it costs the job nothing. */
export const VOID_LINES: readonly PartLineState[] = ['returned', 'dropped'];
