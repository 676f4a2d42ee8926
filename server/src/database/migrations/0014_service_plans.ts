import { sql, type Kysely } from 'kysely';

/** What was done of a service plan, item by item. The one counter of the oil becomes its first line; when it was is taken from the job that did it. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `create table service_done (
    id bigint generated always as identity primary key,
    unit_id bigint not null references unit,
    item text not null,
    true_hours numeric(9, 1) not null check (true_hours >= 0),
    at timestamptz not null,
    plan_version integer check (plan_version > 0),
    job_id bigint references job
  )`,
  `create index service_done_of_unit on service_done (unit_id, item, at desc)`,
  `create unique index service_done_once on service_done (job_id, item)`,
  `insert into service_done (unit_id, item, true_hours, at, job_id)
    select u.id, 'engine-oil', u.last_oil_service_true_hours, coalesce(j.closed_at, m.fitted_at), j.id
    from unit u
    join meter m on m.unit_id = u.id and m.ordinal = 1
    left join lateral (
      select id, closed_at from job
      where unit_id = u.id and work = 'oil-service' and state = 'done' order by closed_at desc limit 1
    ) j on true`,
  `create trigger service_done_by_its_unit before insert or update on service_done for each row execute function written_by_its_unit()`,
  `create trigger service_done_append_only before update or delete on service_done for each row execute function history_is_append_only()`,
  `alter table unit drop column last_oil_service_true_hours`,
];
