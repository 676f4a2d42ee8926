import { newUnit, type ImportReport } from '@hudrik/core/contracts';
import type { Actor, Context } from '../context';
import type { Db } from '../database/tables';
import { insertUnit } from '../fleet/addUnit';
import { toUnitLine, unitRows } from '../fleet/unitLines';
import { importCsv, writeCsv } from './csv';

const UNIT_COLUMNS = ['tag', 'make', 'model', 'serial', 'home_bay', 'hours'] as const;

/** Takes units from CSV. The model must be known by make and name. */
export async function importUnits(
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  text: string,
): Promise<ImportReport> {
  const models = await context.db.selectFrom('model').select(['id', 'make', 'name']).execute();
  return importCsv(context, text, {
    columns: UNIT_COLUMNS,
    schema: newUnit,
    shape: (row) => ({
      tag: row['tag'],
      modelId: models.find((model) => model.make === row['make'] && model.name === row['model'])?.id ?? 0,
      serial: row['serial'],
      homeBay: row['home_bay'],
      meterReading: row['hours'] === '' ? 0 : row['hours'],
    }),
    what: (row) => row['tag'] || '(no tag)',
    take: (inside, unit) => insertUnit(inside, actor, unit),
  });
}

export async function exportUnits(db: Db): Promise<string> {
  const lines = (await unitRows(db).where('u.readiness', '<>', 'gone').orderBy('u.tag').execute()).map(toUnitLine);
  return writeCsv(
    UNIT_COLUMNS,
    lines.map((unit) => ({
      tag: unit.tag,
      make: unit.model.make,
      model: unit.model.name,
      serial: unit.serial,
      home_bay: unit.homeBay,
      hours: unit.trueHours,
    })),
  );
}
