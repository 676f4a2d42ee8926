import type { UnitPart } from '@hudrik/core/contracts';
import { todaysNumber } from '@hudrik/core/parts';
import type { Db } from '../database/tables';
import { readSupersessions, shelfOf } from '../parts/shelf';
import { wholeSheet } from './models';
import { unitByTag } from './units';

/** The parts of a unit's model: all of them, or those whose name, place, kit or number (today's or any earlier) has these letters. */
export async function readUnitParts(db: Db, tag: string, find: string) {
  const unit = await unitByTag(db, tag);
  const model = await db.selectFrom('model').selectAll().where('id', '=', unit.model_id).executeTakeFirstOrThrow();
  const edges = await readSupersessions(db);
  const listed = wholeSheet(model.data_sheet).parts.map((part) => {
    const today = part.number === null ? null : todaysNumber(part.number, edges);
    return { ...part, today: today?.ok === true ? today.number : null };
  });
  const all = await priced(db, listed);
  const wanted = find.trim().toLowerCase();
  const numbersOf = (part: UnitPart): string[] => {
    const formerly = edges.filter((edge) => {
      const today = todaysNumber(edge.old, edges);
      return today.ok && today.number === part.today;
    });
    return [part.number ?? '', part.today ?? '', ...formerly.map((edge) => edge.old)];
  };
  const has = (part: UnitPart): boolean =>
    [part.name, part.place, part.kit, ...numbersOf(part)].some((text) => text.toLowerCase().includes(wanted));
  return { model: { id: model.id, make: model.make, name: model.name }, parts: all.filter(has) };
}

type Listed = Pick<UnitPart, 'name' | 'place' | 'number' | 'count' | 'kit' | 'today'>;

async function priced(db: Db, listed: readonly Listed[]): Promise<UnitPart[]> {
  const numbers = listed.flatMap(({ today }) => today ?? []);
  const rows =
    numbers.length === 0 ? [] : await db.selectFrom('part').selectAll().where('number', 'in', numbers).execute();
  const shelf = await shelfOf(
    db,
    rows.map((row) => row.id),
  );
  return listed.map((part) => {
    const row = rows.find((one) => one.number === part.today);
    const lies = row === undefined ? undefined : shelf.get(row.id);
    return {
      ...part,
      cents: row?.cents ?? null,
      paid:
        row?.paid_cents == null || row.paid_at === null
          ? null
          : { cents: row.paid_cents, at: row.paid_at.toISOString() },
      free: (lies?.onHand ?? 0) - (lies?.reserved ?? 0),
    };
  });
}
