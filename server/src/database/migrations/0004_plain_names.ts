import { type Kysely, sql } from 'kysely';

/** Names a stranger reads at sight: what a thing is called is its title or its name, in columns and in what was kept as JSON. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

/** The history and the cards are append-only for everybody but a migration. */
const rewritten = (table: string, change: string): string[] => [
  `alter table ${table} disable trigger ${table}_append_only`,
  change,
  `alter table ${table} enable trigger ${table}_append_only`,
];

const STATEMENTS = [
  `alter table job rename column says to title`,
  `alter table part rename column says to name`,
  `alter table exchange_part rename column says to name`,
  `alter table check_in rename column told to complaint_ids`,
  // In a value: each key of one name gets another, as deep as it goes.
  `create function renamed(value jsonb, old text, new text) returns jsonb language plpgsql immutable as $$
    begin
      if jsonb_typeof(value) = 'array' then
        return coalesce((select jsonb_agg(renamed(entry, old, new) order by place) from jsonb_array_elements(value) with ordinality as list(entry, place)), '[]');
      elsif jsonb_typeof(value) = 'object' then
        return coalesce((select jsonb_object_agg(case when key = old then new else key end, renamed(entry, old, new)) from jsonb_each(value) as list(key, entry)), '{}');
      end if;
      return value;
    end $$`,
  `update check_in set verdict = verdict
    || jsonb_build_object('reasons', renamed(verdict -> 'reasons', 'says', 'sentence'))
    || jsonb_build_object('jobs', renamed(verdict -> 'jobs', 'says', 'title'))`,
  `update job set closed_with = closed_with || jsonb_build_object('proof', renamed(closed_with -> 'proof', 'says', 'name'))
    where closed_with -> 'proof' -> 'readings' is not null`,
  ...rewritten(
    'job_entry',
    `update job_entry set facts = renamed(facts, 'says', 'title') where kind in ('steps-laid', 'step-added', 'step-changed')`,
  ),
  ...rewritten(
    'history_record',
    `update history_record set facts = case
        when kind in ('check-in', 'finding-seen', 'finding-could-not-tell', 'finding-taken-back') then renamed(facts, 'says', 'name')
        when facts -> 'proof' is not null then
          renamed(facts - 'proof', 'says', 'title') || jsonb_build_object('proof', renamed(facts -> 'proof', 'says', 'name'))
        else renamed(facts, 'says', 'title') end
      where facts::text like '%"says"%'`,
  ),
  `drop function renamed`,
];
