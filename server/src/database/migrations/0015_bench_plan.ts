import { sql, type Kysely } from 'kysely';

/** Who works when, where a visit was put by hand, the plan that people see, and what finding a fault is expected to take. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table visit add column pinned_at timestamptz`,
  `create table working_hours (
    person_id bigint not null references person,
    weekday integer not null check (weekday between 1 and 7),
    from_time time not null,
    to_time time not null check (to_time > from_time),
    primary key (person_id, weekday, from_time)
  )`,
  `create table absence (
    id bigint generated always as identity primary key,
    person_id bigint not null references person,
    from_on date not null,
    to_on date not null check (to_on >= from_on),
    why text not null default ''
  )`,
  `create index absence_of_person on absence (person_id, to_on)`,
  `create table bench_plan (
    only_one boolean primary key default true check (only_one),
    made_at timestamptz not null,
    fingerprint text not null,
    asked jsonb not null,
    plan jsonb not null,
    promises jsonb not null,
    changes jsonb not null,
    tags jsonb not null
  )`,
  `create table find_estimate (
    fingerprint text primary key,
    minutes double precision not null check (minutes >= 0),
    made_at timestamptz not null
  )`,
];
