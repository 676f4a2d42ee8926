import type { HireCalendar } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { readAssignment } from './assigned';

/** Hires by unit: what is out, what is booked, what each hire of a class is given, and what is not covered. */
export async function readCalendar({ db, now }: Pick<Context, 'db' | 'now'>): Promise<HireCalendar> {
  const at = now();
  const { units, hires } = await readAssignment(db, at);
  return {
    now: at.toISOString(),
    units: units.map(({ unitId: _, ...unit }) => unit),
    hires: hires.map(({ id: _, fromAt, toAt, ...hire }) => ({
      ...hire,
      fromAt: fromAt.toISOString(),
      toAt: toAt.toISOString(),
    })),
  };
}
