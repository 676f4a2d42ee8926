import { sql, type Kysely } from 'kysely';

/**
 * True hours of a unit, in the order of its readings' places, never fall: on one meter, and from one meter to the next. Before, only the
 * readings of one meter were held to that.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(NEVER_FALL).execute(db);
}

const NEVER_FALL = `create or replace function reading_in_its_place() returns trigger language plpgsql as $$
  declare last numeric; next numeric;
  begin
    perform 1 from meter where id = new.meter_id for update;
    new.stands_for := coalesce((select r.stands_for from meter_reading r where r.id = new.corrects_id), new.id);
    select r.true_hours into last from meter_reading r
      where r.unit_id = new.unit_id and r.stands_for < new.stands_for
      and not exists (select 1 from meter_reading c where c.corrects_id = r.id)
      order by r.stands_for desc limit 1;
    select r.true_hours into next from meter_reading r
      where r.unit_id = new.unit_id and r.stands_for > new.stands_for
      and not exists (select 1 from meter_reading c where c.corrects_id = r.id)
      order by r.stands_for limit 1;
    if new.true_hours < last then
      raise exception '% true hours are below the last, %', new.true_hours, last using errcode = 'HU001';
    end if;
    if new.true_hours > next then
      raise exception '% true hours are above the next, %', new.true_hours, next using errcode = 'HU003';
    end if;
    return new;
  end $$`;
