import { newModel, type ImportReport } from '@hudrik/core/contracts';
import type { Db } from '../database/tables';
import { addModel, readModels, type NewModel } from '../fleet/models';
import { importCsv, writeCsv } from './csv';

const MODEL_COLUMNS = ['class', 'make', 'model'] as const;

/** Takes models from CSV: before the units that are of them. */
export async function importModels(db: Db, text: string): Promise<ImportReport> {
  return importCsv<NewModel>(db, text, {
    columns: MODEL_COLUMNS,
    schema: newModel,
    shape: (row) => ({ classId: row['class'], make: row['make'], name: row['model'] }),
    what: (row) => `${row['make'] ?? ''} ${row['model'] ?? ''}`.trim() || '(no name)',
    take: async (trx, model) => void (await addModel(trx, model)),
  });
}

export async function exportModels(db: Db): Promise<string> {
  const { models } = await readModels(db);
  return writeCsv(
    MODEL_COLUMNS,
    models.map((model) => ({ class: model.classId, make: model.make, model: model.name })),
  );
}
