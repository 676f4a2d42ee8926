import { sql, type Kysely } from 'kysely';

/** A model's own service plan, where its manual says something else than its class. Each change is a version of its own: none is lost. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table model_plan (
        model_id bigint not null references model,
        version integer not null check (version > 1),
        plan jsonb not null,
        made_at timestamptz not null,
        made_by bigint references person,
        primary key (model_id, version)
      )`,
    )
    .execute(db);
  await sql
    .raw(
      `create trigger model_plan_append_only before update or delete on model_plan for each row execute function history_is_append_only()`,
    )
    .execute(db);
}
