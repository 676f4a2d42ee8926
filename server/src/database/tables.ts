import type { FindingRecord } from '@hudrik/core/contracts';
import type { CardEntry, CardKind, JobState } from '@hudrik/core/card';
import type { Readiness, ReadinessVerdict } from '@hudrik/core/readiness';
import type { Verdict } from '@hudrik/core/verdict';
import type { ColumnType, Generated, GeneratedAlways, JSONColumnType, Kysely, Selectable, Transaction } from 'kysely';

type Json<T> = JSONColumnType<T & object, string, string>;
type Instant = ColumnType<Date, Date | string, Date | string>;
type MaybeInstant = ColumnType<Date | null, Date | string | null | undefined, Date | string | null>;

interface PersonTable {
  id: GeneratedAlways<number>;
  name: string;
  role: 'apprentice' | 'technician' | 'lead' | 'counter';
  pin_hash: string;
  left_at: MaybeInstant;
  demo_pin: string | null;
  preferences: ColumnType<Record<string, unknown>, string | undefined, string>;
  created_at: Generated<Date>;
}

interface SessionTable {
  token_hash: Buffer;
  person_id: number;
  created_at: Generated<Date>;
  expires_at: Instant;
}

interface ModelTable {
  id: GeneratedAlways<number>;
  class_id: string;
  make: string;
  name: string;
  data_sheet: ColumnType<Record<string, unknown>, string | undefined, string>;
}

interface UnitTable {
  id: GeneratedAlways<number>;
  tag: string;
  class_id: string;
  model_id: number;
  serial: string;
  home_bay: string;
  laid_up_at: MaybeInstant;
  gone_at: MaybeInstant;
  gone_why: string | null;
  last_oil_service_true_hours: Generated<number>;
  fuel_eighths: number | null;
  readiness: Generated<Readiness>;
  readiness_verdict: ColumnType<ReadinessVerdict, string | undefined, string>;
  readiness_since: ColumnType<Date, Date | undefined, Date | string>;
  version: Generated<number>;
}

interface MeterTable {
  id: GeneratedAlways<number>;
  unit_id: number;
  ordinal: number;
  offset_hours: number;
  fitted_at: Instant;
  fitted_why: 'first' | 'replaced' | 'rolled-over';
}

interface MeterReadingTable {
  id: GeneratedAlways<number>;
  meter_id: number;
  unit_id: number;
  reading: number;
  true_hours: number;
  read_at: Instant;
  corrects_id: number | null;
  stands_for: GeneratedAlways<number>;
  unit_entered: Generated<string>;
}

interface HireTable {
  id: GeneratedAlways<number>;
  reference: string;
  class_id: string;
  unit_id: number | null;
  from_at: Instant;
  to_at: Instant;
  state: Generated<'booked' | 'out' | 'back' | 'ended' | 'cancelled'>;
  out_at: MaybeInstant;
  back_at: MaybeInstant;
  ended_at: MaybeInstant;
}

interface CheckInTable {
  id: string;
  unit_id: number;
  hire_id: number | null;
  person_id: number;
  started_at: Instant;
  at: Instant;
  based_on: string | null;
  second_look_of: string | null;
  reading_id: number;
  fuel_eighths: number;
  fuel_tap: string;
  ended: string;
  complaint_ids: Json<string[]>;
  missing: Json<{ id: string; count: number }[]>;
  remarks: string;
  verdict_result: 'fit' | 'prep' | 'held';
  verdict: Json<Verdict>;
  edition: string;
}

interface CheckResultTable {
  check_in_id: string;
  check_id: string;
  result: 'ok' | 'not-ok' | 'could-not-look';
  exception_id: string | null;
  value: number | null;
  unit: string | null;
  cause: 'wear' | 'damage' | null;
  note: string | null;
  photos: string[];
}

interface StationPassTable {
  check_in_id: string;
  station_id: string;
  seconds: number;
  hurried: boolean;
}

interface CheckOutTable {
  id: string;
  unit_id: number;
  hire_id: number;
  person_id: number;
  at: Instant;
  reading_id: number;
  fuel_eighths: number;
  kit: Json<{ id: string; count: number }[]>;
  looks: Json<string[]>;
  waiver_reason: string | null;
}

interface PhotoTable {
  id: string;
  person_id: number;
  media_type: string;
  width: number;
  height: number;
  bytes: Buffer;
  thumb: Buffer | null;
  taken_at: Generated<Date>;
}

interface JobTable {
  id: GeneratedAlways<number>;
  unit_id: number;
  check_in_id: string | null;
  kind: 'repair' | 'service' | 'prep' | 'lay-up' | 'wake-up';
  work: string;
  title: string;
  minutes: number;
  blocks: 'hold' | 'prep' | 'none';
  origins: Json<{ kind: string; id: string; exception?: string }[]>;
  why: Json<string[]>;
  caution: string | null;
  state: Generated<JobState>;
  raised_at: Instant;
  started_at: MaybeInstant;
  started_by: number | null;
  closed_at: MaybeInstant;
  closed_by: number | null;
  closed_with: ColumnType<Record<string, unknown> | null, string | null | undefined, string | null>;
  version: Generated<number>;
}

interface HistoryRecordTable {
  id: GeneratedAlways<number>;
  unit_id: number;
  at: Instant;
  kind: string;
  person_id: number | null;
  facts: Json<Record<string, unknown>>;
  corrects_id: number | null;
}

interface IdempotencyTable {
  key: string;
  person_id: number;
  operation: string;
  body_hash: Buffer;
  status: number;
  body: ColumnType<unknown, string, string>;
  at: Generated<Date>;
}

interface FindingTable {
  id: string;
  unit_id: number | null;
  job_id: number | null;
  machine: Json<MachineFacts>;
  opened_at: Instant;
  opened_by: number;
  closed_at: MaybeInstant;
  causes: string[] | null;
  version: Generated<number>;
}

/** The machine as the contract has it. */
export type MachineFacts = FindingRecord['machine'];

interface FindingEntryTable {
  id: string;
  place: GeneratedAlways<number>;
  finding_id: string;
  at: Instant;
  person_id: number | null;
  kind: 'seen' | 'could-not-tell' | 'taken-back' | 'repaired';
  observation: string | null;
  outcomes: string[];
  reading: ColumnType<Record<string, unknown> | null, string | null, never>;
  fault: string | null;
}

interface ProvenCauseTable {
  id: GeneratedAlways<number>;
  finding_id: string;
  class_id: string | null;
  family: string;
  faults: string[];
  at: Instant;
}

interface LearningResetTable {
  id: GeneratedAlways<number>;
  at: Instant;
  person_id: number;
}

interface JobEntryTable {
  id: string;
  place: GeneratedAlways<number>;
  job_id: number;
  at: Instant;
  person_id: number | null;
  kind: CardKind;
  facts: Json<CardEntry['facts']>;
}

interface ClockTable {
  id: string;
  job_id: number;
  unit_id: number;
  kind: string;
  started_at: Instant;
  started_by: number;
  ends_at: Instant;
  result: string | null;
  ended_at: MaybeInstant;
}

interface LearntTeardownTable {
  model_id: number;
  teardown: string;
  job_id: number;
  things: Json<{ key: string; what: string; fasteners?: { count: number; size: string; place: string }[] }[]>;
  at: Instant;
}

interface PartTable {
  id: GeneratedAlways<number>;
  number: string;
  name: string;
  cents: number;
  place: string;
  kind: Generated<'piece' | 'kit'>;
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
  state: 'wanted' | 'reserved' | 'ordered' | 'arrived' | 'used' | 'returned' | 'dropped';
  order_id: string | null;
  asked_by: number;
  asked_at: Instant;
}

interface PartOrderTable {
  id: string;
  state: Generated<'sending' | 'placed' | 'arrived' | 'failed'>;
  supplier_ref: string | null;
  placed_at: MaybeInstant;
  expected_at: MaybeInstant;
  late: Generated<boolean>;
  problem: string | null;
  tries: Generated<number>;
  cents: Generated<number>;
  person_id: number;
  made_at: Instant;
}

interface ExchangePartTable {
  id: string;
  name: string;
  number: string | null;
  state: Generated<'as-taken' | 'cleaned' | 'proven' | 'fitted' | 'scrapped'>;
  origin_job_id: number;
  place: string;
  at: Instant;
}

export interface Tables {
  job_entry: JobEntryTable;
  clock: ClockTable;
  learnt_teardown: LearntTeardownTable;
  part: PartTable;
  supersession: SupersessionTable;
  kit_piece: KitPieceTable;
  part_move: PartMoveTable;
  part_line: PartLineTable;
  part_order: PartOrderTable;
  exchange_part: ExchangePartTable;
  finding: FindingTable;
  finding_entry: FindingEntryTable;
  proven_cause: ProvenCauseTable;
  learning_reset: LearningResetTable;
  person: PersonTable;
  session: SessionTable;
  model: ModelTable;
  unit: UnitTable;
  meter: MeterTable;
  meter_reading: MeterReadingTable;
  hire: HireTable;
  check_in: CheckInTable;
  check_result: CheckResultTable;
  station_pass: StationPassTable;
  check_out: CheckOutTable;
  photo: PhotoTable;
  job: JobTable;
  history_record: HistoryRecordTable;
  idempotency: IdempotencyTable;
}

export type Db = Kysely<Tables>;
export type Trx = Transaction<Tables>;
export type UnitRow = Selectable<UnitTable>;
export type HireRow = Selectable<HireTable>;
export type JobRow = Selectable<JobTable>;
