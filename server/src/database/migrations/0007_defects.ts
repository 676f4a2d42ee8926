import { sql, type Kysely } from 'kysely';

/**
 * What is wrong with a unit is kept by itself: its readiness hangs on that, not on whether somebody has a job for it. A defect is closed only
 * with the entry that closes it. Of a yard kept by an older version: what its open jobs are there for, and what is dangerous of each unit's
 * newest check-in whose job was dropped.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
  await sql`select set_config('hudrik.unit', 'any', true)`.execute(db);
  await openForJobs(db);
  await openWhatWasDropped(db);
  await sql`select set_config('hudrik.unit', '', true)`.execute(db);
}

const STATEMENTS = [
  `create table defect (
    id uuid primary key default gen_random_uuid(),
    unit_id bigint not null references unit,
    origin_kind text not null check (origin_kind in ('check', 'told', 'derived', 'kit', 'hours', 'cause', 'by-hand')),
    origin_id text not null,
    exception text not null default '',
    sentence text not null check (sentence <> ''),
    weight text not null check (weight in ('hold', 'prep')),
    safety boolean not null,
    caution text,
    job_id bigint references job,
    found_at timestamptz not null,
    found_by uuid references log_entry deferrable initially deferred,
    seen_at timestamptz not null,
    closed_at timestamptz,
    closed_by uuid references log_entry deferrable initially deferred,
    closed_how text check (closed_how in ('put-right', 'was-all-right', 'looked-at')),
    check ((closed_at is null) = (closed_by is null) and (closed_at is null) = (closed_how is null)),
    check (seen_at >= found_at)
  )`,
  `create unique index defect_one_open on defect (unit_id, origin_kind, origin_id, exception) where closed_at is null`,
  `create index defect_open on defect (unit_id) where closed_at is null`,
  `create index defect_of_job on defect (job_id) where job_id is not null`,
  `create trigger defect_by_its_unit before insert or update on defect for each row execute function written_by_its_unit()`,
  // A closed defect stays closed, and none is thrown away.
  `create function defect_stays() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' then raise exception 'a defect is closed, not thrown away' using errcode = 'HU011'; end if;
      if old.closed_at is not null then raise exception 'this defect is closed' using errcode = 'HU011'; end if;
      return new;
    end $$`,
  `create trigger defect_stays before update or delete on defect for each row execute function defect_stays()`,
];

/** Looks that are there for safety, as they were called when this was written. */
const SAFETY: ReadonlySet<string> = new Set([
  'auger-housing',
  'bail',
  'coupler',
  'dead-man',
  'earth',
  'exhaust',
  'fuel-leak',
  'gun',
  'holder',
  'hydraulic-hoses',
  'kill-switch',
  'lever',
  'neutral',
  'pressure-hose',
  'sockets',
  'tine-guards',
  'weld-leads',
]);

interface Origin {
  readonly kind: string;
  readonly id: string;
  readonly exception?: string;
}
interface OldJob {
  readonly id: number;
  readonly unit_id: number;
  readonly title: string;
  readonly blocks: 'hold' | 'prep';
  readonly origins: readonly Origin[];
  readonly why: readonly string[];
  readonly caution: string | null;
  readonly raised_at: Date;
  readonly check_in_id: string | null;
}

async function openForJobs(db: Kysely<unknown>): Promise<void> {
  const { rows } = await sql<OldJob>`
    select id, unit_id, title, blocks, origins, why, caution, raised_at, check_in_id
    from job where closed_at is null and blocks <> 'none' order by id`.execute(db);
  for (const job of rows) {
    const origins = job.origins.length > 0 ? job.origins : [{ kind: 'by-hand', id: `job-${job.id}` }];
    for (const [at, origin] of origins.entries())
      await open(db, job.unit_id, origin, {
        sentence: job.why[at] ?? job.why[0] ?? `${job.title}.`,
        weight: job.blocks,
        caution: job.caution,
        jobId: job.id,
        at: job.raised_at,
        foundBy: job.check_in_id,
      });
  }
}

interface OldReason {
  readonly origin: Origin;
  readonly sentence: string;
  readonly consequence: string;
  readonly caution?: string;
}

async function openWhatWasDropped(db: Kysely<unknown>): Promise<void> {
  const { rows } = await sql<{ unit_id: number; id: string; at: Date; reasons: readonly OldReason[] | null }>`
    select distinct on (c.unit_id) c.unit_id, c.id, c.at, l.outcome #> '{verdict,reasons}' as reasons
    from check_in c join log_entry l on l.id = c.id order by c.unit_id, c.at desc`.execute(db);
  for (const { unit_id: unitId, id, at, reasons } of rows)
    for (const { origin, sentence, consequence, caution } of reasons ?? []) {
      if (origin.kind !== 'check' || !SAFETY.has(origin.id) || consequence !== 'hold') continue;
      const dropped = await sql`
        select 1 from job where check_in_id = ${id} and state = 'dropped'
          and origins @> ${JSON.stringify([{ kind: origin.kind, id: origin.id }])}::jsonb`.execute(db);
      if (dropped.rows.length > 0)
        await open(db, unitId, origin, {
          sentence,
          weight: 'hold',
          caution: caution ?? null,
          jobId: null,
          at,
          foundBy: id,
        });
    }
}

interface Fresh {
  readonly sentence: string;
  readonly weight: 'hold' | 'prep';
  readonly caution: string | null;
  readonly jobId: number | null;
  readonly at: Date;
  readonly foundBy: string | null;
}

async function open(db: Kysely<unknown>, unitId: number, origin: Origin, fresh: Fresh): Promise<void> {
  const safety = origin.kind === 'check' && SAFETY.has(origin.id);
  await sql`
    insert into defect (unit_id, origin_kind, origin_id, exception, sentence, weight, safety, caution, job_id, found_at, found_by, seen_at)
    values (${unitId}, ${origin.kind}, ${origin.id}, ${origin.exception ?? ''}, ${fresh.sentence}, ${fresh.weight}, ${safety},
      ${fresh.caution}, ${fresh.jobId}, ${fresh.at}, ${fresh.foundBy}, ${fresh.at})
    on conflict (unit_id, origin_kind, origin_id, exception) where closed_at is null do nothing`.execute(db);
}
