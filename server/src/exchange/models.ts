import { newModel, type ImportReport } from '@hudrik/core/contracts';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { addModel, readModels } from '../fleet/models';
import { importCsv, writeCsv } from './csv';

const MODEL_COLUMNS = ['class', 'make', 'model'] as const;

/** Takes models from CSV: before the units that are of them. */
export async function importModels(context: Pick<Context, 'db' | 'now'>, text: string): Promise<ImportReport> {
  return importCsv(context, text, {
    columns: MODEL_COLUMNS,
    schema: newModel,
    shape: (row) => ({ classId: row['class'], make: row['make'], name: row['model'] }),
    what: (row) => `${row['make'] ?? ''} ${row['model'] ?? ''}`.trim() || '(no name)',
    take: (inside, model) => addModel(inside.db, model),
  });
}

export async function exportModels(db: Db): Promise<string> {
  const { models } = await readModels(db);
  return writeCsv(
    MODEL_COLUMNS,
    models.map((model) => ({ class: model.classId, make: model.make, model: model.name })),
  );
}
