import { sql, type Kysely } from 'kysely';

/** What the booking desk's calendar said of each hire last, how it stands with the desk, and each person's secret of their own calendar. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table desk_event (
    uid text primary key,
    hire_id bigint references hire,
    seen_at timestamptz not null,
    problem text
  )`,
  `create table desk_state (
    only_one boolean primary key default true check (only_one),
    answered_at timestamptz,
    problem text
  )`,
  `insert into desk_state default values`,
  `alter table person add column calendar_secret text unique`,
];
