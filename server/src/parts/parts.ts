import { todaysNumber, UNKNOWN_NUMBER } from '@hudrik/core/parts';
import type { Part, PartsReply } from '@hudrik/core/contracts';
import type { Selectable } from 'kysely';
import { PROMISED_LINES } from '@hudrik/core/states';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { PartTables } from '../database/partTables';
import type { Db, Trx } from '../database/tables';
import { refuse } from '../refusal';
import { readDemand } from './demand';
import { freeOf, partOfNumber, readSupersessions, shelfOf } from './shelf';

const SHOWN = 60;

/** Parts whose name or number, today's or any earlier, has these letters. */
export async function readParts({ db, now }: Pick<Context, 'db' | 'now'>, find: string): Promise<PartsReply> {
  const edges = await readSupersessions(db);
  const today = find === '' ? null : todaysNumber(find, edges);
  const like = `%${find.replaceAll(/[\\%_]/g, '\\$&')}%`;
  const old = edges
    .filter((edge) => edge.old.includes(find.toUpperCase()))
    .map((edge) => todaysNumber(edge.old, edges))
    .flatMap((one) => (one.ok ? one.number : []));
  const rows = await db
    .selectFrom('part')
    .selectAll()
    // What has no number yet stands on its card, not on the shelf.
    .where('number', 'not like', `${UNKNOWN_NUMBER}%`)
    .$if(find !== '', (query) =>
      query.where((eb) =>
        eb.or([
          eb('number', 'ilike', like),
          eb('name', 'ilike', like),
          ...(old.length > 0 ? [eb('number', 'in', old)] : []),
        ]),
      ),
    )
    .orderBy('name')
    .limit(SHOWN)
    .execute();
  const formerly = (number: string): string[] =>
    edges
      .filter((edge) => {
        const one = todaysNumber(edge.old, edges);
        return one.ok && one.number === number;
      })
      .map((edge) => edge.old);
  return {
    parts: await toParts(db, rows, formerly, now()),
    today:
      today?.ok && today.through.length > 0
        ? { asked: find.toUpperCase(), number: today.number, through: [...today.through] }
        : null,
  };
}

type PartRow = Selectable<PartTables['part']>;

async function toParts(
  db: Db,
  rows: readonly PartRow[],
  formerly: (number: string) => string[],
  now: Date,
): Promise<Part[]> {
  const ids = rows.map((row) => row.id);
  if (ids.length === 0) return [];
  const shelf = await shelfOf(db, ids);
  const demand = await readDemand(db, now, ids);
  const pieces = await db
    .selectFrom('kit_piece as k')
    .innerJoin('part as p', 'p.id', 'k.piece_id')
    .select(['k.kit_id', 'p.number', 'p.name', 'k.count', 'p.cents'])
    .where('k.kit_id', 'in', ids)
    .execute();
  return rows.map((row) => ({
    number: row.number,
    name: row.name,
    cents: row.cents,
    place: row.place,
    paid:
      row.paid_cents === null || row.paid_at === null ? null : { cents: row.paid_cents, at: row.paid_at.toISOString() },
    kind: row.kind,
    onHand: shelf.get(row.id)?.onHand ?? 0,
    reserved: shelf.get(row.id)?.reserved ?? 0,
    reorderAt: demand.get(row.id)?.orderBelow ?? 0,
    formerly: formerly(row.number),
    pieces: pieces
      .filter((piece) => piece.kit_id === row.id)
      .map(({ number, name, count, cents }) => ({ number, name, count, cents })),
  }));
}

export interface NewPart {
  readonly number: string;
  readonly name: string;
  readonly cents: number;
  readonly place: string;
  readonly count: number;
}

export async function insertPart(trx: Trx, fresh: NewPart, at: Date, personId: number | null): Promise<number> {
  if (await trx.selectFrom('part').select('id').where('number', '=', fresh.number).executeTakeFirst())
    return refuse('already-there', { number: fresh.number });
  const { id } = await trx
    .insertInto('part')
    .values({ number: fresh.number, name: fresh.name, cents: fresh.cents, place: fresh.place })
    .returning('id')
    .executeTakeFirstOrThrow();
  if (fresh.count > 0)
    await trx
      .insertInto('part_move')
      .values({ part_id: id, change: fresh.count, why: 'counted', note: null, line_id: null, person_id: personId, at })
      .execute();
  return id;
}

export async function addPart(context: Context, actor: Actor, fresh: NewPart): Promise<PartsReply> {
  await inTransaction(context.db, (trx) => insertPart(trx, fresh, context.now(), actor.id));
  return readParts(context, fresh.number);
}

/** What was counted on the shelf counts from now on. Fewer than are promised to jobs is refused, with who waits for it. */
export async function countPart(
  context: Context,
  actor: Actor,
  number: string,
  counted: { count: number; why: string },
): Promise<PartsReply> {
  const part = await partOfNumber(context.db, number);
  await inTransaction(context.db, async (trx) => {
    await freeOf(trx, part.id);
    const { onHand = 0, reserved = 0 } = (await shelfOf(trx, [part.id])).get(part.id) ?? {};
    if (counted.count < reserved)
      refuse('shelf-promised', { promised: reserved, waiting: await whoWaits(trx, part.id) });
    if (counted.count !== onHand)
      await trx
        .insertInto('part_move')
        .values({
          part_id: part.id,
          change: counted.count - onHand,
          why: 'counted',
          note: counted.why,
          line_id: null,
          person_id: actor.id,
          at: context.now(),
        })
        .execute();
  });
  return readParts(context, part.number);
}

/** The units and jobs that a part on the shelf is promised to. */
async function whoWaits(trx: Trx, partId: number): Promise<{ tag: string; jobId: string; count: number }[]> {
  const rows = await trx
    .selectFrom('part_line as l')
    .innerJoin('job as j', 'j.id', 'l.job_id')
    .innerJoin('unit as u', 'u.id', 'j.unit_id')
    .select(['u.tag', 'j.id', 'l.count'])
    .where('l.part_id', '=', partId)
    .where('l.state', 'in', PROMISED_LINES)
    .orderBy('l.asked_at')
    .execute();
  return rows.map((row) => ({ tag: row.tag, jobId: String(row.id), count: row.count }));
}
