import type { ClassId } from '@hudrik/core/catalogue';
import { assignHires, helpFor, type ClassHire, type ClassUnit, type Help, type OwnHire } from '@hudrik/core/hires';
import { EIGHT_IN_TEN, soonestDone, type BenchPlan, type Promised as Sure } from '@hudrik/core/planning';
import type { Readiness } from '@hudrik/core/readiness';
import type { Db } from '../database/tables';
import { readServiceFacts, type ServiceFacts } from '../service/serviceFacts';
import { firstDueIn, overrunBy } from '../service/unitService';

const MINUTE_MS = 60_000;
const DAY_MINUTES = 1440;
/** Hires are given units so far ahead: later the yard is another one. */
const AHEAD_DAYS = 21;

/** A booked hire that waits for a unit. */
export interface NextHire {
  readonly reference: string;
  readonly fromAt: Date;
  readonly toAt: Date;
  /** The unit itself is booked; else it is the one that a booking of its class is given. */
  readonly isOwn: boolean;
}

/** When a unit is out or promised, and what waits for it next: nothing, where it is only out. */
export interface Promised {
  readonly unitId: number;
  readonly next: NextHire | null;
  readonly spans: readonly (readonly [from: Date, to: Date])[];
}

/** A hire that is not over, with the unit that it has or is given. */
interface AssignedHire {
  readonly id: number;
  readonly reference: string;
  readonly classId: ClassId;
  readonly state: 'booked' | 'out' | 'back';
  readonly fromAt: Date;
  readonly toAt: Date;
  readonly hirer: string;
  readonly tag: string | null;
  readonly isOwn: boolean;
  /** An item of the unit's service runs out while it is out. */
  readonly overruns: boolean;
  /** Where none can be given: what would cover it. */
  readonly help: Help | null;
}

interface AssignedUnit {
  readonly unitId: number;
  readonly tag: string;
  readonly classId: ClassId;
  readonly readiness: Readiness;
  /** Days until the first item of its service falls due; null: not in sight. */
  readonly dueInDays: number | null;
}

export interface Assigned {
  readonly units: readonly AssignedUnit[];
  readonly hires: readonly AssignedHire[];
}

/** Every hire with its unit, those of a class with the one that the sum gives them. What was given is kept, so that the next sum shuffles little. */
export async function readAssignment(db: Db, at: Date): Promise<Assigned> {
  const facts = await readServiceFacts(db, at);
  const hires = await openHires(db, at);
  const ready = await readyTimes(db, at);
  const minute = (moment: Date): number => Math.round((moment.getTime() - at.getTime()) / MINUTE_MS);
  const units = facts.filter(({ readiness }) => readiness !== 'laid-up').map((unit) => unitOf(unit, at));
  const classes = [...new Set(hires.filter(({ tag }) => tag === null).map(({ classId }) => classId))];
  const given = classes.flatMap((classId) => {
    const asked = hires
      .filter((hire) => hire.classId === classId && hire.tag === null)
      .map((hire) => classHire(hire, minute));
    const own = hires.flatMap((hire): (OwnHire & { isOut: boolean })[] =>
      hire.classId === classId && hire.tag !== null
        ? [
            {
              reference: hire.reference,
              tag: hire.tag,
              from: minute(hire.fromAt),
              to: minute(hire.toAt),
              isOut: hire.state !== 'booked',
            },
          ]
        : [],
    );
    const there = units.filter((unit) => unit.classId === classId).map((unit) => classUnit(unit, own, ready));
    const lines = assignHires(asked, there);
    const full = there.map((unit) => ({ ...unit, taken: [...unit.taken, ...givenSpans(lines, asked, unit.tag)] }));
    return lines.map((line) => {
      const hire = asked.find(({ reference }) => reference === line.reference);
      const help =
        line.tag === null && hire
          ? helpFor(
              hire,
              full,
              soonestOf(ready),
              own.filter(({ isOut }) => !isOut),
            )
          : null;
      return { ...line, help };
    });
  });
  const lineOf = new Map(given.map((line) => [line.reference, line]));
  const assigned = hires.map(({ was: _, ...hire }): AssignedHire => {
    const line = lineOf.get(hire.reference);
    return {
      ...hire,
      isOwn: hire.tag !== null,
      tag: hire.tag ?? line?.tag ?? null,
      overruns: line?.overruns ?? false,
      help: line?.help ?? null,
    };
  });
  await keepGiven(db, at, assigned, units);
  return { units, hires: withOwnOverruns(assigned, facts, at) };
}

type OpenHire = Omit<AssignedHire, 'isOwn' | 'overruns' | 'help'> & { readonly was: string | null };

async function openHires(db: Db, at: Date): Promise<OpenHire[]> {
  const rows = await db
    .selectFrom('hire as h')
    .leftJoin('unit as u', 'u.id', 'h.unit_id')
    .leftJoin('hire_assignment as a', 'a.hire_id', 'h.id')
    .leftJoin('unit as w', 'w.id', 'a.unit_id')
    .select([
      'h.id',
      'h.reference',
      'h.class_id as classId',
      'h.state',
      'h.from_at as fromAt',
      'h.to_at as toAt',
      'h.hirer',
      'u.tag',
      'w.tag as was',
    ])
    .where('h.state', 'in', ['booked', 'out', 'back'])
    // One that was never fetched and is over waits for nothing.
    .where((eb) => eb.or([eb('h.state', '<>', 'booked'), eb('h.to_at', '>', at)]))
    .where('h.from_at', '<', new Date(at.getTime() + AHEAD_DAYS * DAY_MINUTES * MINUTE_MS))
    .orderBy('h.from_at')
    .orderBy('h.reference')
    .execute();
  return rows.map((row) => ({ ...row, state: row.state as OpenHire['state'] }));
}

const classHire = ({ reference, fromAt, toAt, was }: OpenHire, minute: (moment: Date) => number): ClassHire => ({
  reference,
  from: minute(fromAt),
  to: minute(toAt),
  was,
});

function unitOf(facts: ServiceFacts, at: Date): AssignedUnit {
  const { unitId, tag, classId, readiness } = facts;
  return { unitId, tag, classId, readiness, dueInDays: firstDueIn(facts, at) };
}

function classUnit(unit: AssignedUnit, own: readonly OwnHire[], ready: ReadonlyMap<string, Ready>): ClassUnit {
  const planned = ready.get(unit.tag);
  const isReady = unit.readiness === 'fit' || unit.readiness === 'out';
  return {
    tag: unit.tag,
    readyAt: isReady ? 0 : (planned?.at ?? Infinity),
    // The time of the plan is the one that holds eight times in ten.
    sure: isReady ? 1 : EIGHT_IN_TEN,
    taken: own.filter(({ tag }) => tag === unit.tag).map(({ from, to }) => [from, Math.max(to, 0)] as const),
    dueAt: unit.dueInDays === null ? Infinity : unit.dueInDays * DAY_MINUTES,
  };
}

const givenSpans = (
  lines: readonly { readonly reference: string; readonly tag: string | null }[],
  asked: readonly ClassHire[],
  tag: string,
) =>
  lines
    .filter((line) => line.tag === tag)
    .flatMap(({ reference }) => asked.filter((hire) => hire.reference === reference))
    .map(({ from, to }) => [from, to] as const);

interface Ready {
  /** Minutes from now at which the plan has it done, eight times in ten. */
  readonly at: number;
  /** If it came first. */
  readonly soonest: number;
}

/** By tag: when what is on the bench is ready, as the plan has it that people see. */
async function readyTimes(db: Db, at: Date): Promise<Map<string, Ready>> {
  const kept = await db.selectFrom('bench_plan').select(['made_at', 'plan', 'promises', 'asked']).executeTakeFirst();
  if (kept === undefined) return new Map();
  const since = (at.getTime() - kept.made_at.getTime()) / MINUTE_MS;
  const visits = await db
    .selectFrom('visit as v')
    .innerJoin('unit as u', 'u.id', 'v.unit_id')
    .select(['v.id', 'u.tag'])
    .where('v.ended_at', 'is', null)
    .execute();
  return new Map(
    visits.flatMap(({ id, tag }) => {
      const done = doneOf(kept.plan, kept.promises, String(id));
      const asked = kept.asked.visits.find((visit) => visit.id === String(id));
      const alone = asked ? soonestDone(kept.asked, { ...asked, pinnedAt: null }) : Infinity;
      return done === null ? [] : [[tag, { at: done - since, soonest: Math.min(alone, done) - since }] as const];
    }),
  );
}

const doneOf = (plan: BenchPlan, promises: readonly Sure[], id: string): number | null =>
  promises.find((one) => one.id === id)?.eightInTen ?? plan.visits.find((one) => one.id === id)?.to ?? null;

const soonestOf = (ready: ReadonlyMap<string, Ready>): Map<string, number> =>
  new Map([...ready].map(([tag, { soonest }]) => [tag, soonest]));

async function keepGiven(
  db: Db,
  at: Date,
  hires: readonly AssignedHire[],
  units: readonly AssignedUnit[],
): Promise<void> {
  const rows = hires.flatMap(({ id, tag, isOwn }) => {
    const unit = units.find((one) => one.tag === tag);
    return isOwn || unit === undefined ? [] : [{ hire_id: id, unit_id: unit.unitId, made_at: at }];
  });
  if (rows.length === 0) return;
  await db
    .insertInto('hire_assignment')
    .values(rows)
    .onConflict((conflict) =>
      conflict
        .column('hire_id')
        .doUpdateSet((eb) => ({ unit_id: eb.ref('excluded.unit_id'), made_at: eb.ref('excluded.made_at') }))
        .whereRef('hire_assignment.unit_id', '<>', 'excluded.unit_id'),
    )
    .execute();
}

/** A hire of a unit's own that runs over one of its items, too. */
function withOwnOverruns(hires: readonly AssignedHire[], facts: readonly ServiceFacts[], at: Date): AssignedHire[] {
  const over = new Set(facts.flatMap((unit) => overrunBy(unit, at)));
  return hires.map((hire) => (over.has(hire.reference) ? { ...hire, overruns: true } : hire));
}

/** By unit: when it is out or promised, its own hires and those that it is given, and the next of them. */
export async function readAssigned(db: Db, at: Date): Promise<Promised[]> {
  const { units, hires } = await readAssignment(db, at);
  return units.flatMap(({ unitId, tag }): Promised[] => {
    // One that no unit can be given waits for the visit that would cover it.
    const own = hires.filter(
      (hire) => (hire.tag ?? hire.help?.visit) === tag && (hire.state === 'out' || hire.toAt > at),
    );
    if (own.length === 0) return [];
    const booked = own.find((hire) => hire.state === 'booked');
    return [
      {
        unitId,
        next: booked === undefined ? null : nextOf(booked),
        spans: own.map((hire) => [hire.fromAt, hire.toAt] as const),
      },
    ];
  });
}

const nextOf = ({ reference, fromAt, toAt, isOwn }: AssignedHire): NextHire => ({ reference, fromAt, toAt, isOwn });
