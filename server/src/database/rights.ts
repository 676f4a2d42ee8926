import { sql } from 'kysely';
import { WORKER_SCHEMA } from '../background/schema';
import type { Db, Tables } from './tables';

/** Who may what in the database: one owns it and changes its shape, one is the server at its work, one only reads. */
export const ROLES = { owner: 'hudrik_owner', app: 'hudrik_app', reader: 'hudrik_reader' } as const;

/** Rows are added, and never changed by the server: what happened, what was measured, what was done, what was taught. */
const ONLY_ADDED = [
  'afar_reading',
  'check_in',
  'check_out',
  'clock_jump',
  'fuel_move',
  'kit_piece',
  'learning_reset',
  'log_entry',
  'meter',
  'meter_reading',
  'model_plan',
  'part_move',
  'proven_cause',
  'service_done',
  'supersession',
] as const satisfies readonly (keyof Tables)[];

/** Of these a row is locked while another is added that must fit it. */
const LOCKED = ['meter'] as const satisfies readonly (keyof Tables)[];

/** Rows are added and changed: what is so now. */
const CHANGED = [
  'background_task',
  'backup',
  'bench_plan',
  'clock',
  'defect',
  'desk_allowance',
  'desk_event',
  'desk_state',
  'device',
  'equipment_state',
  'exchange_part',
  'figure_set',
  'find_estimate',
  'finding',
  'fuel_can',
  'hire',
  'hire_assignment',
  'job',
  'lay_up',
  'learnt_teardown',
  'model',
  'not_fitted',
  'part_line',
  'part_order',
  'person',
  'photo',
  'pin_try',
  'supplier_quote',
  'supplier_state',
  'unit',
  'visit',
  'witness',
  'wrong_pin',
  'yard_settings',
] as const satisfies readonly (keyof Tables)[];

/**
 * Of these the server writes only what is not derived, and nothing that is evidence. How ready a unit is says one function of the owner's, which
 * looks for itself; a photo's picture never changes.
 */
const IN_PART = {
  unit: {
    insert: 'tag, class_id, model_id, serial, home_bay, gone_at, gone_why, severity, data_sheet, readiness_since',
    update: 'tag, model_id, serial, home_bay, laid_up_at, gone_at, gone_why, severity, data_sheet, version',
  },
  photo: {
    insert: 'id, person_id, media_type, width, height, bytes, sent_hash, thumb, taken_at, used_by',
    update: 'thumb, used_by',
  },
} as const satisfies Partial<Record<keyof Tables, { readonly insert: string; readonly update: string }>>;
const FUNCTIONS = ['set_readiness(bigint, text, jsonb, timestamptz)', 'drop_loose_photos(timestamptz)'];

/** Rows are taken away again: what was only planned, promised or let in for a time. */
const TAKEN_AWAY = [
  'absence',
  'bench_search',
  'device_code',
  'idempotency',
  'lay_up_choice',
  'part',
  'season',
  'session',
  'visit_job',
  'working_hours',
] as const satisfies readonly (keyof Tables)[];

/** Every table of the yard by what the server may do with its rows. */
export const RIGHTS: Readonly<Record<'insert' | 'insert, update' | 'insert, update, delete', readonly string[]>> = {
  insert: ONLY_ADDED,
  'insert, update': CHANGED,
  'insert, update, delete': TAKEN_AWAY,
};

const GRANTING = 47_801;

/** Gives the server and the reader what they may, and no more. Asked as the owner; where there are no such roles nothing is given. */
export async function grantRights(db: Db): Promise<boolean> {
  const { rows } = await sql<{ rolname: string }>`
    select rolname from pg_roles where rolname in (${ROLES.app}, ${ROLES.reader})`.execute(db);
  if (rows.length < 2) return false;
  const statements = [
    `revoke all on all tables in schema public from ${ROLES.app}, ${ROLES.reader}`,
    `grant usage on schema public to ${ROLES.app}, ${ROLES.reader}`,
    `grant select on all tables in schema public to ${ROLES.app}, ${ROLES.reader}`,
    // What lets a device or a person in is nobody's to read.
    `revoke select on session, device, device_code, pin_try from ${ROLES.reader}`,
    ...Object.entries(RIGHTS).map(([rights, tables]) => `grant ${rights} on ${tables.join(', ')} to ${ROLES.app}`),
    ...Object.entries(IN_PART).flatMap(([table, { insert, update }]) => [
      `revoke insert, update on ${table} from ${ROLES.app}`,
      `grant insert (${insert}), update (${update}) on ${table} to ${ROLES.app}`,
    ]),
    ...FUNCTIONS.map((name) => `grant execute on function ${name} to ${ROLES.app}`),
    // To lock a row one must be allowed to change something of it: what the database itself makes, which nobody can.
    `grant update (id) on ${LOCKED.join(', ')} to ${ROLES.app}`,
    // The background's own tables and functions.
    `grant usage on schema ${WORKER_SCHEMA} to ${ROLES.app}`,
    `grant select, insert, update, delete on all tables in schema ${WORKER_SCHEMA} to ${ROLES.app}`,
    `grant usage on all sequences in schema ${WORKER_SCHEMA} to ${ROLES.app}`,
    `grant execute on all routines in schema ${WORKER_SCHEMA} to ${ROLES.app}`,
    // Its rows are guarded one by one: the server may have all of them.
    `do $$ declare name text; begin
      for name in select c.relname from pg_class c join pg_namespace n on n.oid = c.relnamespace
        where n.nspname = '${WORKER_SCHEMA}' and c.relrowsecurity and not exists (
          select 1 from pg_policy p where p.polrelid = c.oid and p.polname = '${ROLES.app}')
      loop execute format('create policy ${ROLES.app} on ${WORKER_SCHEMA}.%I to ${ROLES.app} using (true) with check (true)', name); end loop;
    end $$`,
  ];
  await db.transaction().execute(async (trx) => {
    // Several processes may start at once.
    await sql`select pg_advisory_xact_lock(${GRANTING})`.execute(trx);
    for (const statement of statements) await sql.raw(statement).execute(trx);
  });
  return true;
}
