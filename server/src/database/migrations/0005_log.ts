import { type Kysely, sql } from 'kysely';

/**
 * One log. What happened was kept in up to three places (history, card, finding; a check-in in four): now an entry of a kind, once.
 * What is left in tables beside it is what a query needs: the newest check-in of a unit, which hire a reading belongs to, clocks that run.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

/** An id made of what the row was: the same each time, for rows that had none of their own. */
const idOf = (table: string, expression: string): string => `md5('${table} ' || ${expression})::uuid`;

/** Names that were given to what an entry's ids point at. */
const NAMES = `jsonb_strip_nulls(jsonb_build_object(
  'what', h.facts -> 'what', 'step', h.facts -> 'step', 'clock', h.facts -> 'clock', 'title', h.facts -> 'title'))`;

const NEW_KIND = `case j.kind when 'steps-laid' then 'steps-listed' when 'off-again' then 'taken-off-again' when 'struck' then 'struck-off'
  when 'marked' then 'photo-marked' when 'waits' then 'paused' when 'goes-on' then 'resumed'
  when 'back-to-bench' then 'back-to-work' else j.kind end`;

/** By old kind of history: the new kind, its facts, what came of it. `f` are the old facts. */
const FROM_HISTORY: Readonly<Record<string, readonly [kind: string, facts: string, outcome: string]>> = {
  'card-woken': ['resumed', `'{"why": "The last part has arrived"}'`, `f - 'jobId'`],
  'unit-added': [
    'unit-added',
    `jsonb_build_object('serial', coalesce(f ->> 'serial', ''), 'reading', f -> 'reading')`,
    `jsonb_build_object('readingId', f -> 'readingId', 'trueHours', f -> 'trueHours')`,
  ],
  'unit-changed': ['unit-changed', `f`, `'{}'`],
  'reading-corrected': [
    'reading-corrected',
    `jsonb_build_object('readingId', coalesce((select c.facts ->> 'readingId' from history_record c where c.id = h.corrects_id), '0'),
      'reading', f -> 'reading', 'why', f -> 'why')`,
    `jsonb_build_object('readingId', f -> 'readingId', 'from', f -> 'from', 'trueHours', f -> 'trueHours')`,
  ],
  note: ['note', `jsonb_build_object('text', f -> 'text')`, `'{}'`],
  'hire-booked': ['hire-booked', `f`, `'{}'`],
  'hire-back': ['hire-back', `f`, `'{}'`],
  'hire-cancelled': ['hire-cancelled', `f`, `'{}'`],
  'job-raised': ['job-raised', `f - 'jobId'`, `jsonb_build_object('jobId', f -> 'jobId')`],
  'job-started': ['job-started', `'{}'`, `jsonb_build_object('title', f -> 'title')`],
  'job-done': [
    'job-finished',
    `jsonb_build_object('note', coalesce(f ->> 'note', ''))`,
    `jsonb_strip_nulls(jsonb_build_object('title', f -> 'title', 'proof', f -> 'proof'))`,
  ],
  'job-dropped': ['job-dropped', `jsonb_build_object('why', f -> 'why')`, `jsonb_build_object('title', f -> 'title')`],
  'finding-closed': [
    'causes-confirmed',
    `jsonb_build_object('causes', coalesce((select to_jsonb(n.causes) from finding n where n.id::text = f ->> 'findingId'), '[]'),
      'note', coalesce(f ->> 'note', ''))`,
    `jsonb_build_object('jobId', f -> 'jobId', 'names', f -> 'causes')`,
  ],
  'part-wanted': [
    'part-asked',
    `jsonb_build_object('lineId', null, 'number', f -> 'asked', 'count', f -> 'count')`,
    `f - 'jobId' || '{"state": "wanted"}'`,
  ],
  'part-reserved': [
    'part-asked',
    `jsonb_build_object('lineId', null, 'number', coalesce(f -> 'asked', f -> 'number'), 'count', f -> 'count')`,
    `f - 'jobId' || '{"state": "reserved"}'`,
  ],
  'part-ordered': ['part-ordered', `'{}'`, `f - 'jobId'`],
  'part-late': ['part-late', `'{}'`, `f - 'jobId'`],
  'part-arrived': ['part-arrived', `'{}'`, `f - 'jobId'`],
  'part-used': ['part-line-changed', `'{"action": "use"}'`, `f - 'jobId'`],
  'part-returned': ['part-line-changed', `'{"action": "return"}'`, `f - 'jobId'`],
  'part-dropped': ['part-line-changed', `'{"action": "drop"}'`, `f - 'jobId'`],
  'part-kept': ['part-kept', `jsonb_build_object('name', f -> 'part', 'number', null, 'place', '')`, `'{}'`],
};

const fromHistory = ([old, [kind, facts, outcome]]: [string, readonly [string, string, string]]): string => `
  select h.id as place, ids.id, h.unit_id,
    case when f ->> 'jobId' ~ '^[0-9]+$' then (f ->> 'jobId')::bigint end as job_id,
    case when f ? 'findingId' then (f ->> 'findingId')::uuid end as finding_id,
    h.at, h.person_id, '${kind}' as kind, (${facts})::jsonb as facts, (${outcome})::jsonb as outcome, corrected.id as corrects_id
  from history_record h
    cross join lateral (select h.facts as f) old
    join history_id ids on ids.old = h.id
    left join history_id corrected on corrected.old = h.corrects_id
  where h.kind = '${old}'`;

const CHECK_IN_FACTS = `jsonb_build_object(
  'startedAt', c.started_at, 'basedOn', c.based_on, 'secondLookOf', c.second_look_of,
  'hours', jsonb_build_object('typed', r.reading::text, 'confirmed', true, 'meterEvent', h.facts -> 'meterEvent'),
  'fuelEighths', c.fuel_eighths, 'fuelTap', c.fuel_tap, 'ended', c.ended, 'missing', c.missing, 'complaintIds', c.complaint_ids,
  'remarks', c.remarks,
  'answers', coalesce((select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('check', a.check_id, 'result', a.result,
      'exception', a.exception_id, 'cause', a.cause, 'note', a.note, 'photos', to_jsonb(a.photos),
      'reading', case when a.value is not null then jsonb_build_object('value', a.value, 'unit', a.unit) end)))
    from check_result a where a.check_in_id = c.id), '[]'),
  'stations', coalesce((select jsonb_agg(jsonb_build_object('id', s.station_id, 'seconds', s.seconds))
    from station_pass s where s.check_in_id = c.id), '[]'))`;

const CHECK_IN_OUTCOME = `jsonb_build_object(
  'readingId', c.reading_id::text, 'reading', r.reading, 'trueHours', r.true_hours, 'hoursRun', h.facts -> 'hoursRun',
  'reference', h.facts -> 'reference', 'verdict', c.verdict, 'jobIds', coalesce(h.facts -> 'jobIds', '[]'),
  'readiness', h.facts -> 'readiness', 'hurried', coalesce(h.facts -> 'hurried', '[]'), 'readings', coalesce(h.facts -> 'readings', '[]'),
  'hurriedStations', coalesce((select jsonb_agg(s.station_id) from station_pass s where s.check_in_id = c.id and s.hurried), '[]'))`;

/** Tables whose rows hang on a unit: written only by a transaction that has said which unit it changes, having locked it. */
const GUARDED = ['log_entry', 'job', 'clock', 'meter', 'meter_reading', 'check_in', 'check_out', 'finding'];

const STATEMENTS = [
  `create table log_entry (
    id uuid primary key,
    place bigint generated always as identity,
    unit_id bigint references unit,
    job_id bigint references job,
    finding_id uuid,
    at timestamptz not null,
    taken_at timestamptz not null default now(),
    person_id bigint references person,
    sent_by bigint references person,
    kind text not null check (kind ~ '^[a-z-]+$'),
    facts jsonb not null,
    outcome jsonb not null default '{}',
    corrects_id uuid references log_entry,
    check (unit_id is not null or finding_id is not null)
  )`,

  // The ids of the history's records: those of what they told of, where that had one.
  `create temporary table history_id on commit drop as
    select h.id as old, case h.kind
      when 'check-in' then (h.facts ->> 'checkInId')::uuid
      when 'check-out' then (h.facts ->> 'checkOutId')::uuid
      when 'finding-opened' then (h.facts ->> 'findingId')::uuid
      else ${idOf('history', 'h.id')} end as id
    from history_record h`,
  `create unique index on history_id (old)`,
  `create index history_record_kind_at on history_record (unit_id, at, kind)`,

  `insert into log_entry (id, unit_id, at, taken_at, person_id, kind, facts, outcome)
    select c.id, c.unit_id, c.at, c.at, c.person_id, 'check-in', ${CHECK_IN_FACTS}, ${CHECK_IN_OUTCOME}
    from check_in c join meter_reading r on r.id = c.reading_id
      left join lateral (select facts from history_record h where h.unit_id = c.unit_id and h.at = c.at and h.kind = 'check-in'
        and h.facts ->> 'checkInId' = c.id::text limit 1) h on true
    order by c.at`,
  `insert into log_entry (id, unit_id, at, taken_at, person_id, kind, facts, outcome)
    select o.id, o.unit_id, o.at, o.at, o.person_id, 'check-out',
      jsonb_build_object('hire', i.reference, 'dueAt', null,
        'hours', jsonb_build_object('typed', r.reading::text, 'confirmed', true, 'meterEvent', null),
        'fuelEighths', o.fuel_eighths, 'kit', o.kit, 'looks', o.looks, 'waiverReason', coalesce(o.waiver_reason, '')),
      jsonb_build_object('readingId', o.reading_id::text, 'reading', r.reading, 'trueHours', r.true_hours,
        'reference', i.reference, 'dueAt', i.to_at, 'waived', o.waiver_reason is not null)
    from check_out o join meter_reading r on r.id = o.reading_id join hire i on i.id = o.hire_id
    order by o.at`,
  `insert into log_entry (id, unit_id, job_id, finding_id, at, taken_at, person_id, kind, facts, outcome)
    select n.id, n.unit_id, null, n.id, n.opened_at, n.opened_at, n.opened_by, 'finding-opened', jsonb_build_object('machine', n.machine),
      jsonb_build_object('findingId', n.id)
    from finding n order by n.opened_at`,
  `insert into log_entry (id, unit_id, job_id, finding_id, at, taken_at, person_id, kind, facts, outcome, corrects_id)
    select id, unit_id, job_id, finding_id, at, at, person_id, kind, facts, outcome, corrects_id
    from (${Object.entries(FROM_HISTORY).map(fromHistory).join(' union all ')}) told order by place`,
  `insert into log_entry (id, unit_id, finding_id, at, taken_at, person_id, kind, facts)
    select e.id, n.unit_id, n.id, e.at, e.at, e.person_id, e.kind,
      case e.kind
        when 'seen' then jsonb_build_object('observation', e.observation, 'outcomes', to_jsonb(e.outcomes), 'reading', e.reading)
        when 'repaired' then jsonb_build_object('fault', e.fault)
        else jsonb_build_object('observation', e.observation) end
    from finding_entry e join finding n on n.id = e.finding_id order by e.place`,
  `insert into log_entry (id, unit_id, job_id, at, taken_at, person_id, kind, facts, outcome)
    select j.id, b.unit_id, j.job_id, j.at, j.at, j.person_id, ${NEW_KIND}, j.facts, coalesce(h.names, '{}')
    from job_entry j join job b on b.id = j.job_id
      left join lateral (select ${NAMES} as names from history_record h
        where h.unit_id = b.unit_id and h.at = j.at and h.kind = 'card-' || j.kind and h.facts @> (j.facts - 'marks' - 'given' - 'figures')
        limit 1) h on true
    order by j.place`,

  `create index log_entry_of_unit on log_entry (unit_id, at desc, place desc) where unit_id is not null`,
  `create index log_entry_of_job on log_entry (job_id, place) where job_id is not null`,
  `create index log_entry_of_finding on log_entry (finding_id, place) where finding_id is not null`,
  `create trigger log_entry_append_only before update or delete on log_entry for each row execute function history_is_append_only()`,
  `create trigger log_entry_keeps before truncate on log_entry execute function history_is_append_only()`,

  `drop table job_entry`,
  `drop table finding_entry`,
  `drop table history_record`,
  `drop table check_result`,
  `drop table station_pass`,

  // What a query needs of a check-in and a check-out: the newest of a unit, what it follows, which reading and hire it belongs to.
  ...[
    'person_id',
    'started_at',
    'fuel_eighths',
    'fuel_tap',
    'ended',
    'complaint_ids',
    'missing',
    'remarks',
    'verdict_result',
    'verdict',
    'edition',
  ].map((column) => `alter table check_in drop column ${column}`),
  ...['person_id', 'fuel_eighths', 'kit', 'looks', 'waiver_reason'].map(
    (column) => `alter table check_out drop column ${column}`,
  ),
  `alter table finding add column edition text`,

  `alter table clock drop constraint clock_check1, drop constraint clock_check`,
  `alter table clock add column state text`,
  `update clock set state = case when result is null then 'running' when result = 'stopped' then 'stopped' else 'ended' end`,
  `update clock set result = null where state = 'stopped'`,
  `drop index clock_standing`,
  `alter table clock alter column state set not null, alter column state set default 'running',
    add constraint clock_state check (state in ('running', 'ended', 'stopped')),
    add constraint clock_ends_later check (ends_at > started_at),
    add constraint clock_result check ((state = 'ended') = (result is not null) and (state = 'running') = (ended_at is null))`,
  `create index clock_running on clock (ends_at) where state = 'running'`,

  `alter table part_order add column asked_at timestamptz`,
  `create table supplier_quote (
    number text primary key check (number = upper(number)),
    asked_at timestamptz not null,
    answered_at timestamptz,
    problem text,
    name text,
    obtainable boolean not null default false,
    cents integer,
    lead_days numeric
  )`,
  `create table supplier_state (
    only_one boolean primary key default true check (only_one),
    answered_at timestamptz,
    problem text
  )`,
  `insert into supplier_state default values`,

  // A key is claimed before the change and answered with it, in one transaction.
  `drop table idempotency`,
  `create table idempotency (
    key text primary key check (length(key) between 8 and 100),
    person_id bigint not null references person,
    fingerprint bytea not null,
    status integer,
    body json,
    at timestamptz not null default now()
  )`,
  `create index idempotency_at on idempotency (at)`,

  `create table yard_settings (
    only_one boolean primary key default true check (only_one),
    yard text not null default 'Hire yard',
    currency text not null default 'USD' check (currency ~ '^[A-Z]{3}$'),
    locale text not null default 'en-US',
    time_zone text
  )`,
  `insert into yard_settings default values`,

  `create function written_by_its_unit() returns trigger language plpgsql as $$
    begin
      if new.unit_id is not null and coalesce(current_setting('hudrik.unit', true), '') not in (new.unit_id::text, 'any') then
        raise exception 'a change of unit % outside its own transaction', new.unit_id using errcode = 'HU010';
      end if;
      return new;
    end $$`,
  ...GUARDED.map(
    (table) =>
      `create trigger ${table}_by_its_unit before insert or update on ${table} for each row execute function written_by_its_unit()`,
  ),
];
