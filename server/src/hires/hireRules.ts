import { HIRES_PROMISED } from '@hudrik/core/states';
import type { Trx } from '../database/tables';
import { refuse } from '../refusal';

const HOUR_MS = 3_600_000;
/** A clerk who books at nine for nine is not late. */
const GRACE_MS = 15 * 60_000;

export interface Span {
  readonly from: Date;
  readonly to: Date;
}

/** Refused where a hire would begin before now. */
export function mustNotBePast({ from }: Span, now: Date): void {
  if (from.getTime() < now.getTime() - GRACE_MS) refuse('hire-in-past', { fromAt: from.toISOString() });
}

/** A hire is an hour at least. */
export function mustBeLong({ from, to }: Span): void {
  if (to.getTime() - from.getTime() < HOUR_MS)
    refuse('hire-too-short', { fromAt: from.toISOString(), toAt: to.toISOString() });
}

/** Whether a unit is promised to another hire in that time. */
export async function isPromised(
  trx: Trx,
  unitId: number,
  { from, to }: Span,
  but: number | null = null,
): Promise<boolean> {
  const row = await trx
    .selectFrom('hire')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('id', 'is distinct from', but)
    .where('state', 'in', HIRES_PROMISED)
    .where('from_at', '<', to)
    .where('to_at', '>', from)
    .executeTakeFirst();
  return row !== undefined;
}
