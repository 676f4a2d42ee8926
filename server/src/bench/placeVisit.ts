import { SIGNS_OFF } from '@hudrik/core/contracts';
import { changeVisit } from '../cards/changeVisit';
import { jobUnderLock } from '../jobs/jobUnderLock';
import type { Taker } from '../log/taking';
import { personById } from '../people/people';
import { refuse } from '../refusal';
import { visitOfJob } from '../visits/visits';

/** A visit is put to a person, or to a time, by hand; or the plan decides again. What somebody has in hand goes on, whatever its hour. */
export const placeVisit: Taker<'placed'> = async ({
  change: { trx, at: now },
  facts: { to, at, from },
  place,
  record,
}) => {
  const job = await jobUnderLock(trx, place.jobId);
  const visit = await visitOfJob(trx, job.id);
  if (from !== undefined && !isSame(from, wasOf(visit))) refuse('changed-meanwhile', { now: wasOf(visit) });
  const person = to === null ? null : await personById(trx, to);
  if (person === undefined) return refuse('not-found', { person: to });
  if (person !== null && !SIGNS_OFF.includes(person.role))
    refuse('not-your-role', { role: person.role, wants: SIGNS_OFF });
  if (at !== null && Date.parse(at) < now.getTime() - GRACE_MS) refuse('not-valid', { field: 'at', value: at });
  await changeVisit(trx, visit, { given_to: to, pinned_at: at === null ? null : new Date(at) });
  await record({ jobId: job.id, outcome: { to: person?.name ?? null, was: wasOf(visit) } });
};

interface Where {
  readonly to: number | null;
  readonly at: string | null;
}

/** What is dropped on the present minute is not in the past. */
const GRACE_MS = 15 * 60_000;

const isSame = (a: Where, b: Where): boolean =>
  a.to === b.to && (a.at === null ? null : Date.parse(a.at)) === (b.at === null ? null : Date.parse(b.at));

const wasOf = (visit: { readonly given_to: number | null; readonly pinned_at: Date | null }) => ({
  to: visit.given_to,
  at: visit.pinned_at?.toISOString() ?? null,
});
