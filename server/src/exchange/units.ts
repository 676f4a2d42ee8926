import { newUnit, type ImportReport } from '@hudrik/core/contracts';
import type { Db } from '../database/tables';
import { insertUnit, type NewUnit } from '../fleet/changeUnit';
import { toUnitLine, unitRows } from '../fleet/unitLines';
import { importCsv, writeCsv } from './csv';

const UNIT_COLUMNS = ['tag', 'make', 'model', 'serial', 'home_bay', 'hours'] as const;

/** Takes units from CSV. The model must be known by make and name. */
export async function importUnits(db: Db, text: string, at: Date, personId: number | null): Promise<ImportReport> {
  const models = await db.selectFrom('model').select(['id', 'make', 'name']).execute();
  return importCsv<NewUnit>(db, text, {
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
    take: async (trx, unit) => void (await insertUnit(trx, unit, at, personId)),
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
