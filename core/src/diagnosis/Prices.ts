import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import type { Knowledge, Model } from './compileModel';
import type { CompiledObservation } from './compiled';
import { checkMinutes, minutesToOpen, repairMinutes } from './effort';

/** What a minute and a try cost. */
export interface Costs {
  /** Workplace rate, to turn parts into minutes. */
  readonly centsPerMinute: number;
  /** Minutes to try it after each repair. */
  readonly minutesToTry: number;
}

export const COSTS: Costs = { centsPerMinute: 130, minutesToTry: 5 };

/** What the person has, and what is off already. */
export interface Workplace {
  readonly setUpsDone: ReadonlySet<string>;
  /** Null: every tool is at hand. */
  readonly toolsAtHand: ReadonlySet<string> | null;
}

/** By fault, and last for nothing wrong: minutes to get past it, and then to put it right where one looked first. */
export interface Price {
  readonly pass: Float64Array;
  readonly then: Float64Array;
}

export const SETTLES: Threshold = {
  name: 'A look that misses or mistakes in fewer cases than this settles the question',
  value: 0.15,
  unit: 'odds',
  source: JUDGEMENT,
};
/** No more faults than this may show the same, mostly: else it tells a group of faults, not one. */
const SAME_SHOWN_BY = 3;
/** To get past a fault that somebody looked for already. */
const LOOKED = 0.5;

/** Whether a look settles one fault: it speaks nearly always, and hardly another shows the same. */
function settles(entry: CompiledObservation, f: number): boolean {
  if ((entry.silent[f] as number) > SETTLES.value) return false;
  const shown = entry.shows.reduce((most, table) => ((table[f] as number) > (most[f] as number) ? table : most));
  return shown.filter((part) => part >= 0.5).length <= SAME_SHOWN_BY;
}

/** The looks that see a fault itself; else those named for it; else, but for what is told, those that tell it from nearly all others. */
function settlersOf(
  model: Model,
  knowledge: Knowledge,
  id: string,
  f: number,
  looks: readonly CompiledObservation[],
): string[] {
  const belongs = (observation: string): boolean => model.observations.get(observation)?.belongs === true;
  const direct = knowledge.seenAs.filter((entry) => entry.fault === id).map((entry) => entry.observation);
  const named = direct.length > 0 ? direct : (knowledge.faults[id]?.proof ?? []);
  if (named.length > 0) return [...new Set(named)].filter(belongs);
  return looks
    .filter((entry) => knowledge.observations[entry.id]?.kind !== 'complaint' && settles(entry, f))
    .map((entry) => entry.id);
}

interface OfModel {
  /** By fault: the looks that settle whether it is there. */
  readonly settlers: readonly (readonly string[])[];
  /** By fault: what has to be off for its looks and its repair. */
  readonly wants: readonly ReadonlySet<string>[];
  readonly putRight: readonly (readonly number[])[];
}

const known = new WeakMap<Model, OfModel>();

/** What holds for a model whatever is done to the machine: computed once. */
function ofModel(model: Model, knowledge: Knowledge): OfModel {
  const computed = known.get(model);
  if (computed) return computed;
  const looks = [...model.observations.values()].filter(
    (entry) => entry.belongs && (entry.healthy[0] as number) >= 1 - SETTLES.value,
  );
  const settlers = model.faultIds.map((id, f) => settlersOf(model, knowledge, id, f, looks));
  const wants = model.faultIds.map(
    (id, f) =>
      new Set([
        ...(knowledge.faults[id]?.repair.setUps ?? []),
        ...(settlers[f] as string[]).flatMap((look) => knowledge.observations[look]?.setUps ?? []),
      ]),
  );
  const repairs = model.faultIds.map((id) => knowledge.faults[id]?.repair);
  const fresh = {
    settlers,
    wants,
    putRight: repairs.map((own) =>
      model.faultIds.flatMap((id, f) => (repairs[f]?.title === own?.title || own?.cures?.includes(id) ? [f] : [])),
    ),
  };
  known.set(model, fresh);
  return fresh;
}

/** By fault, all that its repair puts right: a new plug is a new plug, and a bath clears the passages too. */
export const putRightBy = (model: Model, knowledge: Knowledge): readonly (readonly number[])[] =>
  ofModel(model, knowledge).putRight;

export interface Looked {
  /** Checks that can still be made. */
  readonly open: ReadonlySet<string>;
  /** Checks that were made. */
  readonly seen: ReadonlySet<string>;
}

/** Minutes of looks and repairs, as far as things are off and looked at. */
export class Prices {
  private readonly model: Model;
  private readonly knowledge: Knowledge;
  private readonly workplace: Workplace;
  private readonly looked: Looked;
  private readonly costs: Costs;
  private readonly ofModel: OfModel;
  private readonly base: Price;

  constructor(model: Model, knowledge: Knowledge, workplace: Workplace, looked: Looked, costs: Costs) {
    this.model = model;
    this.knowledge = knowledge;
    this.workplace = workplace;
    this.looked = looked;
    this.costs = costs;
    this.ofModel = ofModel(model, knowledge);
    this.base = this.priceAll();
  }

  /** The faults that the repair of this one puts right, itself among them. */
  putRightBy(f: number): readonly number[] {
    return this.ofModel.putRight[f] as readonly number[];
  }

  toolsMissing(id: string): string[] {
    const { toolsAtHand } = this.workplace;
    return toolsAtHand === null
      ? []
      : (this.knowledge.observations[id]?.tools ?? []).filter((tool) => !toolsAtHand.has(tool));
  }

  /** Minutes of a check, after these others. */
  checkMinutes(id: string, after: readonly string[] = []): number {
    return checkMinutes(this.knowledge, id, this.doneAfter(after));
  }

  minutesToTry(): number {
    return this.costs.minutesToTry;
  }

  /** Minutes until a hand gets to a check. */
  minutesToOpen(id: string): number {
    return minutesToOpen(this.knowledge, this.knowledge.observations[id]?.setUps, this.workplace.setUpsDone);
  }

  repairMinutes(id: string): number {
    return repairMinutes(this.knowledge, id, this.workplace.setUpsDone);
  }

  /** Repair whole: minutes, parts and the try after it, as minutes. */
  repairCost(id: string, done: ReadonlySet<string> = this.workplace.setUpsDone): number {
    return (
      repairMinutes(this.knowledge, id, done) +
      (this.knowledge.faults[id]?.repair.partsCents ?? 0) / this.costs.centsPerMinute +
      this.costs.minutesToTry
    );
  }

  private doneAfter(after: readonly string[]): ReadonlySet<string> {
    return after.length === 0
      ? this.workplace.setUpsDone
      : new Set([
          ...this.workplace.setUpsDone,
          ...after.flatMap((id) => this.knowledge.observations[id]?.setUps ?? []),
        ]);
  }

  private canLook(id: string): boolean {
    return this.looked.open.has(id) && this.toolsMissing(id).length === 0;
  }

  /** The cheapest look that settles a fault and was not made; null where repairing it at once is cheaper, or nothing settles it. */
  lookFor(f: number): string | null {
    if (this.base.then[f] === 0) return null;
    const looks = (this.ofModel.settlers[f] as readonly string[])
      .filter((id) => this.canLook(id))
      .map((id) => ({ id, minutes: this.checkMinutes(id) }));
    return looks.sort((x, y) => x.minutes - y.minutes)[0]?.id ?? null;
  }

  /** Prices as things stand, or as they would stand after these checks: looked at, and with their set-ups done. */
  price(after: readonly string[] = []): Price {
    if (after.length === 0) return this.base;
    const done = this.doneAfter(after);
    const fresh = [...done].filter((id) => !this.workplace.setUpsDone.has(id));
    const price = { pass: this.base.pass.slice(), then: this.base.then.slice() };
    for (let f = 0; f < this.model.faultIds.length; f++)
      if (this.isTouched(f, after, fresh)) this.set(price, f, done, after);
    return price;
  }

  private isTouched(f: number, after: readonly string[], fresh: readonly string[]): boolean {
    return (
      (this.ofModel.settlers[f] as readonly string[]).some((id) => after.includes(id)) ||
      fresh.some((id) => (this.ofModel.wants[f] as ReadonlySet<string>).has(id))
    );
  }

  private priceAll(): Price {
    const n = this.model.faultIds.length;
    const price = { pass: new Float64Array(n + 1), then: new Float64Array(n + 1) };
    for (let f = 0; f < n; f++) this.set(price, f, this.workplace.setUpsDone, []);
    price.pass[n] = this.costs.minutesToTry;
    return price;
  }

  private set(price: Price, f: number, done: ReadonlySet<string>, after: readonly string[]): void {
    const repair = this.repairCost(this.model.faultIds[f] as string, done);
    const look = this.lookMinutes(f, done, after);
    price.pass[f] = Math.min(look, repair);
    price.then[f] = look < repair ? repair : 0;
  }

  private lookMinutes(f: number, done: ReadonlySet<string>, after: readonly string[]): number {
    let least = Number.POSITIVE_INFINITY;
    for (const id of this.ofModel.settlers[f] as readonly string[]) {
      if (after.includes(id) || this.looked.seen.has(id)) return LOOKED;
      if (this.canLook(id)) least = Math.min(least, checkMinutes(this.knowledge, id, done));
    }
    return least;
  }
}
