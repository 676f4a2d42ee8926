import { sql, type Kysely } from 'kysely';

/**
 * Of the booking desk only entries that became a hire are kept; what was not taken of its last list is kept as that list's, with its lines. An
 * entry whose times name no zone goes with the yard's. So many hires of a class at once a lead has said are meant. The yard has a zone of its own.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of [
    `alter table desk_state
      add column refused int not null default 0 check (refused >= 0),
      add column not_taken jsonb not null default '[]',
      add column bursts jsonb not null default '[]'`,
    `update desk_state set
      refused = (select count(*) from desk_event where problem is not null),
      not_taken = coalesce((select jsonb_agg(jsonb_build_object('line', null, 'uid', uid, 'problem', problem) order by uid)
        from (select uid, problem from desk_event where problem is not null order by uid limit 200) as told), '[]')`,
    `delete from desk_event where hire_id is null`,
    `alter table desk_event
      drop column problem,
      drop column seen_at,
      alter column hire_id set not null,
      add column is_yards_time boolean not null default false`,
    `alter table equipment_state add column refused int not null default 0 check (refused >= 0)`,
    `update equipment_state set
      refused = jsonb_array_length(not_taken),
      not_taken = coalesce((select jsonb_agg(one || '{"line": null}') from jsonb_array_elements(not_taken) as one), '[]')`,
    `create table desk_allowance (
      class_id text primary key,
      at_once int not null check (at_once > 0),
      person_id bigint not null references person,
      made_at timestamptz not null
    )`,
  ])
    await sql.raw(statement).execute(db);
  // What was so until now, said: on another machine it stays so.
  await sql`update yard_settings set time_zone = ${Intl.DateTimeFormat().resolvedOptions().timeZone} where time_zone is null`.execute(
    db,
  );
  await sql`alter table yard_settings alter column time_zone set not null`.execute(db);
}
