import { CLASS_IDS, type ClassId } from '@hudrik/core/catalogue';
import type { UnitLine } from '@hudrik/core/contracts';
import { READINESS } from '@hudrik/core/readiness';
import { HIRES_PROMISED } from '@hudrik/core/states';
import type { Db } from '../database/tables';
import { toUnitLine, unitRows } from '../fleet/unitLines';

interface Asked {
  readonly class?: ClassId | undefined;
  readonly from: string;
  readonly to: string;
}

/** Units on the yard that nobody is promised in that time: what is fit first, then what is to be put right. */
export async function readFree(db: Db, { class: classId, from, to }: Asked): Promise<{ units: UnitLine[] }> {
  const rows = await unitRows(db)
    .where('u.readiness', 'not in', ['gone', 'laid-up'])
    .$if(classId !== undefined, (query) => query.where('u.class_id', '=', classId ?? CLASS_IDS[0]))
    .where(({ not, exists, selectFrom }) =>
      not(
        exists(
          selectFrom('hire as other')
            .select('other.id')
            .whereRef('other.unit_id', '=', 'u.id')
            .where('other.state', 'in', HIRES_PROMISED)
            .where('other.from_at', '<', new Date(to))
            .where('other.to_at', '>', new Date(from)),
        ),
      ),
    )
    .orderBy('u.tag')
    .execute();
  const rank = (unit: UnitLine): number => READINESS.indexOf(unit.verdict.readiness);
  return { units: rows.map(toUnitLine).sort((a, b) => rank(a) - rank(b) || a.tag.localeCompare(b.tag)) };
}
