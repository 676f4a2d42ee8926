import { sql, type Kysely } from 'kysely';

/** Cans with what came and went, what models' tanks are, seasons in which classes stand, and units that were laid up and woken. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table fuel_can (
    id uuid primary key,
    name text not null unique,
    fuel text not null,
    litres_max double precision not null check (litres_max > 0),
    place text not null default '',
    bought_at timestamptz not null,
    opened_at timestamptz,
    treated_at timestamptz,
    made_at timestamptz not null
  )`,
  `create table fuel_move (
    id bigint generated always as identity primary key,
    can_id uuid not null references fuel_can,
    change double precision not null,
    why text not null check (why in ('bought', 'poured', 'drained-into', 'counted', 'disposed')),
    unit_id bigint references unit,
    entry_id uuid,
    person_id bigint references person,
    at timestamptz not null
  )`,
  `create index fuel_move_can on fuel_move (can_id)`,
  `create trigger fuel_move_append_only before update or delete on fuel_move for each row execute function history_is_append_only()`,
  `create table season (
    class_id text not null,
    from_day text not null,
    to_day text not null,
    call_odds double precision not null check (call_odds between 0 and 1),
    primary key (class_id, from_day)
  )`,
  `create table lay_up (
    id bigint generated always as identity primary key,
    unit_id bigint not null references unit,
    method text not null,
    had_ethanol boolean not null,
    laid_up_at timestamptz not null,
    entry_id uuid not null,
    woken_at timestamptz,
    pulls integer,
    failed boolean
  )`,
  `create unique index lay_up_open on lay_up (unit_id) where woken_at is null`,
  `create table lay_up_choice (
    unit_id bigint primary key references unit,
    method text not null,
    reason text not null,
    person_id bigint references person,
    at timestamptz not null
  )`,
  `alter table model
    add column tank_litres double precision check (tank_litres > 0),
    add column metal_tank boolean,
    add column fuel_tap boolean`,
  `alter table yard_settings
    add column unknown_fuel text not null default 'e10',
    add column stabiliser_ml double precision not null default 5 check (stabiliser_ml > 0),
    add column stabiliser_cents double precision not null default 8 check (stabiliser_cents >= 0)`,
];
