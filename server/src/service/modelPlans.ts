import { SERVICE_PLANS, type ClassId } from '@hudrik/core/catalogue';
import type { ModelPlan } from '@hudrik/core/contracts';
import { planOf, USUAL_PLAN, wrongOfPlan, type OwnPlan, type UnitPlan } from '@hudrik/core/service';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db, Trx } from '../database/tables';
import { partOfNumber } from '../parts/shelf';
import { refuse } from '../refusal';

/** The plans that models have of their own, by model: the newest version of each. */
export async function ownPlans(
  db: Db | Trx,
): Promise<ReadonlyMap<number, { readonly version: number; readonly plan: OwnPlan }>> {
  const rows = await db
    .selectFrom('model_plan')
    .distinctOn('model_id')
    .select(['model_id', 'version', 'plan'])
    .orderBy('model_id')
    .orderBy('version', 'desc')
    .execute();
  return new Map(rows.map(({ model_id: id, version, plan }) => [id, { version, plan }]));
}

type OwnPlans = Awaited<ReturnType<typeof ownPlans>>;

/** The plan that a unit is serviced by: its model's, else its class's, by how hard it works itself. */
export function planIn(plans: OwnPlans, classId: ClassId, modelId: number, severity = 1): UnitPlan {
  const own = plans.get(modelId);
  return planOf(SERVICE_PLANS[classId], own?.plan ?? null, own?.version ?? SERVICE_PLANS[classId].version, severity);
}

/** Of one unit. */
export async function planOfUnit(db: Db | Trx, unitId: number): Promise<UnitPlan> {
  const unit = await db
    .selectFrom('unit')
    .select(['class_id', 'model_id', 'severity'])
    .where('id', '=', unitId)
    .executeTakeFirstOrThrow();
  return planIn(await ownPlans(db), unit.class_id, unit.model_id, unit.severity);
}

/** A model with its own plan, and the one that it comes to. */
export async function readModelPlan(db: Db, modelId: number): Promise<ModelPlan> {
  const model = await db
    .selectFrom('model')
    .select(['id', 'class_id', 'make', 'name'])
    .where('id', '=', modelId)
    .executeTakeFirst();
  if (model === undefined) return refuse('not-found', { model: modelId });
  const plans = await ownPlans(db);
  const { version, items, kits } = planIn(plans, model.class_id, model.id);
  return {
    model: { id: model.id, classId: model.class_id, make: model.make, name: model.name },
    version,
    own: plans.get(modelId)?.plan ?? USUAL_PLAN,
    items: items.map(({ id, every, firstHours, minutes, includes }) => ({
      id,
      hours: every.hours ?? null,
      months: every.months ?? null,
      firstHours: firstHours ?? null,
      minutes,
      includes: [...includes],
      kit: kits[id] ?? null,
    })),
  };
}

interface NewPlan {
  readonly seenVersion?: number | undefined;
  readonly plan: OwnPlan;
}

/** A new version of a model's own plan. What cannot be is refused with what is wrong of it; so is one made from a version that is not the newest. */
export async function changeModelPlan(
  { db, now }: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  modelId: number,
  { plan, seenVersion }: NewPlan,
): Promise<ModelPlan> {
  await inTransaction(db, async (trx) => {
    const model = await trx
      .selectFrom('model')
      .select(['id', 'class_id'])
      .where('id', '=', modelId)
      .forUpdate()
      .executeTakeFirst();
    if (model === undefined) return refuse('not-found', { model: modelId });
    const ofClass = SERVICE_PLANS[model.class_id];
    const wrong = wrongOfPlan(ofClass, plan);
    if (wrong !== null) refuse('not-valid', { field: wrong.item ?? wrong.code, why: wrong.code });
    // A kit that is not known would stand in the way of its service.
    for (const { kit } of plan.items) if (kit) await partOfNumber(trx, kit);
    const version = (await ownPlans(trx)).get(modelId)?.version ?? ofClass.version;
    if (seenVersion !== undefined && seenVersion !== version) refuse('changed-meanwhile', { version });
    await trx
      .insertInto('model_plan')
      .values({
        model_id: modelId,
        version: version + 1,
        plan: JSON.stringify(plan),
        made_at: now(),
        made_by: actor?.id ?? null,
      })
      .execute();
  });
  return readModelPlan(db, modelId);
}
