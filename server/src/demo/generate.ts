import { classOf, type ClassId } from '@hudrik/core/catalogue';
import { chanceOf, type Chance } from './chance';
import { Rows } from './rows';
import { BOOKED, MODELS, YARD, type Berth } from './scenario';
import { UnitLife } from './unitLife';

export interface Scale {
  readonly seed: string;
  readonly now: Date;
  /** Each berth of the scenario, so many times over. */
  readonly times: number;
  readonly days: number;
  readonly gapDays: number;
  readonly notesPerHire: number;
  readonly personIds: { readonly counter: number; readonly technicians: readonly number[] };
}

export const DEMO_SCALE = { seed: 'ferry-landing', times: 1, days: 730, gapDays: 12, notesPerHire: 0 } as const;

/** The whole yard with its past, from a seed: the demo at scale one, the bench at a larger one. */
export function generateYard(scale: Scale): Rows {
  const rows = new Rows();
  const chance = chanceOf(scale.seed);
  for (const model of MODELS)
    rows.add('model', {
      class_id: model.classId,
      make: model.make,
      name: model.name,
      data_sheet: { engine: model.engine, limits: model.limits ?? {}, ...model.sheet },
    });
  const ids = new Map<string, number>();
  for (const berth of YARD)
    for (let n = 0; n < berth.fates.length * scale.times; n++)
      ids.set(`${berth.classId} ${n + 1}`, liveUnit(rows, chance, scale, berth, n));
  for (const [n, booked] of BOOKED.entries())
    book(
      rows,
      scale.now,
      booked,
      n,
      booked.place === null ? null : (ids.get(`${booked.classId} ${booked.place}`) ?? null),
    );
  return rows;
}

function liveUnit(rows: Rows, chance: Chance, scale: Scale, berth: Berth, n: number): number {
  const now = scale.now.getTime();
  const models = MODELS.flatMap((model, at) => (model.classId === berth.classId ? [at + 1] : []));
  return new UnitLife(rows, chance, {
    classId: berth.classId,
    modelId: models[n % models.length] ?? 1,
    tag: `${classOf(berth.classId).letters}-${String(n + 1).padStart(2, '0')}`,
    place: n + 1,
    fate: berth.fates[n % berth.fates.length] ?? { stands: 'fit' },
    beganAt: now - scale.days * 86_400_000,
    now,
    gapDays: scale.gapDays,
    notesPerHire: scale.notesPerHire,
    personIds: scale.personIds,
  }).live();
}

const FRIDAY = 5;
/** Days to the next Friday, today's not counted. */
const daysToFriday = (from: Date): number => ((FRIDAY - from.getDay() + 6) % 7) + 1;

function book(
  rows: Rows,
  now: Date,
  booked: { on: number | 'friday'; hour: number; days: number; classId: ClassId },
  n: number,
  unitId: number | null,
): void {
  const from = new Date(now);
  from.setDate(from.getDate() + (booked.on === 'friday' ? daysToFriday(from) : booked.on));
  from.setHours(booked.hour, 0, 0, 0);
  const to = new Date(from.getTime() + booked.days * 86_400_000 - 2 * 3_600_000);
  rows.add('hire', {
    reference: `B-${String(1040 + n)}`,
    class_id: booked.classId,
    unit_id: unitId,
    from_at: from.toISOString(),
    to_at: to.toISOString(),
    state: 'booked',
  });
}
