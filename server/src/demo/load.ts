import type { Person } from '@hudrik/core/contracts';
import type { Db } from '../database/tables';
import { addPerson } from '../people/people';
import { DEMO_SCALE, generateYard, type Scale } from './generate';
import { loadRows } from './rows';
import { PEOPLE, WORKING_HOURS, YARD_NAME } from './scenario';

const hoursOf = (people: readonly Person[]) =>
  WORKING_HOURS.flatMap(({ name, weekdays, stretches }) => {
    const person = people.find((one) => one.name === name);
    if (person === undefined) throw new Error(name);
    return weekdays.flatMap((weekday) =>
      stretches.map(([from, to]) => ({ person_id: person.id, weekday, from_time: from, to_time: to })),
    );
  });

/** Fills an empty database with the demo's yard. Out: how many records were written, or null when something was there already. */
export async function loadDemo(
  db: Db,
  now: Date,
  scale: Partial<Omit<Scale, 'now' | 'personIds'>> = {},
): Promise<number | null> {
  if (await db.selectFrom('person').select('id').limit(1).executeTakeFirst()) return null;
  if (await db.selectFrom('unit').select('id').limit(1).executeTakeFirst()) return null;
  const people: Person[] = [];
  for (const person of PEOPLE) people.push(await addPerson(db, { ...person, demoPin: person.pin }));
  const idsOf = (role: string): number[] => people.filter((person) => person.role === role).map((person) => person.id);
  const rows = generateYard({
    ...DEMO_SCALE,
    ...scale,
    now,
    personIds: { counter: idsOf('counter')[0] ?? 1, technicians: [...idsOf('technician'), ...idsOf('lead')] },
  });
  await db.insertInto('working_hours').values(hoursOf(people)).execute();
  await db
    .updateTable('person')
    .set({ hours_set: true })
    .where(
      'name',
      'in',
      WORKING_HOURS.map(({ name }) => name),
    )
    .execute();
  await db.updateTable('yard_settings').set({ yard: YARD_NAME }).execute();
  await loadRows(db, rows);
  return rows.size;
}
