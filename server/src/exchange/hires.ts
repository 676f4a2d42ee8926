import { newHire, type ImportReport } from '@hudrik/core/contracts';
import type { Db } from '../database/tables';
import { hireRows, toHireLine } from '../hires/hireLines';
import { insertHire, type NewHire } from '../hires/hires';
import { importCsv, writeCsv } from './csv';

const HIRE_COLUMNS = ['reference', 'class', 'tag', 'from', 'to'] as const;

export const importHires = (db: Db, text: string, at: Date, personId: number | null): Promise<ImportReport> =>
  importCsv<NewHire>(db, text, {
    columns: HIRE_COLUMNS,
    schema: newHire,
    shape: (row) => ({
      reference: row['reference'],
      classId: row['class'],
      tag: row['tag'] === '' ? null : row['tag'],
      fromAt: row['from'],
      toAt: row['to'],
    }),
    what: (row) => row['reference'] || '(no reference)',
    take: (trx, hire) => insertHire(trx, hire, at, personId),
  });

export async function exportHires(db: Db): Promise<string> {
  const lines = (
    await hireRows(db).where('h.state', 'in', ['booked', 'out', 'back']).orderBy('h.from_at').execute()
  ).map(toHireLine);
  return writeCsv(
    HIRE_COLUMNS,
    lines.map((hire) => ({
      reference: hire.reference,
      class: hire.classId,
      tag: hire.tag ?? '',
      from: hire.fromAt,
      to: hire.toAt,
    })),
  );
}
