import { checkSupersessions, isUnknownNumber, todaysNumber, UNKNOWN_NUMBER } from '@hudrik/core/parts';
import type { ImportReport } from '@hudrik/core/contracts';
import { newPart } from '@hudrik/core/contracts';
import { object, string } from 'yup';
import type { Actor, Context } from '../context';
import type { Db, Trx } from '../database/tables';
import { insertPart, type NewPart } from '../parts/parts';
import { readSupersessions } from '../parts/shelf';
import { refuse } from '../refusal';
import { importCsv, writeCsv, type ImportContext } from './csv';

const PART_COLUMNS = ['number', 'name', 'cents', 'place', 'count', 'superseded_by', 'kit_of'] as const;

interface PartLineIn extends NewPart {
  readonly supersededBy: string;
  readonly kitOf: string;
}

const schema = newPart.concat(
  object({
    supersededBy: string().trim().uppercase().max(40).default(''),
    kitOf: string().trim().uppercase().max(400).default(''),
  }),
);

/**
 * Takes parts from CSV. A line with `superseded_by` is an old number; one with `kit_of` ("NUMBER*2 OTHER") is a kit of pieces that are there
 * already. A line that would make a loop or a fork is refused and says so.
 */
export async function importParts(
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  text: string,
): Promise<ImportReport> {
  return importCsv(context, withNames(text), {
    columns: PART_COLUMNS,
    schema,
    shape: (row) => ({
      number: row['number'],
      name: row['name'] || (row['superseded_by'] ? 'Old number' : ''),
      cents: row['cents'] || '0',
      place: row['place'],
      count: row['count'] || '0',
      supersededBy: row['superseded_by'],
      kitOf: row['kit_of'],
    }),
    what: (row) => row['number'] ?? '(no number)',
    take: (inside, line) => takeLine(inside, actor, line),
  });
}

/** Files of older versions call the column of names `says`. */
const withNames = (text: string): string => text.replace(/^([^\n]*\b)says\b/, '$1name');

async function takeLine({ db: trx, now }: ImportContext, actor: Actor | null, line: PartLineIn): Promise<void> {
  if (line.supersededBy !== '') return supersede(trx, line.number, line.supersededBy);
  const kitId = await insertPart(trx, line, now(), actor?.id ?? null);
  for (const piece of line.kitOf.split(/\s+/).filter(Boolean)) await addPiece(trx, kitId, piece);
  return undefined;
}

async function addPiece(trx: Trx, kitId: number, piece: string): Promise<void> {
  const [number = '', count = '1'] = piece.split('*');
  const found = await trx.selectFrom('part').select('id').where('number', '=', number).executeTakeFirst();
  if (!found || !/^[1-9]\d?$/.test(count)) return refuse('part-unknown', { field: `kit_of: ${piece}` });
  await trx
    .insertInto('kit_piece')
    .values({ kit_id: kitId, piece_id: found.id, count: Number(count) })
    .execute();
  await trx.updateTable('part').set({ kind: 'kit' }).where('id', '=', kitId).execute();
}

async function supersede(trx: Trx, old: string, by: string): Promise<void> {
  const edges = await readSupersessions(trx);
  if (edges.some((edge) => edge.old === old && edge.by === by)) return;
  const problems = checkSupersessions([...edges, { old, by }]);
  const [problem] = problems;
  if (problem)
    return refuse('parts-tangled', {
      field:
        problem.code === 'loop'
          ? `loop: ${problem.numbers.join(' → ')}`
          : `fork: ${problem.number} → ${problem.by.join(' or ')}`,
    });
  await trx.insertInto('supersession').values({ old_number: old, by_number: by }).execute();
}

export async function exportParts(db: Db): Promise<string> {
  const parts = await db
    .selectFrom('part as p')
    .select(['p.id', 'p.number', 'p.name', 'p.cents', 'p.place'])
    .where('p.number', 'not like', `${UNKNOWN_NUMBER}%`)
    .select((eb) =>
      eb
        .selectFrom('part_move as m')
        .select((inner) => inner.fn.coalesce(inner.fn.sum<number>('m.change'), inner.lit(0)).as('sum'))
        .whereRef('m.part_id', '=', 'p.id')
        .as('count'),
    )
    .orderBy('p.number')
    .execute();
  const kits = await db
    .selectFrom('kit_piece as k')
    .innerJoin('part as p', 'p.id', 'k.piece_id')
    .select(['k.kit_id', 'p.number', 'k.count'])
    .orderBy('p.number')
    .execute();
  const edges = await readSupersessions(db);
  const kitOf = (id: number): string =>
    kits
      .filter((piece) => piece.kit_id === id)
      .map((piece) => `${piece.number}*${piece.count}`)
      .join(' ');
  // Pieces before the kits that are made of them, so that the file can be read in again line by line.
  const inOrder = [...parts].sort((a, b) => Number(kitOf(a.id) !== '') - Number(kitOf(b.id) !== ''));
  return writeCsv(PART_COLUMNS, [
    ...inOrder.map((part) => ({
      number: part.number,
      name: part.name,
      cents: part.cents,
      place: part.place,
      count: part.count,
      superseded_by: '',
      kit_of: kitOf(part.id),
    })),
    ...edges
      .filter((edge) => !isUnknownNumber(edge.old) && todaysNumber(edge.old, edges).ok)
      .map((edge) => ({
        number: edge.old,
        name: '',
        cents: '',
        place: '',
        count: '',
        superseded_by: edge.by,
        kit_of: '',
      })),
  ]);
}
