import { type Kysely, sql } from 'kysely';

/** The yard: people, fleet, hires, inspections, jobs and the append-only history. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create extension if not exists btree_gist`,

  `create table person (
    id bigint generated always as identity primary key,
    name text not null unique check (length(trim(name)) between 1 and 80),
    role text not null check (role in ('apprentice', 'technician', 'lead', 'counter')),
    pin_hash text not null,
    demo_pin text,
    left_at timestamptz,
    preferences jsonb not null default '{}',
    created_at timestamptz not null default now()
  )`,
  `create table session (
    token_hash bytea primary key,
    person_id bigint not null references person,
    created_at timestamptz not null default now(),
    expires_at timestamptz not null
  )`,
  `create index session_expires_at on session (expires_at)`,

  `create table model (
    id bigint generated always as identity primary key,
    class_id text not null check (class_id ~ '^[a-z-]+$'),
    make text not null check (length(trim(make)) > 0),
    name text not null check (length(trim(name)) > 0),
    data_sheet jsonb not null default '{}',
    unique (make, name)
  )`,
  `create table unit (
    id bigint generated always as identity primary key,
    tag text not null unique check (tag ~ '^[A-Z]{2}-[0-9]{2,4}$'),
    class_id text not null,
    model_id bigint not null references model,
    serial text not null check (length(trim(serial)) between 1 and 80),
    home_bay text not null,
    laid_up_at timestamptz,
    gone_at timestamptz,
    gone_why text,
    last_oil_service_true_hours numeric(9, 1) not null default 0,
    fuel_eighths smallint check (fuel_eighths between 0 and 8),
    readiness text not null default 'fit' check (readiness in ('fit', 'prep', 'held', 'out', 'laid-up', 'gone')),
    readiness_verdict jsonb not null default '{"readiness": "fit", "because": []}',
    readiness_since timestamptz not null default now(),
    version integer not null default 1 check (version > 0),
    check ((gone_at is null) = (gone_why is null))
  )`,
  `create index unit_class_tag on unit (class_id, tag)`,
  `create index unit_readiness_tag on unit (readiness, tag)`,

  `create table meter (
    id bigint generated always as identity primary key,
    unit_id bigint not null references unit,
    ordinal integer not null check (ordinal > 0),
    offset_hours numeric(9, 1) not null,
    fitted_at timestamptz not null,
    fitted_why text not null check (fitted_why in ('first', 'replaced', 'rolled-over')),
    unique (unit_id, ordinal)
  )`,
  // A correction is a new reading that stands in the place of the one it points at: stands_for is the first reading of that place.
  `create table meter_reading (
    id bigint generated always as identity primary key,
    meter_id bigint not null references meter,
    unit_id bigint not null references unit,
    reading numeric(9, 1) not null check (reading >= 0),
    true_hours numeric(9, 1) not null,
    read_at timestamptz not null,
    corrects_id bigint unique references meter_reading,
    stands_for bigint not null,
    unit_entered text not null default 'h'
  )`,
  `create index meter_reading_place on meter_reading (unit_id, stands_for desc)`,
  // Readings of one meter, in the order of their places, never fall.
  `create function reading_in_its_place() returns trigger language plpgsql as $$
  declare last numeric; next numeric;
  begin
    perform 1 from meter where id = new.meter_id for update;
    new.stands_for := coalesce((select r.stands_for from meter_reading r where r.id = new.corrects_id), new.id);
    select max(r.reading) into last from meter_reading r
      where r.unit_id = new.unit_id and r.meter_id = new.meter_id and r.stands_for < new.stands_for
      and not exists (select 1 from meter_reading c where c.corrects_id = r.id);
    select min(r.reading) into next from meter_reading r
      where r.unit_id = new.unit_id and r.meter_id = new.meter_id and r.stands_for > new.stands_for
      and not exists (select 1 from meter_reading c where c.corrects_id = r.id);
    if new.reading < last then
      raise exception 'reading % is below the last, %', new.reading, last using errcode = 'HU001';
    end if;
    if new.reading > next then
      raise exception 'reading % is above the next, %', new.reading, next using errcode = 'HU003';
    end if;
    return new;
  end $$`,
  `create trigger meter_reading_in_its_place before insert on meter_reading for each row execute function reading_in_its_place()`,

  `create table hire (
    id bigint generated always as identity primary key,
    reference text not null unique check (length(trim(reference)) between 1 and 40),
    class_id text not null,
    unit_id bigint references unit,
    from_at timestamptz not null,
    to_at timestamptz not null check (to_at > from_at),
    state text not null default 'booked' check (state in ('booked', 'out', 'back', 'ended', 'cancelled')),
    out_at timestamptz,
    back_at timestamptz,
    ended_at timestamptz,
    check (state not in ('out', 'back', 'ended') or (unit_id is not null and out_at is not null)),
    check (state <> 'back' or back_at is not null),
    -- A unit is promised to one hirer at a time, and was with one hirer at a time: out for good until the hire is ended.
    constraint hire_promised_once exclude using gist (unit_id with =, tstzrange(from_at, to_at) with &&)
      where (unit_id is not null and state in ('booked', 'out', 'back')),
    constraint hire_out_once exclude using gist (unit_id with =, tstzrange(out_at, ended_at) with &&)
      where (out_at is not null)
  )`,
  `create index hire_unit on hire (unit_id, from_at desc)`,
  `create index hire_from on hire (from_at) where state = 'booked'`,
  `create index hire_state on hire (state) where state in ('out', 'back')`,

  `create table check_in (
    id uuid primary key,
    unit_id bigint not null references unit,
    hire_id bigint references hire,
    person_id bigint not null references person,
    started_at timestamptz not null,
    at timestamptz not null,
    based_on uuid references check_in,
    second_look_of uuid references check_in,
    reading_id bigint not null references meter_reading,
    fuel_eighths smallint not null check (fuel_eighths between 0 and 8),
    fuel_tap text not null check (fuel_tap in ('was-shut', 'shut-now', 'none')),
    ended text not null check (ended in ('well', 'ended-badly', 'ended-dead', 'not-told')),
    told jsonb not null,
    missing jsonb not null,
    remarks text not null,
    verdict_result text not null check (verdict_result in ('fit', 'prep', 'held')),
    verdict jsonb not null,
    edition text not null,
    -- Two first looks cannot stand on the same earlier one; a second look says of which.
    constraint check_in_one_follows unique nulls not distinct (unit_id, based_on, second_look_of)
  )`,
  `create index check_in_unit on check_in (unit_id, at desc)`,
  `create index check_in_hire on check_in (hire_id)`,
  `create table check_result (
    check_in_id uuid not null references check_in,
    check_id text not null,
    result text not null check (result in ('ok', 'not-ok', 'could-not-look')),
    exception_id text,
    value double precision,
    unit text,
    cause text check (cause in ('wear', 'damage')),
    note text,
    photos uuid[] not null default '{}',
    primary key (check_in_id, check_id),
    check ((value is null) = (unit is null))
  )`,
  `create table station_pass (
    check_in_id uuid not null references check_in,
    station_id text not null,
    seconds numeric(8, 1) not null check (seconds >= 0),
    hurried boolean not null,
    primary key (check_in_id, station_id)
  )`,
  `create table check_out (
    id uuid primary key,
    unit_id bigint not null references unit,
    hire_id bigint not null references hire,
    person_id bigint not null references person,
    at timestamptz not null,
    reading_id bigint not null references meter_reading,
    fuel_eighths smallint not null check (fuel_eighths between 0 and 8),
    kit jsonb not null,
    looks jsonb not null,
    waiver_reason text
  )`,
  `create index check_out_unit on check_out (unit_id, at desc)`,
  `create index check_out_hire on check_out (hire_id)`,

  `create table photo (
    id uuid primary key,
    person_id bigint not null references person,
    media_type text not null check (media_type in ('image/jpeg', 'image/png', 'image/webp')),
    width integer not null check (width > 0),
    height integer not null check (height > 0),
    bytes bytea not null check (octet_length(bytes) <= 2500000),
    taken_at timestamptz not null default now()
  )`,

  `create table job (
    id bigint generated always as identity primary key,
    unit_id bigint not null references unit,
    check_in_id uuid references check_in,
    kind text not null check (kind in ('repair', 'service', 'prep', 'lay-up', 'wake-up')),
    work text not null,
    says text not null,
    minutes integer not null check (minutes > 0),
    blocks text not null check (blocks in ('hold', 'prep', 'none')),
    origins jsonb not null default '[]',
    why jsonb not null default '[]',
    caution text,
    state text not null default 'waiting' check (state in ('waiting', 'open', 'done', 'dropped')),
    raised_at timestamptz not null,
    started_at timestamptz,
    started_by bigint references person,
    closed_at timestamptz,
    closed_by bigint references person,
    closed_with jsonb,
    version integer not null default 1,
    check ((state in ('done', 'dropped')) = (closed_at is not null))
  )`,
  `create index job_open_unit on job (unit_id) where state in ('waiting', 'open')`,
  `create unique index job_one_open_per_work on job (unit_id, work) where state in ('waiting', 'open')`,

  `create table history_record (
    id bigint generated always as identity primary key,
    unit_id bigint not null references unit,
    at timestamptz not null,
    kind text not null check (kind ~ '^[a-z-]+$'),
    person_id bigint references person,
    facts jsonb not null,
    corrects_id bigint references history_record
  )`,
  `create index history_record_unit on history_record (unit_id, at desc, id desc)`,
  `create function history_is_append_only() returns trigger language plpgsql as $$
  begin
    raise exception 'history is append-only' using errcode = 'HU002';
  end $$`,
  `create trigger history_record_append_only before update or delete on history_record for each row execute function history_is_append_only()`,
  `create trigger history_record_keeps before truncate on history_record execute function history_is_append_only()`,

  `create table idempotency (
    key text primary key check (length(key) between 8 and 100),
    person_id bigint not null references person,
    operation text not null,
    body_hash bytea not null,
    status integer not null,
    body jsonb not null,
    at timestamptz not null default now()
  )`,
];
