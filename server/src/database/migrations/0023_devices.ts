import { sql, type Kysely } from 'kysely';

/**
 * Devices are let in, then people. A session hangs on the device that it was begun on; those of older versions hang on none and end, since
 * nobody can say where they are. Wrong PINs are kept by person and device. Photos are drawn anew: what was
 * sent is known by its hash.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table device (
    id bigint generated always as identity primary key,
    name text not null check (name <> ''),
    key_hash bytea not null unique,
    let_in_at timestamptz not null,
    let_in_by bigint references person,
    seen_at timestamptz not null,
    put_out_at timestamptz
  )`,
  `create table device_code (
    code_hash bytea primary key,
    made_by bigint references person,
    expires_at timestamptz not null,
    used_at timestamptz
  )`,
  `delete from session`,
  `alter table session
    add column id bigint generated always as identity unique,
    add column device_id bigint not null references device,
    add column seen_at timestamptz not null default now()`,
  `create index session_of_person on session (person_id)`,
  `alter table person add column pin_is_short boolean`,
  `alter table photo add column sent_hash bytea`,
  `create table pin_try (
    person_id bigint not null references person,
    device_id bigint not null references device,
    wrong integer not null default 0 check (wrong >= 0),
    last_at timestamptz not null,
    primary key (person_id, device_id)
  )`,
  `create table wrong_pin (
    id bigint generated always as identity primary key,
    person_id bigint not null references person,
    device_id bigint not null references device,
    at timestamptz not null,
    told_at timestamptz
  )`,
  `create index wrong_pin_of_person on wrong_pin (person_id, at)`,
];
