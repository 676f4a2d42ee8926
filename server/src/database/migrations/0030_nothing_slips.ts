import { sql, type Kysely } from 'kysely';

/**
 * When a thing was seen decides what it may close; a second person's word; the figure in force when something was found; photos by what they hang
 * on; and a unit's readiness is written by one function of the owner's alone, which looks for itself.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`select set_config('hudrik.unit', 'any', true)`.execute(db);
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
  await sql`select set_config('hudrik.unit', '', true)`.execute(db);
}

const STATEMENTS = [
  // How far it is known when an entry happened. Older ones were believed.
  `alter table log_entry add column timing text not null default 'known' check (timing in ('known', 'too-old', 'unknown'))`,
  `create index log_entry_alone on log_entry (unit_id) where outcome ? 'alone'`,
  `create index log_entry_off on log_entry (unit_id, (facts ->> 'thingId'), place desc)
    where kind in ('taken-off', 'taken-off-again', 'put-back', 'replaced', 'struck-off')`,

  // A check-in stands as the return of its unit, or is a look of its own time; it may lack a reading, and two may be based on one.
  `alter table check_in add column began_at timestamptz`,
  `alter table check_in add column stands boolean not null default true`,
  `alter table check_in disable trigger user`,
  `update check_in set began_at = at`,
  `alter table check_in enable trigger user`,
  `alter table check_in alter column began_at set not null`,
  `alter table check_in add constraint check_in_began check (began_at <= at)`,
  `alter table check_in alter column reading_id drop not null`,
  `alter table check_in drop constraint check_in_one_follows`,

  `alter table hire add column left_anyway boolean not null default false`,

  // How often it was seen, and the limits by which a figure was too low or too high.
  `alter table defect add column sightings int not null default 1 check (sightings > 0)`,
  `alter table defect add column limits jsonb`,
  `alter table defect drop constraint defect_origin_kind_check`,
  `alter table defect add constraint defect_origin_kind_check check (origin_kind in
    ('check', 'told', 'derived', 'kit', 'hours', 'cause', 'clock', 'reading', 'look', 'stays-off', 'unit', 'by-hand'))`,
  `alter table defect drop constraint defect_closed_how_check`,
  `alter table defect add constraint defect_closed_how_check check (closed_how in
    ('put-right', 'was-all-right', 'looked-at', 'not-found', 'lived-with', 'not-fitted', 'undone', 'moved'))`,

  // A clock that is shorter than its kind closes nothing that can hurt.
  `alter table clock add column short boolean not null default false`,

  // What a unit has not got may be taken back.
  `alter table not_fitted add column ended_by uuid references log_entry deferrable initially deferred`,
  `alter table not_fitted drop constraint not_fitted_pkey`,
  `alter table not_fitted add primary key (entry_id)`,
  `create unique index not_fitted_once on not_fitted (unit_id, check_id) where ended_by is null`,

  // A rated figure that was changed, by whom; and who has read it from the plate since. Exactly one of model and unit has it.
  `create table figure_set (
    id bigint generated always as identity primary key,
    model_id bigint references model,
    unit_id bigint references unit,
    rating text not null,
    value double precision,
    set_at timestamptz not null,
    set_by bigint references person,
    confirmed_at timestamptz,
    confirmed_by uuid references log_entry deferrable initially deferred,
    check ((model_id is null) <> (unit_id is null)),
    check ((confirmed_at is null) = (confirmed_by is null))
  )`,
  `create index figure_set_of_model on figure_set (model_id, rating, id desc) where model_id is not null`,
  `create index figure_set_of_unit on figure_set (unit_id, rating, id desc) where unit_id is not null`,

  // The word of a second person, by their PIN, for one thing.
  `create table witness (
    id uuid primary key,
    person_id bigint not null references person,
    asked_by bigint not null references person,
    at timestamptz not null,
    used_by uuid references log_entry deferrable initially deferred
  )`,

  // What a photo hangs on first; one that hangs on nothing is taken away after a day.
  `alter table photo add column used_by uuid references log_entry deferrable initially deferred`,
  `update photo p set used_by = u.entry from (
    select distinct on (photo) photo, entry from (
      select jsonb_path_query(facts, '$.**.photoId') #>> '{}' as photo, id as entry, place from log_entry where facts::text like '%photoId%'
      union all
      select jsonb_path_query(facts, '$.**.photos[*]') #>> '{}', id, place from log_entry where facts::text like '%photos%'
    ) named where photo is not null order by photo, place) u
    where p.id::text = u.photo`,
  // What waits for the end to be looked at is looked at now: a table that waits takes no index.
  `set constraints all immediate`,
  `set constraints all deferred`,
  `create index photo_loose on photo (taken_at) where used_by is null`,
  `create function drop_loose_photos(before timestamptz) returns bigint
    language sql security definer set search_path = pg_catalog, public as $$
      with gone as (delete from photo where used_by is null and taken_at < before returning 1) select count(*) from gone
    $$`,
  `revoke all on function drop_loose_photos(timestamptz) from public`,

  // Until somebody has looked, a unit is held.
  `alter table unit alter column readiness set default 'held'`,
  `alter table unit alter column readiness_verdict set default '{"readiness": "held", "because": []}'`,
  `create function set_readiness(of_unit bigint, is_now text, with_verdict jsonb, at_time timestamptz) returns void
    language plpgsql security definer set search_path = pg_catalog, public as $$
    declare why text;
    begin
      if is_now = 'fit' then
        select case
          when exists (select from defect where unit_id = of_unit and closed_at is null and (weight = 'hold' or safety)) then 'an open defect'
          when exists (select from hire where unit_id = of_unit and state in ('out', 'back')) then 'a hire'
          when exists (select from clock where unit_id = of_unit and state = 'running') then 'a running clock'
          when exists (select from visit where unit_id = of_unit and ended_at is null and unproved) then 'a visit that is not proved'
          when exists (select from (select distinct on (facts ->> 'thingId') kind, facts from log_entry
            where unit_id = of_unit and kind in ('taken-off', 'taken-off-again', 'put-back', 'replaced', 'struck-off')
            order by facts ->> 'thingId', place desc) last
            where kind in ('taken-off', 'taken-off-again') or (kind = 'replaced' and (facts ->> 'forTrial')::boolean)) then 'a thing that is off'
        end into why;
        if why is not null then raise exception 'unit % is not fit: there is %', of_unit, why using errcode = 'HU013'; end if;
      end if;
      update unit set readiness = is_now, readiness_verdict = with_verdict, version = version + 1,
        readiness_since = case when readiness = is_now then readiness_since else at_time end where id = of_unit;
    end $$`,
  `revoke all on function set_readiness(bigint, text, jsonb, timestamptz) from public`,
];
