import type { ClassId, FuelId, Rated } from '@hudrik/core/catalogue';
import type { DataSheet, FindingRecord, WeekStretch } from '@hudrik/core/contracts';
import type { JobState, VisitState } from '@hudrik/core/card';
import type { DefectEnd, DefectOrigin, DefectWeight, LimitsInForce } from '@hudrik/core/defects';
import type { Timing } from '@hudrik/core/log';
import type { Readiness, ReadinessVerdict } from '@hudrik/core/readiness';
import type { ClockState, HireState } from '@hudrik/core/states';
import type { ColumnType, Generated, GeneratedAlways, JSONColumnType, Kysely, Selectable, Transaction } from 'kysely';
import type { Instant, MaybeInstant } from './columns';
import type { AccessTables } from './accessTables';
import type { BackgroundTables } from './backgroundTables';
import type { BenchTables } from './benchTables';
import type { FuelTables } from './fuelTables';
import type { PartTables } from './partTables';

type Json<T> = JSONColumnType<T & object, string, string>;

interface PersonTable {
  id: GeneratedAlways<number>;
  name: string;
  role: 'apprentice' | 'technician' | 'lead' | 'counter';
  pin_hash: string;
  /** Of fewer figures than are wanted today; null: not known until it is typed. */
  pin_is_short: Generated<boolean | null>;
  left_at: MaybeInstant;
  demo_pin: string | null;
  /** Somebody said when they work, if only that they do not. */
  hours_set: Generated<boolean>;
  /** What they are good at. */
  skills: ColumnType<string[], string | undefined, string>;
  /** Who has it reads their calendar. */
  calendar_secret: ColumnType<string | null, string | null | undefined, string | null>;
  preferences: ColumnType<Record<string, unknown>, string | undefined, string>;
  created_at: Generated<Date>;
}

interface ModelTable {
  id: GeneratedAlways<number>;
  class_id: ClassId;
  make: string;
  name: string;
  data_sheet: ColumnType<Partial<DataSheet>, string | undefined, string>;
  /** What its tank is; not known: its class's. */
  tank_litres: Generated<number | null>;
  metal_tank: Generated<boolean | null>;
  fuel_tap: Generated<boolean | null>;
}

interface UnitTable {
  id: GeneratedAlways<number>;
  tag: string;
  class_id: ClassId;
  model_id: number;
  serial: string;
  home_bay: string;
  laid_up_at: MaybeInstant;
  gone_at: MaybeInstant;
  gone_why: string | null;
  /** Hours between its services shrink by it. */
  severity: Generated<number>;
  /** Rated figures of its own, where they are not its model's. */
  data_sheet: ColumnType<{ readonly rated?: Rated }, string | undefined, string>;
  readiness: Generated<Readiness>;
  readiness_verdict: ColumnType<ReadinessVerdict, string | undefined, string>;
  readiness_since: ColumnType<Date, Date | undefined, Date | string>;
  version: Generated<number>;
}

/** One item of a service plan that was done. */
interface ServiceDoneTable {
  id: GeneratedAlways<number>;
  unit_id: number;
  item: string;
  true_hours: number;
  at: Instant;
  /** Of the plan that it was done by; null where it was done before there were plans. */
  plan_version: number | null;
  job_id: number | null;
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
  class_id: ClassId;
  unit_id: number | null;
  from_at: Instant;
  to_at: Instant;
  state: Generated<HireState>;
  hirer: Generated<string>;
  phone: Generated<string>;
  out_at: MaybeInstant;
  back_at: MaybeInstant;
  ended_at: MaybeInstant;
  /** It left without being handed out here. */
  left_anyway: Generated<boolean>;
}

/** What a query needs of a check-in: what it follows, its reading and hire. The rest is its entry in the log. */
interface CheckInTable {
  id: string;
  unit_id: number;
  hire_id: number | null;
  at: Instant;
  began_at: Instant;
  based_on: string | null;
  second_look_of: string | null;
  /** Null: the hours as they were typed are set aside. */
  reading_id: number | null;
  /** It is the return of its unit; else it is a look of its own time, and closed nothing. */
  stands: Generated<boolean>;
}

/** What a query needs of a check-out; the rest is its entry in the log, under the same id. */
interface CheckOutTable {
  id: string;
  unit_id: number;
  hire_id: number;
  at: Instant;
  reading_id: number;
}

interface PhotoTable {
  id: string;
  person_id: number;
  media_type: string;
  width: number;
  height: number;
  bytes: Buffer;
  /** Of what was sent: kept is what was drawn anew of it. */
  sent_hash: Buffer | null;
  thumb: Buffer | null;
  /** The first entry that it hangs on; null: it hangs on nothing yet. */
  used_by: ColumnType<string | null, string | null | undefined, string | null>;
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

/** A unit's time on the bench, with its jobs. One of a unit is open at a time. */
interface VisitTable {
  id: GeneratedAlways<number>;
  unit_id: number;
  state: Generated<VisitState>;
  /** Something was worked on that no proof has shown yet. */
  unproved: Generated<boolean>;
  given_to: number | null;
  /** When somebody set it to be begun. */
  pinned_at: MaybeInstant;
  /** Who waits for a signature. */
  signature_asked_by: number | null;
  signature_asked_at: MaybeInstant;
  opened_at: Instant;
  begun_at: MaybeInstant;
  ended_at: MaybeInstant;
  version: Generated<number>;
}

interface VisitJobTable {
  visit_id: number;
  job_id: number;
}

/** One thing found wrong with a unit. Open until the entry that closes it. */
interface DefectTable {
  id: Generated<string>;
  unit_id: number;
  origin_kind: DefectOrigin['kind'];
  origin_id: string;
  exception: string;
  sentence: string;
  weight: DefectWeight;
  safety: boolean;
  caution: string | null;
  job_id: number | null;
  found_at: Instant;
  found_by: string | null;
  seen_at: Instant;
  sightings: Generated<number>;
  /** By what limits a figure was too low or too high; null: it was no figure, or found by an older version. */
  limits: ColumnType<LimitsInForce | null, string | null | undefined, string | null>;
  closed_at: MaybeInstant;
  closed_by: string | null;
  closed_how: DefectEnd | null;
  /** Of something told: the confirmed causes that explain it. */
  causes: ColumnType<string[], string[] | undefined, string[]>;
}

interface NotFittedTable {
  unit_id: number;
  check_id: string;
  entry_id: string;
  /** The entry that took it back, or found it. */
  ended_by: ColumnType<string | null, string | null | undefined, string>;
}

/** A rated figure that was changed, of a model or a unit. The newest of each is what stands there. */
interface FigureSetTable {
  id: GeneratedAlways<number>;
  model_id: number | null;
  unit_id: number | null;
  rating: string;
  value: number | null;
  set_at: Instant;
  set_by: number | null;
  confirmed_at: MaybeInstant;
  confirmed_by: string | null;
}

/** A second person's word, by their PIN, for one thing. */
interface WitnessTable {
  id: string;
  person_id: number;
  asked_by: number;
  at: Instant;
  used_by: string | null;
}

/** What happened: one row an entry, of a kind that `core/log` has a file for. Nothing of it is ever changed. */
interface LogEntryTable {
  id: string;
  place: GeneratedAlways<number>;
  unit_id: number | null;
  job_id: number | null;
  finding_id: string | null;
  at: Instant;
  taken_at: ColumnType<Date, Date | string | undefined, never>;
  person_id: number | null;
  sent_by: number | null;
  kind: string;
  facts: Json<Readonly<Record<string, unknown>>>;
  outcome: Json<Readonly<Record<string, unknown>>>;
  corrects_id: string | null;
  timing: ColumnType<Timing, Timing | undefined, never>;
}

interface IdempotencyTable {
  key: string;
  person_id: number;
  fingerprint: Buffer;
  status: number | null;
  body: ColumnType<unknown, string | null | undefined, string>;
  at: ColumnType<Date, Date | undefined, never>;
}

/** One row: how this yard writes money, figures and times. */
interface YardSettingsTable {
  cents_per_hour: Generated<number | null>;
  unknown_fuel: Generated<FuelId>;
  stabiliser_ml: Generated<number>;
  stabiliser_cents: Generated<number>;
  service_level: Generated<number | null>;
  coldest_starts: ColumnType<number[] | null, string | null | undefined, string | null>;
  kit_prices: ColumnType<Record<string, number>, string | undefined, string>;
  place: Generated<string>;
  height_m: Generated<number | null>;
  usual_units: Generated<'inch' | 'metric' | null>;
  open_hours: ColumnType<WeekStretch[] | null, string | null | undefined, string | null>;
  bays: Generated<number | null>;
  only_one: Generated<boolean>;
  yard: string;
  currency: string;
  locale: string;
  time_zone: string;
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
  /** The edition of what was known when it was begun; older ones have none. */
  edition: string | null;
  version: Generated<number>;
}

/** The machine as the contract has it. */
export type MachineFacts = FindingRecord['machine'];

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

interface ClockTable {
  id: string;
  job_id: number;
  unit_id: number;
  kind: string;
  started_at: Instant;
  started_by: number;
  ends_at: Instant;
  state: Generated<ClockState>;
  result: string | null;
  ended_at: MaybeInstant;
  /** Shorter than its kind. */
  short: Generated<boolean>;
}

interface LearntTeardownTable {
  model_id: number;
  teardown: string;
  job_id: number;
  things: Json<{ key: string; what: string; fasteners?: { count: number; size: string; place: string }[] }[]>;
  at: Instant;
}

export interface Tables extends PartTables, BenchTables, FuelTables, AccessTables, BackgroundTables {
  clock: ClockTable;
  learnt_teardown: LearntTeardownTable;
  finding: FindingTable;
  proven_cause: ProvenCauseTable;
  learning_reset: LearningResetTable;
  person: PersonTable;
  model: ModelTable;
  unit: UnitTable;
  meter: MeterTable;
  meter_reading: MeterReadingTable;
  hire: HireTable;
  check_in: CheckInTable;
  check_out: CheckOutTable;
  photo: PhotoTable;
  job: JobTable;
  service_done: ServiceDoneTable;
  visit: VisitTable;
  visit_job: VisitJobTable;
  defect: DefectTable;
  not_fitted: NotFittedTable;
  figure_set: FigureSetTable;
  witness: WitnessTable;
  log_entry: LogEntryTable;
  idempotency: IdempotencyTable;
  yard_settings: YardSettingsTable;
}

export type Db = Kysely<Tables>;
export type Trx = Transaction<Tables>;
export type UnitRow = Selectable<UnitTable>;
export type HireRow = Selectable<HireTable>;
export type JobRow = Selectable<JobTable>;
export type VisitRow = Selectable<VisitTable>;
export type DefectRow = Selectable<DefectTable>;
export type FindingRow = Selectable<FindingTable>;
