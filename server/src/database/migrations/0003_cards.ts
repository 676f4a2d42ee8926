import { type Kysely, sql } from 'kysely';

/** Job cards with their teardown ledger, clocks, parts, orders and exchange parts. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STANDING = `('waiting', 'open', 'waits-clock', 'waits-part', 'waits-decision', 'to-prove')`;

const STATEMENTS = [
  `alter table job drop constraint job_state_check`,
  `drop index job_open_unit`,
  `drop index job_one_open_per_work`,
  `alter table job add constraint job_state_check check (state in ('waiting', 'open', 'waits-clock', 'waits-part', 'waits-decision', 'to-prove', 'done', 'dropped'))`,
  `create index job_open_unit on job (unit_id) where state in ${STANDING}`,
  `create unique index job_one_open_per_work on job (unit_id, work) where state in ${STANDING}`,
  `alter table photo add column thumb bytea`,
  `create table job_entry (
    id uuid primary key,
    place bigint generated always as identity,
    job_id bigint not null references job,
    at timestamptz not null,
    person_id bigint references person,
    kind text not null,
    facts jsonb not null
  )`,
  `create index job_entry_of on job_entry (job_id, place)`,
  `create trigger job_entry_append_only before update or delete on job_entry for each row execute function history_is_append_only()`,
  `create table clock (
    id uuid primary key,
    job_id bigint not null references job,
    unit_id bigint not null references unit,
    kind text not null,
    started_at timestamptz not null,
    started_by bigint not null references person,
    ends_at timestamptz not null check (ends_at > started_at),
    result text,
    ended_at timestamptz,
    check ((result is null) = (ended_at is null))
  )`,
  `create index clock_standing on clock (ends_at) where result is null`,
  `create index clock_of on clock (job_id)`,
  `create table learnt_teardown (
    model_id bigint not null references model,
    teardown text not null,
    job_id bigint not null references job,
    things jsonb not null,
    at timestamptz not null,
    primary key (model_id, teardown)
  )`,
  `create table part (
    id bigint generated always as identity primary key,
    number text not null unique check (number = upper(number) and length(number) between 2 and 40),
    says text not null,
    cents integer not null check (cents >= 0),
    place text not null default '',
    kind text not null default 'piece' check (kind in ('piece', 'kit'))
  )`,
  `create table supersession (
    old_number text primary key check (old_number = upper(old_number)),
    by_number text not null check (by_number <> old_number)
  )`,
  `create table kit_piece (
    kit_id bigint not null references part,
    piece_id bigint not null references part,
    count integer not null check (count > 0),
    primary key (kit_id, piece_id)
  )`,
  `create table part_order (
    id uuid primary key,
    state text not null default 'sending' check (state in ('sending', 'placed', 'arrived', 'failed')),
    supplier_ref text,
    placed_at timestamptz,
    expected_at timestamptz,
    late boolean not null default false,
    problem text,
    tries integer not null default 0,
    cents integer not null default 0,
    person_id bigint not null references person,
    made_at timestamptz not null,
    check ((state in ('placed', 'arrived')) = (supplier_ref is not null))
  )`,
  `create table part_line (
    id uuid primary key,
    job_id bigint not null references job,
    asked text not null,
    part_id bigint not null references part,
    count integer not null check (count > 0),
    state text not null check (state in ('wanted', 'reserved', 'ordered', 'arrived', 'used', 'returned', 'dropped')),
    order_id uuid references part_order,
    asked_by bigint not null references person,
    asked_at timestamptz not null,
    check (state <> 'ordered' or order_id is not null)
  )`,
  `create index part_line_of_job on part_line (job_id)`,
  `create index part_line_of_part on part_line (part_id) where state in ('reserved', 'arrived')`,
  `create index part_line_of_order on part_line (order_id) where order_id is not null`,
  `create table part_move (
    id bigint generated always as identity primary key,
    part_id bigint not null references part,
    change integer not null check (change <> 0),
    why text not null check (why in ('counted', 'received', 'used', 'returned')),
    note text,
    line_id uuid references part_line,
    person_id bigint references person,
    at timestamptz not null
  )`,
  `create index part_move_of on part_move (part_id)`,
  `create trigger part_move_append_only before update or delete on part_move for each row execute function history_is_append_only()`,
  `create function shelf_is_not_below_nothing() returns trigger language plpgsql as $$
    begin
      perform 1 from part where id = new.part_id for update;
      if (select coalesce(sum(change), 0) from part_move where part_id = new.part_id) + new.change < 0 then
        raise exception 'there are not so many on the shelf' using errcode = 'check_violation', constraint = 'shelf_not_below_nothing';
      end if;
      return new;
    end $$`,
  `create trigger part_move_shelf before insert on part_move for each row execute function shelf_is_not_below_nothing()`,
  `create table exchange_part (
    id uuid primary key,
    says text not null,
    number text,
    state text not null default 'as-taken' check (state in ('as-taken', 'cleaned', 'proven', 'fitted', 'scrapped')),
    origin_job_id bigint not null references job,
    place text not null default '',
    at timestamptz not null
  )`,
];
