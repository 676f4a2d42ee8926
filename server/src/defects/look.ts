import type { DefectEnd } from '@hudrik/core/defects';
import type { Proof } from '@hudrik/core/proof';
import type { DefectRow, UnitRow } from '../database/tables';

interface Measured {
  readonly value: number;
  readonly unit: string;
}

/** Somebody has looked, and says what became of a defect. */
export interface Look {
  readonly unit: UnitRow;
  /** When it was made. */
  readonly at: Date;
  readonly how: DefectEnd;
  readonly measured?: Measured | undefined;
  /** All that is put right by one signature, where it is part of one. */
  readonly signed?: readonly DefectRow[];
  /** It is part of a proof that has passed. */
  readonly proof?: Proof | undefined;
  readonly byLead?: boolean;
  /** A second person has looked, or nobody else was there and that is said. */
  readonly witnessed?: boolean;
}
