import { isOf, type AtGate } from '@hudrik/core/log';
import type { Db } from '../database/tables';

/** What was said of units when they came back in a pile, by the hire that ended so; what was said last counts. */
export async function readAtGate(db: Db, references: readonly string[]): Promise<ReadonlyMap<string, AtGate>> {
  if (references.length === 0) return new Map();
  const rows = await db
    .selectFrom('log_entry as l')
    .innerJoin('hire as h', 'h.unit_id', 'l.unit_id')
    .select(['l.kind', 'l.facts', 'l.outcome'])
    .where('l.kind', '=', 'hire-back')
    .where('h.reference', 'in', [...references])
    .orderBy('l.place')
    .execute();
  const said = rows.filter((row) => isOf(row, 'hire-back'));
  return new Map(
    said.flatMap(({ facts: { reference, atGate } }): [string, AtGate][] =>
      atGate && references.includes(reference) ? [[reference, atGate]] : [],
    ),
  );
}
