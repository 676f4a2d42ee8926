import { sql, type Kysely } from 'kysely';

/**
 * What is in a tank is folded from the log, and stands nowhere beside it. Where a unit has a level that no entry tells, somebody saw it: that is
 * written down as seen when the unit was last changed.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  // All units at once, in this transaction.
  await sql`select set_config('hudrik.unit', 'any', true)`.execute(db);
  await sql`
    insert into log_entry (id, unit_id, kind, facts, outcome, at, taken_at)
    select gen_random_uuid(), u.id, 'fuel-seen', jsonb_build_object('fuelEighths', u.fuel_eighths), '{}'::jsonb,
      coalesce((select max(e.at) from log_entry e where e.unit_id = u.id), now()), now()
    from unit u
    where u.fuel_eighths is not null and not exists (
      select 1 from log_entry e
      where e.unit_id = u.id and e.kind in ('check-in', 'check-out', 'fuelled', 'fuel-out', 'laid-up'))`.execute(db);
  await sql`alter table unit drop column fuel_eighths`.execute(db);
}
