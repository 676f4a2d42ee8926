import { enteredSheet, type DataSheet, type ImportReport } from '@hudrik/core/contracts';
import { object, string } from 'yup';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { wholeSheet } from '../fleet/models';
import { setFigures } from '../figures/setFigures';
import { refuse } from '../refusal';
import { importCsv, writeCsv, type ImportContext } from './csv';

const SHEET_COLUMNS = [
  'make',
  'model',
  'section',
  'name',
  'place',
  'value',
  'from',
  'to',
  'unit',
  'count',
  'extra',
] as const;

type Cells = Readonly<Record<(typeof SHEET_COLUMNS)[number], string>>;

/** What one section of a sheet looks like as lines: a line for each thing that it says. */
interface Section {
  readonly write: (sheet: DataSheet) => readonly Partial<Cells>[];
  /** The sheet with this line in it: in the place of the one that it names, else behind the others. */
  readonly read: (sheet: Draft, cells: Cells) => Draft;
}

/** A sheet on its way in, not looked over yet. */
type Draft = Readonly<Record<string, unknown>>;

const numberOr = (text: string, none: unknown): unknown => (text === '' ? none : Number(text.replace(',', '.')));
const text = (value: number | null | undefined): string => (value == null ? '' : String(value));
const listIn = (draft: Draft, key: string): Draft[] => (Array.isArray(draft[key]) ? (draft[key] as Draft[]) : []);
const fieldsIn = (draft: Draft, key: string): Draft => (draft[key] ?? {}) as Draft;

/** A list by what names its lines. */
function put(draft: Draft, key: string, line: Draft, named: readonly string[]): Draft {
  const isSame = (other: Draft): boolean => named.every((name) => other[name] === line[name]);
  const before = listIn(draft, key);
  const at = before.findIndex(isSame);
  return { ...draft, [key]: at < 0 ? [...before, line] : before.map((other, place) => (place === at ? line : other)) };
}

/** "order 1-3-2-4; long 2-5; places 0:0 30:0", in any order, each as it is there. */
const EXTRAS = /\b(order|long|places)\s+([^;]+)/g;
const extrasIn = (extra: string): Record<string, string> =>
  Object.fromEntries([...extra.matchAll(EXTRAS)].map(([, name = '', said = '']) => [name, said.trim()]));
const boltsIn = (said = ''): number[] => said.split('-').filter(Boolean).map(Number);
const placesIn = (said = ''): number[][] =>
  said
    .split(/\s+/)
    .filter(Boolean)
    .map((one) => one.split(':').map(Number));

const SECTIONS: Readonly<Record<string, Section>> = {
  engine: {
    write: ({ engine }) => Object.entries(engine).map(([name, value]) => ({ name, value: String(value) })),
    read: (draft, { name, value }) => {
      const trait = /^(true|false|\d+)$/.test(value) ? (JSON.parse(value) as boolean | number) : value;
      return { ...draft, engine: { ...fieldsIn(draft, 'engine'), [name]: trait } };
    },
  },
  rated: {
    write: ({ rated }) => Object.entries(rated).map(([name, value]) => ({ name, value: String(value) })),
    read: (draft, { name, value }) => {
      const figure = name === 'governor' ? value : numberOr(value, undefined);
      return { ...draft, rated: { ...fieldsIn(draft, 'rated'), [name]: figure } };
    },
  },
  limit: {
    write: ({ limits }) =>
      Object.entries(limits).flatMap(([name, range]) =>
        range === undefined ? [] : [{ name, from: String(range[0]), to: text(range[1]) }],
      ),
    read: (draft, { name, from, to }) => {
      const range = [numberOr(from, undefined), numberOr(to, null)];
      return { ...draft, limits: { ...fieldsIn(draft, 'limits'), [name]: range } };
    },
  },
  plug: {
    write: ({ plug }) => (plug === '' ? [] : [{ value: plug }]),
    read: (draft, { value }) => ({ ...draft, plug: value }),
  },
  torque: {
    write: ({ torques }) =>
      torques.map(({ what, value, unit, threads, order, long, places }) => ({
        name: what,
        value: String(value),
        unit,
        extra: [
          threads,
          order.length > 0 && `order ${order.join('-')}`,
          long.length > 0 && `long ${long.join('-')}`,
          places.length > 0 && `places ${places.map((place) => place.join(':')).join(' ')}`,
        ]
          .filter(Boolean)
          .join('; '),
      })),
    read: (draft, { name, value, unit, extra }) => {
      const { order, long, places } = extrasIn(extra);
      const threads = /\boiled\b/.test(extra) ? 'oiled' : 'dry';
      const line = { what: name, value: numberOr(value, undefined), unit, threads };
      const bolts = { order: boltsIn(order), long: boltsIn(long), places: placesIn(places) };
      return put(draft, 'torques', { ...line, ...bolts }, ['what']);
    },
  },
  oil: {
    write: ({ oils }) =>
      oils.map(({ where, grade, fromC, toC }) => ({
        name: where,
        value: grade,
        from: text(fromC),
        to: text(toC),
        unit: '°C',
      })),
    read: (draft, { name, value, from, to }) => {
      const line = { where: name, grade: value, fromC: numberOr(from, null), toC: numberOr(to, null) };
      return put(draft, 'oils', line, ['where', 'grade']);
    },
  },
  capacity: {
    write: ({ capacities }) => capacities.map(({ what, value, unit }) => ({ name: what, value: String(value), unit })),
    read: (draft, { name, value, unit }) =>
      put(draft, 'capacities', { what: name, value: numberOr(value, undefined), unit }, ['what']),
  },
  measure: {
    write: ({ measures }) =>
      measures.map(({ name, place, unit, from, to }) => ({ name, place, unit, from: text(from), to: text(to) })),
    read: (draft, { name, place, unit, from, to }) =>
      put(draft, 'measures', { name, place, unit, from: numberOr(from, null), to: numberOr(to, null) }, [
        'name',
        'place',
      ]),
  },
  note: {
    write: ({ notes }) => notes.map(({ text: name, places }) => ({ name, extra: places.join(' ') })),
    read: (draft, { name, extra }) =>
      put(draft, 'notes', { text: name, places: extra.split(/\s+/).filter(Boolean) }, ['text']),
  },
  part: {
    write: ({ parts }) =>
      parts.map(({ name, place, number, count, kit }) => ({
        name,
        place,
        value: number ?? '',
        count: String(count),
        extra: kit,
      })),
    read: (draft, { name, place, value, count, extra }) =>
      put(
        draft,
        'parts',
        { name, place, number: value === '' ? null : value.toUpperCase(), count: numberOr(count, 1), kit: extra },
        ['name', 'place'],
      ),
  },
};

/** Takes data sheets from CSV, line by line into the sheets that there are. A line that cannot be is refused, and says so. */
export async function importSheets(
  context: Pick<Context, 'db' | 'now'>,
  csv: string,
  by: number | null = null,
): Promise<ImportReport> {
  const cell = string().trim().default('');
  return importCsv(context, csv, {
    columns: SHEET_COLUMNS,
    schema: object({
      make: cell.required(),
      model: cell.required(),
      section: cell.oneOf(Object.keys(SECTIONS)).required(),
      name: cell,
      place: cell,
      value: cell,
      from: cell,
      to: cell,
      unit: cell,
      count: cell,
      extra: cell,
    }),
    shape: (row) => ({ ...row, section: row['section']?.toLowerCase() }),
    what: (row) => [row['make'], row['model'], row['section'], row['name']].filter(Boolean).join(' '),
    take: (inside, cells) => takeLine(inside, cells, by),
  });
}

async function takeLine({ db: trx, now }: ImportContext, cells: Cells, by: number | null): Promise<void> {
  const model = await trx
    .selectFrom('model')
    .select(['id', 'data_sheet'])
    .where('make', '=', cells.make)
    .where('name', '=', cells.model)
    .forUpdate()
    .executeTakeFirst();
  if (model === undefined) return refuse('not-found', { model: `${cells.make} ${cells.model}` });
  const kept = wholeSheet(model.data_sheet);
  const sheet = await enteredSheet.validate(SECTIONS[cells.section]?.read({ ...kept }, cells) ?? kept, {
    abortEarly: false,
  });
  await trx
    .updateTable('model')
    .set({ data_sheet: JSON.stringify(sheet) })
    .where('id', '=', model.id)
    .execute();
  await setFigures(trx, { modelId: model.id }, [kept.rated, sheet.rated], { by, at: now() });
}

/** All data sheets, a line for each thing that they say. */
export async function exportSheets(db: Db): Promise<string> {
  const models = await db.selectFrom('model').selectAll().orderBy('make').orderBy('name').execute();
  return writeCsv(
    SHEET_COLUMNS,
    models.flatMap((model) =>
      Object.entries(SECTIONS).flatMap(([section, { write }]) =>
        write(wholeSheet(model.data_sheet)).map((line) => ({ make: model.make, model: model.name, section, ...line })),
      ),
    ),
  );
}
