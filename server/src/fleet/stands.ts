import { sql, type RawBuilder } from 'kysely';

/** Of readings under this name in the query: those that nobody has corrected. */
export const stands = (readings: string): RawBuilder<boolean> =>
  sql<boolean>`not exists (select from meter_reading c where c.corrects_id = ${sql.ref(`${readings}.id`)})`;
