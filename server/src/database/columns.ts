import type { ColumnType } from 'kysely';

/** A moment, and one that may not have come. */
export type Instant = ColumnType<Date, Date | string, Date | string>;
export type MaybeInstant = ColumnType<Date | null, Date | string | null | undefined, Date | string | null>;
