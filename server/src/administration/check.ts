import { sql } from 'kysely';
import type { Db } from '../database/tables';
import { computeReadiness } from '../fleet/computeReadiness';
import { readFuel } from '../fuel/unitFuel';
import type { Print } from './command';

interface Rule {
  readonly what: string;
  /** Each thing that is not as it should be, in words. */
  readonly wrong: (db: Db) => Promise<string[]>;
}

/** Rows that a statement finds: each is one thing that is wrong. */
const finds =
  (query: (db: Db) => ReturnType<typeof sql<{ wrong: string }>>): Rule['wrong'] =>
  async (db) =>
    (await query(db).execute(db)).rows.map(({ wrong }) => wrong);

/** What is stored beside the facts that it follows from. Whoever stores another thing so adds a line. */
const RULES: readonly Rule[] = [
  {
    what: 'each unit’s readiness is what its facts say',
    wrong: async (db) => {
      const units = await db.selectFrom('unit').select(['id', 'tag', 'readiness']).orderBy('tag').execute();
      const wrong: string[] = [];
      for (const unit of units) {
        const { readiness } = await computeReadiness(db, unit.id);
        if (readiness !== unit.readiness)
          wrong.push(`${unit.tag}: stored ${unit.readiness}, by its facts ${readiness}`);
      }
      return wrong;
    },
  },
  {
    what: 'true hours never fall, meter by meter',
    wrong: finds(
      () => sql<{ wrong: string }>`
        select u.tag || ': fell at ' || t.read_at as wrong from (
          select unit_id, read_at, true_hours, lag(true_hours) over (partition by unit_id order by read_at, id) as before
          from meter_reading r where not exists (select 1 from meter_reading n where n.corrects_id = r.id)
        ) t join unit u on u.id = t.unit_id where t.true_hours < t.before - 0.05`,
    ),
  },
  {
    what: 'a unit is out exactly while a hire of it is out',
    wrong: finds(
      () => sql<{ wrong: string }>`
        select u.tag || ': is ' || u.readiness || ', its hire says otherwise' as wrong from unit u
        where u.gone_at is null and (u.readiness = 'out') <> exists (
          select 1 from hire h where h.unit_id = u.id and h.state = 'out')`,
    ),
  },
  {
    what: 'what stands laid up has one lay-up that is not woken, and nothing else has',
    wrong: finds(
      () => sql<{ wrong: string }>`
        select u.tag || ': ' || count(l.id) || ' lay-ups are open' as wrong from unit u
        left join lay_up l on l.unit_id = u.id and l.woken_at is null
        group by u.id having count(l.id) > 1 or (count(l.id) = 1 and u.laid_up_at is null)`,
    ),
  },
  {
    what: 'an open visit has an open job, and an open job an open visit',
    wrong: finds(
      () => sql<{ wrong: string }>`
        select u.tag || ': job ' || j.id || ' is in no open visit' as wrong from job j join unit u on u.id = j.unit_id
        where j.state = 'open' and not exists (
          select 1 from visit_job vj join visit v on v.id = vj.visit_id where vj.job_id = j.id and v.ended_at is null)`,
    ),
  },
  {
    what: 'every tank can be reckoned from the log',
    wrong: async (db) =>
      (await readFuel(db)).flatMap(({ tag, passport }) =>
        passport.blend.every(({ litres }) => Number.isFinite(litres) && litres >= 0)
          ? []
          : [`${tag}: its blend is none`],
      ),
  },
];

/** Compares all that is stored with what it follows from. Out: how many things are wrong. */
export async function checkAll(db: Db, print: Print): Promise<number> {
  let wrong = 0;
  for (const rule of RULES) {
    const found = await rule.wrong(db);
    for (const line of found.slice(0, 50)) print(line);
    print(`${found.length === 0 ? 'good ' : 'WRONG'} ${rule.what}${found.length === 0 ? '' : `: ${found.length}`}`);
    wrong += found.length;
  }
  return wrong;
}
