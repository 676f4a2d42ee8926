import type { Check, DerivedFinding, NeedTables, RaisedWork } from '../catalogue/shapes';
import { needsOf } from '../proof';
import { NOT_LOOKED_AT, NOT_POSSIBLE, type DefectOrigin } from './defectsOf';

interface Known {
  readonly checks: readonly Check[];
  readonly derived: readonly DerivedFinding[];
  /** What a complaint raises when nothing says yet what is wrong. */
  readonly findFault: RaisedWork;
}

/**
 * What puts a defect right, by where it comes from; null: a look, or an event of its own. In: its origin, the class's checks and the derived
 * findings. Example: a gun that does not shut off wants a new gun.
 */
export function remedyOf(
  { kind, id, exception }: DefectOrigin,
  { checks, derived, findFault }: Known,
): RaisedWork | null {
  if (kind === 'told' || kind === 'cause') return findFault;
  if (kind === 'derived') return derived.find((rule) => rule.id === id)?.raises ?? null;
  if (kind !== 'check' || exception === NOT_LOOKED_AT || exception === NOT_POSSIBLE) return null;
  const found = checks.find((check) => check.id === id)?.exceptions.find((one) => one.id === exception);
  return found?.raises ?? null;
}

/**
 * Whether what puts it right asks a proof: then a look can say that it was all right, and never that it is put right. In: its remedy, what
 * work asks of its proof. Source: common practice. Example: a new gun is run, a new label is not.
 */
export const asksProof = (remedy: Pick<RaisedWork, 'kind' | 'work'> | null, tables: NeedTables): boolean =>
  remedy !== null && needsOf({ ...remedy, families: [] }, tables).length > 0;
