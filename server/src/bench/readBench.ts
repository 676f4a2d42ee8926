import { createHash } from 'node:crypto';
import type { BenchReply } from '@hudrik/core/contracts';
import { adviceOf, changesOf, type BenchAsked, type PlanVisit, type Seen } from '@hudrik/core/planning';
import type { Selectable } from 'kysely';
import type { ClassId } from '@hudrik/core/catalogue';
import { notifyChange } from '../background/notify';
import type { Context } from '../context';
import type { Db, Tables } from '../database/tables';
import type { NextHire } from '../hires/assigned';
import { readFree } from '../hires/free';
import { Watch } from '../sums/Watch';
import type { BenchVisit, BenchFacts } from './benchFacts';
import { readBenchFacts } from './benchFacts';

const MINUTE_MS = 60_000;
/** A change is planned in so long; longer when somebody asks for it. */
const AT_ONCE_MS = 300;
/** A plan older than that is made anew: time went by. */
const FRESH_MINUTES = 15;

type Asking = Pick<Context, 'db' | 'now' | 'sums'>;
type KeptPlan = Selectable<Tables['bench_plan']>;

/** The plan of the bench: the one that people saw, or, where anything that it was made of is another now, a new one with as little moved as pays. */
export async function readBench(context: Asking): Promise<BenchReply> {
  const facts = await readBenchFacts(context);
  const kept = await keptPlan(context);
  if (kept?.fingerprint === fingerprintOf(facts)) return replyOf(context, facts, kept);
  return replyOf(context, facts, await makePlan(context, facts, kept, AT_ONCE_MS));
}

/** Plans anew, as long as somebody gives it, or until it is stopped: the best so far stands. */
export async function planAnew(context: Asking & Pick<Context, 'searches'>, seconds: number): Promise<BenchReply> {
  const facts = await readBenchFacts(context);
  const watch = new Watch();
  const end = await context.searches.begin(watch);
  try {
    const kept = await keptPlan(context);
    return await replyOf(context, facts, await keepNewPlan(context, facts, kept, { ms: seconds * 1000, watch }));
  } finally {
    await end();
  }
}

const keptPlan = ({ db }: Asking): Promise<KeptPlan | undefined> =>
  db.selectFrom('bench_plan').selectAll().executeTakeFirst();

/** Instants nearer to each other are the same one: minutes from now are rounded. */
const SAME_MS = 5 * MINUTE_MS;

/** What the plan is made of, whenever it is looked at: instants, and not how far away they are. */
function fingerprintOf({ at, asked, hands }: BenchFacts): string {
  const instant = (minute: number): number => Math.round((at.getTime() + minute * MINUTE_MS) / SAME_MS);
  const visits = asked.visits.map((visit) => ({
    ...visit,
    phases: visit.phases.map(({ id, hands: byHand, minutes }) => (byHand ? [id, minutes] : [id])),
    releaseAt: visit.releaseAt <= 0 ? 0 : instant(visit.releaseAt),
    dueAt: visit.dueAt === null ? null : instant(visit.dueAt),
    pinnedAt: visit.pinnedAt === null ? null : instant(visit.pinnedAt),
    away: visit.away.map(([from, to]) => [instant(from), instant(to)]),
  }));
  const shifts = hands.map((hand) => [
    hand.id,
    hand.shifts.filter(([from]) => from > 0).map(([from, to]) => [instant(from), to - from]),
  ]);
  const turn = Math.floor(at.getTime() / (FRESH_MINUTES * MINUTE_MS));
  return createHash('sha256')
    .update(JSON.stringify([visits, shifts, asked.technicians.map(({ places }) => places), turn]))
    .digest('base64url');
}

/** Plans under way, by what they are made of: who asks meanwhile gets the same one. */
const underWay = new WeakMap<Db, Map<string, Promise<KeptPlan>>>();

function makePlan(context: Asking, facts: BenchFacts, kept: KeptPlan | undefined, ms: number): Promise<KeptPlan> {
  const plans = underWay.get(context.db) ?? new Map<string, Promise<KeptPlan>>();
  underWay.set(context.db, plans);
  const key = `${fingerprintOf(facts)} ${ms}`;
  const making = plans.get(key) ?? keepNewPlan(context, facts, kept, { ms }).finally(() => plans.delete(key));
  plans.set(key, making);
  return making;
}

async function keepNewPlan(
  context: Asking,
  facts: BenchFacts,
  kept: KeptPlan | undefined,
  { ms, watch }: { readonly ms: number; readonly watch?: Watch },
): Promise<KeptPlan> {
  const before: Seen | null = kept ? { at: kept.made_at.getTime(), asked: kept.asked, plan: kept.plan } : null;
  const asked: BenchAsked = {
    ...facts.asked,
    visits: facts.asked.visits.map((visit) => withSeen(visit, before, facts.at)),
  };
  const { plan, promises } = await context.sums.planBench(asked, { ms }, watch);
  const changes = before === null ? [] : changesOf(before, { at: facts.at.getTime(), asked, plan });
  const row = {
    made_at: facts.at,
    fingerprint: fingerprintOf(facts),
    asked: JSON.stringify(asked),
    plan: JSON.stringify(plan),
    promises: JSON.stringify(promises),
    changes: JSON.stringify(changes),
    tags: JSON.stringify({
      ...kept?.tags,
      ...Object.fromEntries(facts.visits.map(({ visit, tag }) => [visit.id, tag])),
    }),
  };
  const made = await context.db
    .insertInto('bench_plan')
    .values(row)
    .onConflict((conflict) => conflict.column('only_one').doUpdateSet(row))
    .returningAll()
    .executeTakeFirstOrThrow();
  await notifyChange(context.db, { what: 'bench', id: made.fingerprint });
  return made;
}

/** Where a visit stood in the plan that people saw, as far as it lies ahead. */
function withSeen(visit: PlanVisit, before: Seen | null, at: Date): PlanVisit {
  const was = before?.plan.visits.find(({ id }) => id === visit.id);
  if (before === null || was === undefined || was.who === null) return visit;
  const from = Math.round((before.at + was.from * MINUTE_MS - at.getTime()) / MINUTE_MS);
  return { ...visit, seen: { who: was.who, from: Math.max(from, 0) } };
}

async function replyOf(
  { db }: Asking,
  facts: BenchFacts,
  { made_at: madeAt, asked, plan, promises, changes, tags }: KeptPlan,
): Promise<BenchReply> {
  const since = Math.round((facts.at.getTime() - madeAt.getTime()) / MINUTE_MS);
  const late = new Set(plan.visits.filter(({ lateMinutes }) => lateMinutes >= 1).map(({ id }) => id));
  return {
    now: facts.at.toISOString(),
    at: madeAt.toISOString(),
    minutesSince: since,
    people: facts.hands.map(({ id, name, role }) => ({ id: String(id), name, role })),
    visits: await Promise.all(facts.visits.map((visit) => lineOf(db, visit, late.has(String(visit.visit.id))))),
    asked,
    plan,
    promises,
    advice: adviceOf(asked, plan),
    changes: changes.map((change) => ({ ...change, tag: tags[change.id] ?? '' })),
  };
}

async function lineOf(db: Db, shown: BenchVisit, isLate: boolean): Promise<BenchReply['visits'][number]> {
  const { visit, tag, classId, readiness, because, jobs, phases, part, hire, inHandBy } = shown;
  return {
    id: String(visit.id),
    jobId: String(jobs[0]?.id ?? ''),
    ...{ tag, classId, readiness, because: [...because] },
    titles: jobs.map(({ title }) => title),
    state: visit.state,
    hire: hire && { reference: hire.reference, fromAt: hire.fromAt.toISOString(), isOwn: hire.isOwn },
    part: part && { name: part.name, at: part.at?.toISOString() ?? null },
    instead: isLate && hire ? await fitAndFree(db, classId, hire) : null,
    what: Object.fromEntries(phases.map(({ id, what }) => [id, what])),
    givenTo: visit.given_to === null ? null : String(visit.given_to),
    pinnedAt: visit.pinned_at?.toISOString() ?? null,
    inHandBy: inHandBy === null ? null : String(inHandBy),
  };
}

/** Another one that could go in its place. */
async function fitAndFree(db: Db, classId: ClassId, { fromAt, toAt }: NextHire): Promise<string | null> {
  const { units } = await readFree(db, { class: classId, from: fromAt.toISOString(), to: toAt.toISOString() });
  return units.find(({ verdict }) => verdict.readiness === 'fit')?.tag ?? null;
}
