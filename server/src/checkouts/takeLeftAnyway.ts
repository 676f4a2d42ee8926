import { NEVER_LOOKED_AT } from '@hudrik/core/defects';
import type { Facts } from '@hudrik/core/log';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Trx } from '../database/tables';
import { openDefects } from '../defects/openDefects';
import { readDefects } from '../defects/readDefects';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { goOut, hireToStart } from './takeCheckOut';

/**
 * The hire that it left on: the one that is named; else the one that it is promised to by now; else one of its own, until it is promised to the next.
 */
async function hireFor(
  trx: Trx,
  unitId: number,
  { hire, dueAt }: Pick<Facts<'left-anyway'>, 'hire' | 'dueAt'>,
  at: Date,
) {
  if (hire !== null) return { hire, dueAt };
  const due = new Date(dueAt ?? at.getTime() + DAY_MS);
  const promised = await trx
    .selectFrom('hire')
    .select(['reference', 'from_at'])
    .where('unit_id', '=', unitId)
    .where('state', '=', 'booked')
    .where('to_at', '>', at)
    .where('from_at', '<', due)
    .orderBy('from_at')
    .limit(1)
    .executeTakeFirst();
  if (promised && promised.from_at <= at) return { hire: promised.reference, dueAt: null };
  return { hire: null, dueAt: (promised?.from_at ?? due).toISOString() };
}

/** How long a unit is taken to be away of which nobody knows when it is due. */
const DAY_MS = 86_400_000;

/**
 * A unit has left without being handed out here, a lead says, and why: it is out from then on, whatever is known against it, and comes back held. What
 * is known against it is kept with that, and the counter is warned until it is back.
 */
export const takeLeftAnyway: Taker<'left-anyway'> = async ({ change, id, at: said, timing, facts, record }) => {
  const { trx, unit } = change;
  const at = timing === 'known' ? said : change.at;
  if (unit.gone_at !== null) return refuse('not-ready', { readiness: 'gone' });
  const going = await trx
    .selectFrom('hire')
    .select(['reference', 'state'])
    .where('unit_id', '=', unit.id)
    .where('state', 'in', HIRES_GOING_ON)
    .executeTakeFirst();
  if (going) return refuse('already-out', { reference: going.reference, state: going.state });
  const hire = await hireToStart(trx, unit, await hireFor(trx, unit.id, facts, at), at, id, 'L');
  const because = (await readDefects(trx, unit.id)).map((defect) => defect.sentence);
  await goOut(trx, unit, { hireId: hire.id, at, leftAnyway: true });
  await record({ outcome: { reference: hire.reference, because } });
  await openDefects(trx, { unitId: unit.id, entryId: id, at }, [NEVER_LOOKED_AT]);
};
