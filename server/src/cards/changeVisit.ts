import type { Trx, VisitRow } from '../database/tables';

export const changeVisit = (
  trx: Trx,
  visit: Pick<VisitRow, 'id'>,
  set: Partial<
    Pick<VisitRow, 'state' | 'unproved' | 'given_to' | 'pinned_at' | 'signature_asked_by' | 'signature_asked_at'>
  >,
) =>
  trx
    .updateTable('visit')
    .set((eb) => ({ ...set, version: eb('version', '+', 1) }))
    .where('id', '=', visit.id)
    .execute();

/** The signature was given, or the work goes on. */
export const NOBODY_ASKS = { signature_asked_by: null, signature_asked_at: null } as const;
