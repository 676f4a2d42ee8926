import { Bench, type Order } from './Bench';
import { dispatch } from './dispatch';
import { improve, type Search } from './improve';
import type { BenchAsked, BenchPlan, PlannedPhase, PlannedVisit, PlanVisit } from './shapes';

/** How far ahead lateness is felt, in mean visits: each is tried, the cheapest is gone on with (Vepsalainen and Morton try 1 to 4.5). */
const LOOKS_AHEAD = [1, 2, 4];

/**
 * The bench plan: who does what, in which order, and when.
 * In: visits as chains of hands-on work and waits, technicians with their shifts, what moving a seen visit costs; minutes from now, cents.
 * Out: each phase with its time, each visit with how late it is, what does not fit; the order that it is made of. What nobody may do and
 * what goes beyond the known shifts is named, not planned. Failures: none; shifts that overlap are a programmer's mistake and throw.
 * Source: dispatching by apparent tardiness cost, then simulated annealing; see `dispatch` and `improve`.
 * Example: one technician, two visits of 60 and 30 minutes without due times and with the same weight: the short one first (Smith 1956).
 */
export function planBench(asked: BenchAsked, search: Search): BenchPlan {
  const names = new Set(asked.technicians.map(({ id }) => id));
  const isDoable = ({ who, phases }: BenchAsked['visits'][number]): boolean =>
    !phases.some(({ hands }) => hands) || who.some((id) => names.has(id));
  const bench = new Bench({ ...asked, visits: asked.visits.filter(isDoable) });
  const nobody = asked.visits.filter((visit) => !isDoable(visit)).map(({ id }) => id);
  const { order } = improve(bench, bestDispatch(bench), search);
  return keepHires(planOf(bench, order, nobody), bench.visits, (visits) => {
    const again = new Bench({ ...asked, visits });
    return planOf(again, bestDispatch(again), nobody);
  });
}

function bestDispatch(bench: Bench): Order {
  const starts = LOOKS_AHEAD.map((ahead) => dispatch(bench, ahead));
  return starts.reduce((best, order) => (costOf(bench, order) < costOf(bench, best) ? order : best));
}

/** No unit is on the bench while it is on hire: what ran into one, which a search that was cut short may leave, waits until it is back. */
function keepHires(
  plan: BenchPlan,
  visits: readonly PlanVisit[],
  again: (visits: readonly PlanVisit[]) => BenchPlan,
): BenchPlan {
  const ran = (visit: PlanVisit) => {
    const planned = plan.visits.find(({ id }) => id === visit.id);
    return visit.away.find(([from, to]) => planned !== undefined && planned.from < to && planned.to > from);
  };
  if (!visits.some(ran)) return plan;
  const later = visits.map((visit) => ({ ...visit, releaseAt: Math.max(visit.releaseAt, ran(visit)?.[1] ?? 0) }));
  return keepHires(again(later), later, again);
}

const costOf = (bench: Bench, order: Order): number =>
  order.reduce((cents, own, who) => cents + bench.reckon(who, own), 0);

/** What an order of work comes to, written out. */
export function planOf(bench: Bench, order: Order, nobody: readonly string[]): BenchPlan {
  costOf(bench, order);
  const whoOf = new Map(order.flatMap((own, who) => own.map((piece) => [bench.pieces[piece]?.visit ?? -1, who])));
  const beyond = new Set([...whoOf].filter(([visit, who]) => isBeyond(bench, visit, who)).map(([visit]) => visit));
  const kept = [...bench.chains.keys()].filter((visit) => !beyond.has(visit));
  const visits = kept.map((visit) => plannedVisit(bench, visit, whoOf.get(visit) ?? null));
  return {
    phases: kept.flatMap((visit) => plannedPhases(bench, visit, whoOf.get(visit) ?? null)),
    visits,
    beyond: [...beyond].map((visit) => ({
      id: bench.visits[visit]?.id ?? '',
      minutes: bench.chains[visit]?.handsMinutes ?? 0,
    })),
    nobody,
    cents: visits.reduce((cents, visit) => cents + visit.cents, 0),
    order: Object.fromEntries(
      order.map((own, who) => [
        bench.names[who] ?? '',
        own.map((at) => ({
          visitId: bench.visits[bench.pieces[at]?.visit ?? -1]?.id ?? '',
          phaseId: bench.pieces[at]?.phaseId ?? '',
        })),
      ]),
    ),
  };
}

function isBeyond(bench: Bench, visit: number, who: number): boolean {
  const last = bench.chains[visit]?.pieces.at(-1) ?? -1;
  const time = bench.times[who];
  return time === undefined || bench.workedAt(last) > time.total;
}

function plannedVisit(bench: Bench, at: number, who: number | null): PlannedVisit {
  const { visit, pieces, notBefore } = bench.chains[at] ?? never(at);
  const to = bench.done[at] ?? 0;
  return {
    id: visit.id,
    who: who === null ? null : (bench.names[who] ?? null),
    from: pieces[0] === undefined ? notBefore : bench.beginOf(who ?? -1, pieces[0]),
    to,
    lateMinutes: visit.dueAt === null ? 0 : Math.max(to - visit.dueAt, 0),
    cents: bench.centsOf(at, who),
  };
}

/** The phases of a visit in time: waits begin when what comes before them ends. */
function plannedPhases(bench: Bench, at: number, who: number | null): PlannedPhase[] {
  const { visit, pieces, notBefore } = bench.chains[at] ?? never(at);
  let end = notBefore;
  let nth = 0;
  return visit.phases.map((phase): PlannedPhase => {
    const piece = phase.hands ? (pieces[nth++] ?? -1) : -1;
    const from = phase.hands ? bench.beginOf(who ?? -1, piece) : end;
    end = phase.hands ? bench.endOf(who ?? -1, piece) : end + phase.minutes;
    const doer = phase.hands && who !== null ? (bench.names[who] ?? null) : null;
    return { visitId: visit.id, phaseId: phase.id, who: doer, from, to: end };
  });
}

function never(at: number): never {
  throw new Error(`visit ${at}`);
}
