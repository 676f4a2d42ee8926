import { FUELS, TANKS, type ClassId, type FuelId } from '@hudrik/core/catalogue';
import type { FuelLevel, UnitFuel } from '@hudrik/core/contracts';
import {
  eventsOfLayUp,
  litresOf,
  passportOf,
  stateOf,
  type FuelEvent,
  type LayUpFuel,
  type Passport,
} from '@hudrik/core/fuel';
import { isOf } from '@hudrik/core/log';
import { sql } from 'kysely';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { unitByTag } from '../fleet/units';

/** What a unit's tank is: its model's, else its class's. */
interface Tank {
  readonly litres: number;
  readonly isMetal: boolean;
  readonly hasTap: boolean;
}

interface ModelTank {
  readonly class_id: ClassId;
  readonly tank_litres: number | null;
  readonly metal_tank: boolean | null;
  readonly fuel_tap: boolean | null;
}

function tankOf(model: ModelTank): Tank {
  const usual = TANKS[model.class_id];
  return {
    litres: model.tank_litres ?? usual.litres,
    isMetal: model.metal_tank ?? usual.isMetal,
    hasTap: model.fuel_tap ?? usual.hasTap,
  };
}

const FUEL_KINDS = ['check-in', 'check-out', 'fuelled', 'fuel-out', 'fuel-seen', 'laid-up'] as const;
/** What was poured in before so many fills, levels and drains is burnt long since. */
const TOLD = 16;
const EIGHTHS = 8;

export interface FuelOfUnit {
  readonly unitId: number;
  readonly tag: string;
  readonly classId: ClassId;
  readonly modelId: number;
  readonly tank: Tank;
  readonly passport: Passport;
  readonly events: readonly FuelEvent[];
}

/** The fuel of one unit, or of all that are not gone. */
export async function readFuel(db: Db, unitId?: number): Promise<FuelOfUnit[]> {
  const units = await db
    .selectFrom('unit as u')
    .innerJoin('model as m', 'm.id', 'u.model_id')
    .select(['u.id', 'u.tag', 'u.class_id', 'u.model_id', 'm.tank_litres', 'm.metal_tank', 'm.fuel_tap'])
    .$if(unitId !== undefined, (query) => query.where('u.id', '=', unitId ?? 0))
    .$if(unitId === undefined, (query) => query.where('u.gone_at', 'is', null))
    .orderBy('u.tag')
    .execute();
  const { unknown_fuel: unknown } = await db
    .selectFrom('yard_settings')
    .select('unknown_fuel')
    .executeTakeFirstOrThrow();
  const entries = await newestEntries(db, unitId);
  const byUnit = grouped(entries);
  return units.map(({ id, tag, ...model }) => {
    const tank = tankOf(model);
    const events = (byUnit.get(id) ?? []).flatMap((entry) =>
      eventsOf(entry, tank.litres, TANKS[model.class_id].litresPerHour),
    );
    return {
      ...{ unitId: id, tag, classId: model.class_id, modelId: model.model_id, tank, events },
      passport: passportOf(events, tank.litres, unknown),
    };
  });
}

/** Each unit's newest entries that say something of its fuel, the oldest of them first. */
const newestEntries = (db: Db, unitId?: number) =>
  db
    .with('told', (with_) =>
      with_
        .selectFrom('log_entry')
        .select(['unit_id', 'kind', 'facts', 'outcome', 'at', 'place'])
        .select(sql<number>`row_number() over (partition by unit_id order by at desc, place desc)`.as('nth'))
        .where('kind', 'in', FUEL_KINDS)
        .$if(unitId !== undefined, (query) => query.where('unit_id', '=', unitId ?? 0)),
    )
    .selectFrom('told')
    .select(['unit_id', 'kind', 'facts', 'outcome', 'at'])
    .where('nth', '<=', TOLD)
    .orderBy('at')
    .orderBy('place')
    .execute();

function grouped<T extends { readonly unit_id: number | null }>(rows: readonly T[]): Map<number, T[]> {
  const groups = new Map<number, T[]>();
  for (const row of rows) {
    const own = groups.get(row.unit_id ?? 0);
    if (own) own.push(row);
    else groups.set(row.unit_id ?? 0, [row]);
  }
  return groups;
}

interface Written {
  readonly kind: string;
  readonly facts: unknown;
  readonly outcome: unknown;
  readonly at: Date;
}

/** What an entry says of the fuel. */
function eventsOf(entry: Written, tankLitres: number, burn: number): FuelEvent[] {
  const at = entry.at.getTime();
  if (isOf(entry, 'check-in') || isOf(entry, 'check-out')) {
    const ran = isOf(entry, 'check-in') ? (entry.outcome.hoursRun ?? 0) * burn : 0;
    return [
      ...(ran > 0 ? [{ what: 'ran', at, litres: ran } as const] : []),
      { what: 'level', at, share: entry.facts.fuelEighths / EIGHTHS },
    ];
  }
  if (isOf(entry, 'laid-up')) return eventsOfLayUp(entry.facts.method, at, tankLitres, saidOf(entry));
  if (isOf(entry, 'fuelled')) {
    const { litres, pouredAt } = entry.facts;
    const { fuel = 'e10', boughtAt = null, isTreated = false } = entry.outcome;
    const when = pouredAt === undefined ? at : Date.parse(pouredAt);
    return [
      { what: 'poured', at: when, litres, fuel, boughtAt: boughtAt === null ? null : Date.parse(boughtAt), isTreated },
    ];
  }
  if (isOf(entry, 'fuel-seen')) {
    const { fuelEighths, seenAt } = entry.facts;
    return [{ what: 'level', at: seenAt === undefined ? at : Date.parse(seenAt), share: fuelEighths / EIGHTHS }];
  }
  return isOf(entry, 'fuel-out') ? eventsOfFuelOut(entry.facts, at) : [];
}

/** What was said of its fuel when it was laid up; null: nothing, as before it was asked. */
function saidOf({
  facts,
  outcome,
}: {
  readonly facts: LaidUpFacts;
  readonly outcome: LaidUpOutcome;
}): LayUpFuel | null {
  if (outcome.drained === undefined) return null;
  const { poured: litres = 0, fuel = 'e0', boughtAt } = outcome;
  return {
    staysIn: facts.staysIn === true,
    poured: litres > 0 && boughtAt !== undefined ? { litres, fuel, boughtAt: Date.parse(boughtAt) } : null,
  };
}

interface LaidUpFacts {
  readonly staysIn?: boolean | undefined;
}
interface LaidUpOutcome {
  readonly drained?: number | undefined;
  readonly poured?: number | undefined;
  readonly fuel?: FuelId | undefined;
  readonly boughtAt?: string | undefined;
}

interface FuelOut {
  readonly litres?: number | null | undefined;
  readonly bowl?: 'wet' | 'run-dry' | 'drained' | undefined;
  readonly isTapShut?: boolean | null | undefined;
  readonly isTreated: boolean;
  readonly doneAt?: string | undefined;
}

function eventsOfFuelOut({ litres, bowl, isTapShut = null, isTreated, doneAt }: FuelOut, at: number): FuelEvent[] {
  const when = doneAt === undefined ? at : Date.parse(doneAt);
  return [
    ...(isTreated ? [{ what: 'treated', at: when } as const] : []),
    ...(litres === undefined ? [] : [{ what: 'drained', at: when, litres } as const]),
    ...(bowl === undefined ? [] : [{ what: 'line', at: when, bowl, isTapShut } as const]),
  ];
}

/** The fuel of a unit as its page shows it. */
export async function readUnitFuel({ db, now }: Pick<Context, 'db' | 'now'>, tag: string): Promise<UnitFuel> {
  const unit = await unitByTag(db, tag);
  const [fuel] = await readFuel(db, unit.id);
  if (fuel === undefined) throw new Error(`Unit ${tag} is not read`);
  return toUnitFuel(fuel, now());
}

/** How much is in the tank of a unit; null: nothing was ever written down. */
export async function readLevel(db: Db, unitId: number): Promise<FuelLevel | null> {
  const [fuel] = await readFuel(db, unitId);
  return fuel === undefined || fuel.events.length === 0 ? null : levelIn(fuel.passport, fuel.tank.litres);
}

const levelIn = ({ blend, seenAt, ranSince }: Passport, holds: number): FuelLevel => ({
  ...{ litres: litresOf(blend), holds, ranSince },
  seenAt: seenAt === null ? null : instantOf(seenAt),
});

export function toUnitFuel({ tag, classId, modelId, tank, passport }: FuelOfUnit, now: Date): UnitFuel {
  const state = stateOf(passport.blend, now.getTime());
  return {
    ...{
      tag,
      classId,
      modelId,
      tank,
      bowl: passport.bowl,
      isTapShut: passport.isTapShut,
      overflowed: passport.overflowed,
    },
    level: levelIn(passport, tank.litres),
    state: state && { ...state, staleBy: instantOf(state.staleBy), isStale: state.spent >= 1 },
    portions: passport.blend.map(({ litres, ethanol, boughtAt, keepsDays, isUnknown }) => ({
      ...{ litres, ethanol, isUnknown },
      boughtAt: instantOf(boughtAt),
      isTreated: !Object.values(FUELS).some((fuel) => fuel.keepsDays === keepsDays && fuel.ethanol === ethanol),
    })),
  };
}

/** Far enough ahead is for ever. */
const LAST = Date.UTC(2199, 0, 1);
const instantOf = (ms: number): string => new Date(Math.min(ms, LAST)).toISOString();
