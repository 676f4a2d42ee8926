import { sql, type Kysely } from 'kysely';

/**
 * A unit's time on the bench is a visit, and its card is the visit's: one card, one tray, one proof for all of its jobs. Of a yard kept by an
 * older version: the open cards of a unit become one open visit that stands at the bench again, a proof under way is void; what is ended is a
 * visit of its own, readable as it was. Entries keep their job.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`select set_config('hudrik.unit', 'any', true)`.execute(db);
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
  await sql`select set_config('hudrik.unit', '', true)`.execute(db);
}

const STANDING = `('waiting', 'open', 'put-off')`;
const BEGUN = `('open', 'waits-clock', 'waits-part', 'waits-decision', 'to-prove')`;

const STATEMENTS = [
  // What the migration before has put in is held against its entries now: only then may its table be changed.
  `set constraints all immediate`,
  `create table visit (
    id bigint generated always as identity primary key,
    unit_id bigint not null references unit,
    state text not null default 'waiting' check (state in
      ('waiting', 'open', 'waits-clock', 'waits-part', 'waits-decision', 'parked', 'to-prove', 'ended')),
    unproved boolean not null default false,
    given_to bigint references person,
    signature_asked_by bigint references person,
    signature_asked_at timestamptz,
    opened_at timestamptz not null,
    begun_at timestamptz,
    ended_at timestamptz,
    version integer not null default 1,
    check ((state = 'ended') = (ended_at is not null)),
    check (state <> 'ended' or not unproved)
  )`,
  // A unit is on the bench once.
  `create unique index visit_one_open on visit (unit_id) where ended_at is null`,
  `create table visit_job (
    visit_id bigint not null references visit,
    job_id bigint not null references job,
    primary key (visit_id, job_id)
  )`,
  `create index visit_job_of on visit_job (job_id)`,
  `create trigger visit_by_its_unit before insert or update on visit for each row execute function written_by_its_unit()`,
  // An ended visit is over.
  `create function visit_stays_ended() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' then raise exception 'a visit is ended, not thrown away' using errcode = 'HU012'; end if;
      if old.ended_at is not null then raise exception 'this visit is ended' using errcode = 'HU012'; end if;
      return new;
    end $$`,

  // What is open becomes one visit of its unit; a single card that waits goes on waiting.
  `insert into visit (unit_id, state, opened_at, begun_at)
    select unit_id,
      case when count(*) filter (where state in ${BEGUN}) = 0 then 'waiting'
        when count(*) filter (where state in ${BEGUN}) = 1
          and max(state) filter (where state in ${BEGUN}) like 'waits-%' then max(state) filter (where state in ${BEGUN})
        else 'open' end,
      min(raised_at), min(started_at) filter (where state in ${BEGUN})
    from job where closed_at is null group by unit_id`,
  `insert into visit_job (visit_id, job_id)
    select v.id, j.id from job j join visit v on v.unit_id = j.unit_id where j.closed_at is null`,
  // What is ended keeps its card: a visit each, in the order in which they were raised.
  `alter table visit add column of_job bigint`,
  `insert into visit (unit_id, state, opened_at, begun_at, ended_at, of_job)
    select unit_id, 'ended', raised_at, started_at, greatest(closed_at, raised_at), id from job where closed_at is not null order by id`,
  `insert into visit_job (visit_id, job_id) select id, of_job from visit where of_job is not null`,
  `alter table visit drop column of_job`,
  `create trigger visit_stays_ended before update or delete on visit for each row execute function visit_stays_ended()`,

  `drop index job_open_unit`,
  `drop index job_one_open_per_work`,
  `alter table job drop constraint job_state_check`,
  `update job set state = 'open' where state in ${BEGUN}`,
  `alter table job add constraint job_state_check check (state in ('waiting', 'open', 'put-off', 'done', 'dropped'))`,
  `create index job_open_unit on job (unit_id) where state in ${STANDING}`,
  `create unique index job_one_open_per_work on job (unit_id, work) where state in ${STANDING}`,

  // A finding that goes on after a proof failed keeps what was confirmed in it.
  `alter table finding drop constraint finding_check`,
  `alter table finding add constraint finding_closed_with_causes check (closed_at is null or causes is not null)`,

  // More that may be wrong, and more ways in which it ends. What was told is tied to the causes that explain it.
  `alter table defect drop constraint defect_origin_kind_check`,
  `alter table defect add constraint defect_origin_kind_check check (origin_kind in
    ('check', 'told', 'derived', 'kit', 'hours', 'cause', 'clock', 'reading', 'unit', 'by-hand'))`,
  `alter table defect drop constraint defect_closed_how_check`,
  `alter table defect add constraint defect_closed_how_check check (closed_how in
    ('put-right', 'was-all-right', 'looked-at', 'not-found', 'lived-with', 'not-fitted', 'undone'))`,
  `alter table defect add column causes text[] not null default '{}'`,
  // What this unit has not got of what its class is looked at for.
  `create table not_fitted (
    unit_id bigint not null references unit,
    check_id text not null,
    entry_id uuid not null references log_entry deferrable initially deferred,
    primary key (unit_id, check_id)
  )`,
  `create trigger not_fitted_by_its_unit before insert or update on not_fitted for each row execute function written_by_its_unit()`,

  // Whom to call. Who books may leave it out.
  `alter table hire add column hirer text not null default ''`,
  `alter table hire add column phone text not null default ''`,

  // A unit's own rated figures, where they are not its model's.
  `alter table unit add column data_sheet jsonb not null default '{}'`,
];
