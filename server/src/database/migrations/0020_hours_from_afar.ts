import { sql, type Kysely } from 'kysely';

/** Hours and places that machines tell of themselves, as they were told: what does not count says why. How it stands with their feed. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table afar_reading (
    id bigint generated always as identity primary key,
    unit_id bigint not null references unit,
    reading double precision not null check (reading >= 0),
    true_hours double precision not null,
    read_at timestamptz not null,
    latitude double precision,
    longitude double precision,
    problem text,
    taken_at timestamptz not null,
    unique (unit_id, read_at)
  )`,
  `create trigger afar_reading_append_only before update or delete on afar_reading for each row execute function history_is_append_only()`,
  `create table equipment_state (
    only_one boolean primary key default true check (only_one),
    answered_at timestamptz,
    problem text,
    not_taken jsonb not null default '[]'
  )`,
  `insert into equipment_state default values`,
];
