import { type Kysely, sql } from 'kysely';

/** Finding faults: what was looked at, what was confirmed, and what proven causes teach. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table finding (
    id uuid primary key,
    unit_id bigint references unit,
    job_id bigint references job,
    machine jsonb not null,
    opened_at timestamptz not null,
    opened_by bigint not null references person,
    closed_at timestamptz,
    causes text[] check (causes is null or cardinality(causes) between 1 and 3),
    version integer not null default 1,
    check ((closed_at is null) = (causes is null))
  )`,
  `create unique index finding_one_open_per_unit on finding (unit_id) where closed_at is null and unit_id is not null`,
  `create index finding_job on finding (job_id) where job_id is not null`,
  `create table finding_entry (
    id uuid primary key,
    place bigint generated always as identity,
    finding_id uuid not null references finding,
    at timestamptz not null,
    person_id bigint references person,
    kind text not null check (kind in ('seen', 'could-not-tell', 'taken-back', 'repaired')),
    observation text,
    outcomes text[] not null default '{}',
    reading jsonb,
    fault text,
    check ((kind = 'repaired') = (fault is not null)),
    check ((kind = 'repaired') = (observation is null)),
    check ((kind = 'seen') = (cardinality(outcomes) > 0))
  )`,
  `create index finding_entry_of on finding_entry (finding_id, place)`,
  `create trigger finding_entry_append_only before update or delete on finding_entry for each row execute function history_is_append_only()`,
  `create table proven_cause (
    id bigint generated always as identity primary key,
    finding_id uuid not null unique references finding,
    class_id text,
    family text not null,
    faults text[] not null check (cardinality(faults) > 0),
    at timestamptz not null
  )`,
  `create table learning_reset (
    id bigint generated always as identity primary key,
    at timestamptz not null,
    person_id bigint not null references person
  )`,
];
