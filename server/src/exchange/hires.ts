import { newHire, type ImportReport } from '@hudrik/core/contracts';
import { HIRES_PROMISED } from '@hudrik/core/states';
import type { Actor, Context } from '../context';
import type { Db } from '../database/tables';
import { hireRows, toHireLine } from '../hires/hireLines';
import { bookHire } from '../hires/hires';
import { importCsv, writeCsv } from './csv';

const HIRE_COLUMNS = ['reference', 'class', 'tag', 'from', 'to'] as const;

export const importHires = (
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  text: string,
): Promise<ImportReport> =>
  importCsv(context, text, {
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
    take: (inside, hire) => bookHire(inside, actor, hire),
  });

export async function exportHires(db: Db): Promise<string> {
  const lines = (await hireRows(db).where('h.state', 'in', HIRES_PROMISED).orderBy('h.from_at').execute()).map(
    toHireLine,
  );
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
