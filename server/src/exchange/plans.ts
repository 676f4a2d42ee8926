import { ownPlan, type ImportReport } from '@hudrik/core/contracts';
import type { OwnItem, OwnPlan } from '@hudrik/core/service';
import { object, string } from 'yup';
import type { Actor, Context } from '../context';
import type { Db } from '../database/tables';
import { refuse } from '../refusal';
import { changeModelPlan, ownPlans } from '../service/modelPlans';
import { importCsv, writeCsv, type ImportContext } from './csv';

const PLAN_COLUMNS = [
  'make',
  'model',
  'item',
  'hours',
  'months',
  'first-hours',
  'minutes',
  'includes',
  'kit',
  'severity',
  'season-month',
] as const;

/** Takes an interval away; an empty cell says nothing. */
const NONE = 'none';
/** A line about the whole plan: its severity and its season. */
const WHOLE = '*';
const OFF = 'off';

const cell = (value: number | null | undefined): string =>
  value === undefined ? '' : value === null ? NONE : String(value);

export async function exportPlans(db: Db): Promise<string> {
  const models = await db.selectFrom('model').select(['id', 'make', 'name']).orderBy('make').orderBy('name').execute();
  const plans = await ownPlans(db);
  const rows = models.flatMap(({ id, make, name }) => {
    const plan = plans.get(id)?.plan;
    if (plan === undefined) return [];
    const whole = {
      make,
      model: name,
      item: WHOLE,
      severity: plan.severity,
      'season-month': cell(plan.anchorMonth ?? undefined),
    };
    return [whole, ...plan.items.map((item) => ({ make, model: name, ...rowOf(item) }))];
  });
  return writeCsv(PLAN_COLUMNS, rows);
}

const rowOf = ({ id, hours, months, firstHours, minutes, includes, kit, isOff }: OwnItem) => ({
  item: id,
  hours: isOff ? OFF : cell(hours),
  months: cell(months),
  'first-hours': cell(firstHours),
  minutes: cell(minutes ?? undefined),
  includes: includes == null ? '' : includes.length === 0 ? NONE : includes.join(' '),
  kit: kit ?? '',
});

const line = object({
  make: string().required(),
  model: string().required(),
  item: string().required(),
  cells: object({}).required(),
});

/** Each line changes its model's plan by what it says; the last of them is what the plan is. A line that makes a plan that cannot be is refused. */
export const importPlans = (
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  text: string,
): Promise<ImportReport> =>
  importCsv(context, text, {
    columns: PLAN_COLUMNS,
    schema: line,
    shape: ({ make, model, item, ...cells }) => ({ make, model, item, cells }),
    what: (row) => `${row['make']} ${row['model']}: ${row['item']}`,
    take: (inside, { make, model, item, cells }) =>
      takeLine(inside, actor, { make, model, item, cells: cells as Cells }),
  });

type Cells = Readonly<Record<string, string>>;
interface Line {
  readonly make: string;
  readonly model: string;
  readonly item: string;
  readonly cells: Cells;
}

async function takeLine(inside: ImportContext, actor: Actor | null, { make, model, item, cells }: Line): Promise<void> {
  const row = await inside.db
    .selectFrom('model')
    .select('id')
    .where('make', '=', make)
    .where('name', '=', model)
    .executeTakeFirst();
  if (row === undefined) return refuse('not-found', { model: `${make} ${model}` });
  const before = (await ownPlans(inside.db)).get(row.id)?.plan ?? { severity: 1, anchorMonth: null, items: [] };
  const plan = item === WHOLE ? withWhole(before, cells) : withItem(before, item, cells);
  await changeModelPlan(inside, actor, row.id, { plan: ownPlan.validateSync(plan) as OwnPlan });
}

function withWhole(plan: OwnPlan, cells: Cells): OwnPlan {
  const { severity = '', 'season-month': month = '' } = cells;
  return {
    ...plan,
    severity: severity === '' ? plan.severity : figure(severity),
    anchorMonth: month === '' || month === NONE ? null : figure(month),
  };
}

function withItem(plan: OwnPlan, id: string, cells: Cells): OwnPlan {
  const said = (name: string): number | null | undefined => {
    const text = cells[name] ?? '';
    return text === '' ? undefined : text === NONE ? null : figure(text);
  };
  const isOff = cells['hours'] === OFF;
  const includes = cells['includes'] ?? '';
  const own: OwnItem = {
    id,
    ...(isOff ? { isOff } : { hours: said('hours') }),
    months: said('months'),
    firstHours: said('first-hours'),
    minutes: said('minutes'),
    ...(includes === '' ? {} : { includes: includes === NONE ? [] : includes.split(/\s+/) }),
    ...(cells['kit'] ? { kit: cells['kit'] } : {}),
  };
  return { ...plan, items: [...plan.items.filter((one) => one.id !== id), own] };
}

/** A comma is a decimal point. What is no figure is refused as such. */
function figure(text: string): number {
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) ? value : refuse('not-valid', { field: text });
}
