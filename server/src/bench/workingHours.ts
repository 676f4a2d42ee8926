import { SIGNS_OFF, type WeekStretch, type WorkingHours } from '@hudrik/core/contracts';
import { notifyChange } from '../background/notify';
import type { Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db } from '../database/tables';
import { personById } from '../people/people';
import { refuse } from '../refusal';
import { mustNotOverlap } from './mustNotOverlap';
import { readAtBench } from './shifts';

/** Who works when: those who may sign off. */
export async function readWorkingHours(db: Db): Promise<WorkingHours> {
  const people = await readAtBench(db);
  return {
    people: people.map(({ week, absences, ...person }) => ({
      ...person,
      hours: [...week],
      absences: absences.map(({ personId: _, ...absence }) => absence),
    })),
  };
}

type Asking = Pick<Context, 'db'>;

/** Sets when somebody works. Stretches of one day that overlap, or end before they begin, are refused. */
export async function setHours({ db }: Asking, personId: number, hours: readonly WeekStretch[]): Promise<WorkingHours> {
  await mustWorkHere(db, personId);
  mustNotOverlap(hours);
  await inTransaction(db, async (trx) => {
    await trx.deleteFrom('working_hours').where('person_id', '=', personId).execute();
    const rows = hours.map(({ weekday, from, to }) => ({ person_id: personId, weekday, from_time: from, to_time: to }));
    if (rows.length > 0) await trx.insertInto('working_hours').values(rows).execute();
    await trx.updateTable('person').set({ hours_set: true }).where('id', '=', personId).execute();
    await notifyChange(trx, { what: 'bench', id: 'hours' });
  });
  return readWorkingHours(db);
}

interface NewAbsence {
  readonly personId: number;
  readonly fromOn: string;
  readonly toOn: string;
  readonly why: string;
}

export async function addAbsence({ db }: Asking, { personId, fromOn, toOn, why }: NewAbsence): Promise<WorkingHours> {
  await mustWorkHere(db, personId);
  if (toOn < fromOn) refuse('not-valid', { field: 'toOn', value: toOn });
  for (const [field, value] of Object.entries({ fromOn, toOn }))
    if (Number.isNaN(Date.parse(value))) refuse('not-valid', { field, value });
  await db.insertInto('absence').values({ person_id: personId, from_on: fromOn, to_on: toOn, why }).execute();
  await notifyChange(db, { what: 'bench', id: 'absence' });
  return readWorkingHours(db);
}

export async function endAbsence({ db }: Asking, id: number): Promise<WorkingHours> {
  const { numDeletedRows } = await db.deleteFrom('absence').where('id', '=', id).executeTakeFirstOrThrow();
  if (Number(numDeletedRows) === 0) refuse('not-found', { absence: id });
  await notifyChange(db, { what: 'bench', id: 'absence' });
  return readWorkingHours(db);
}

async function mustWorkHere(db: Db, personId: number): Promise<void> {
  const person = await personById(db, personId);
  if (person === undefined) return refuse('not-found', { person: personId });
  if (!SIGNS_OFF.includes(person.role)) refuse('not-your-role', { role: person.role, wants: SIGNS_OFF });
}
