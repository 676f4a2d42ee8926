import type { HireLine } from '@hudrik/core/contracts';
import type { Db } from '../database/tables';

export function hireRows(db: Db) {
  return db
    .selectFrom('hire as h')
    .leftJoin('unit as hu', 'hu.id', 'h.unit_id')
    .select([
      'h.id',
      'h.reference',
      'h.class_id',
      'hu.tag',
      'h.from_at',
      'h.to_at',
      'h.state',
      'h.out_at',
      'h.back_at',
      'h.unit_id',
      'h.hirer',
      'h.phone',
    ]);
}

type HireRowRead = Awaited<ReturnType<ReturnType<typeof hireRows>['execute']>>[number];

export const toHireLine = (row: HireRowRead): HireLine => ({
  reference: row.reference,
  classId: row.class_id,
  tag: row.tag,
  fromAt: row.from_at.toISOString(),
  toAt: row.to_at.toISOString(),
  state: row.state,
  outAt: row.out_at?.toISOString() ?? null,
  backAt: row.back_at?.toISOString() ?? null,
  hirer: row.hirer,
  phone: row.phone,
});
