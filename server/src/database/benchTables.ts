import type { DeskReply, EquipmentReply } from '@hudrik/core/contracts';
import type { BenchAsked, BenchPlan, PlanChange, Promised } from '@hudrik/core/planning';
import type { OwnPlan } from '@hudrik/core/service';
import type { Generated, GeneratedAlways, JSONColumnType } from 'kysely';
import type { Instant, MaybeInstant } from './columns';

type Json<T> = JSONColumnType<T & object, string, string>;

/** When somebody works, week by week: a row for each stretch without a break. Weekdays from 1, Monday. */
interface WorkingHoursTable {
  person_id: number;
  weekday: number;
  from_time: string;
  to_time: string;
}

/** Days on which somebody does not work, both included. */
interface AbsenceTable {
  id: GeneratedAlways<number>;
  person_id: number;
  from_on: string;
  to_on: string;
  why: string;
}

/** One row: the plan of the bench that people see. */
interface BenchPlanTable {
  only_one: Generated<boolean>;
  made_at: Instant;
  /** Of what it was made from: another one wants another plan. */
  fingerprint: string;
  asked: Json<BenchAsked>;
  plan: Json<BenchPlan>;
  promises: Json<Promised[]>;
  changes: Json<PlanChange[]>;
  /** Tags of the visits that it speaks of, also of those that are gone since. */
  tags: Json<Record<string, string>>;
}

/** What finding a fault is expected to take, by what was seen: a sum of some tenths of a second. */
interface FindEstimateTable {
  fingerprint: string;
  minutes: number;
  made_at: Instant;
}

/** The unit that a hire of a class was given last. */
interface HireAssignmentTable {
  hire_id: number;
  unit_id: number;
  made_at: Instant;
}

/** An entry of the booking desk's calendar that became a hire. */
interface DeskEventTable {
  uid: string;
  hire_id: number;
  /** Its times name no zone, and go with the yard's. */
  is_yards_time: Generated<boolean>;
}

/** What of the desk's last list was not taken: where it stands there, which it is (null: that cannot be said), and why. */
export interface DeskRefusal {
  readonly line: number | null;
  readonly uid: string | null;
  readonly problem: string;
}

/** One row: when the desk answered last, what went wrong since, and what of its list was not taken. */
interface DeskStateTable {
  only_one: Generated<boolean>;
  answered_at: MaybeInstant;
  problem: string | null;
  /** All that was not taken; of these the first are kept. */
  refused: Generated<number>;
  not_taken: Json<readonly DeskRefusal[]>;
  bursts: Json<readonly DeskReply['bursts'][number][]>;
}

/** So many hires of a class at one moment somebody has said are meant. */
interface DeskAllowanceTable {
  class_id: string;
  at_once: number;
  person_id: number;
  made_at: Instant;
}

/** A version of a model's own service plan; the newest counts. Its class's is version 1. */
interface ModelPlanTable {
  model_id: number;
  version: number;
  plan: Json<OwnPlan>;
  made_at: Instant;
  made_by: number | null;
}

/** What a machine told of itself. */
interface AfarReadingTable {
  id: GeneratedAlways<number>;
  unit_id: number;
  reading: number;
  true_hours: number;
  read_at: Instant;
  latitude: number | null;
  longitude: number | null;
  /** Why it does not count. */
  problem: string | null;
  taken_at: Instant;
}

/** One row: when the machines’ feed answered last, what went wrong since, and what of it is not taken. */
interface EquipmentStateTable {
  only_one: Generated<boolean>;
  answered_at: MaybeInstant;
  problem: string | null;
  refused: Generated<number>;
  not_taken: Json<readonly EquipmentReply['notTaken'][number][]>;
}

/** A search for a better plan that goes on in one of the server's processes. */
interface BenchSearchTable {
  id: string;
  seen_at: Generated<Date>;
  share: Generated<number>;
  saved_cents: Generated<number>;
  is_stopped: Generated<boolean>;
}

export interface BenchTables {
  afar_reading: AfarReadingTable;
  equipment_state: EquipmentStateTable;
  model_plan: ModelPlanTable;
  desk_event: DeskEventTable;
  desk_allowance: DeskAllowanceTable;
  desk_state: DeskStateTable;
  hire_assignment: HireAssignmentTable;
  working_hours: WorkingHoursTable;
  absence: AbsenceTable;
  bench_plan: BenchPlanTable;
  bench_search: BenchSearchTable;
  find_estimate: FindEstimateTable;
}
