import type { ExchangeState, OrderState, PartLineState } from '@hudrik/core/states';
import type { Generated, GeneratedAlways } from 'kysely';
import type { Instant, MaybeInstant } from './columns';

interface PartTable {
  id: GeneratedAlways<number>;
  number: string;
  name: string;
  cents: number;
  place: string;
  kind: Generated<'piece' | 'kit'>;
  paid_cents: Generated<number | null>;
  paid_at: MaybeInstant;
}

interface SupersessionTable {
  old_number: string;
  by_number: string;
}

interface KitPieceTable {
  kit_id: number;
  piece_id: number;
  count: number;
}

interface PartMoveTable {
  id: GeneratedAlways<number>;
  part_id: number;
  change: number;
  why: 'counted' | 'received' | 'used' | 'returned';
  note: string | null;
  line_id: string | null;
  person_id: number | null;
  at: Instant;
}

interface PartLineTable {
  id: string;
  job_id: number;
  asked: string;
  part_id: number;
  count: number;
  state: PartLineState;
  order_id: string | null;
  asked_by: number;
  asked_at: Instant;
}

interface PartOrderTable {
  id: string;
  state: Generated<OrderState>;
  supplier_ref: string | null;
  placed_at: MaybeInstant;
  expected_at: MaybeInstant;
  late: Generated<boolean>;
  problem: string | null;
  asked_at: MaybeInstant;
  tries: Generated<number>;
  cents: Generated<number>;
  person_id: number;
  made_at: Instant;
}

interface ExchangePartTable {
  id: string;
  name: string;
  number: string | null;
  state: Generated<ExchangeState>;
  origin_job_id: number;
  place: string;
  at: Instant;
}

interface SupplierQuoteTable {
  number: string;
  asked_at: Instant;
  answered_at: MaybeInstant;
  problem: string | null;
  name: string | null;
  obtainable: Generated<boolean>;
  cents: number | null;
  lead_days: number | null;
}

/** One row: when the supplier answered last, and what went wrong since. */
interface SupplierStateTable {
  only_one: Generated<boolean>;
  answered_at: MaybeInstant;
  problem: string | null;
}

/** Parts, where they lie, and what their supplier says. */
export interface PartTables {
  part: PartTable;
  supersession: SupersessionTable;
  kit_piece: KitPieceTable;
  part_move: PartMoveTable;
  part_line: PartLineTable;
  part_order: PartOrderTable;
  exchange_part: ExchangePartTable;
  supplier_quote: SupplierQuoteTable;
  supplier_state: SupplierStateTable;
}
