import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { likelihoodsOf, type ExplainingSets } from './explainingSets';
import type { Model } from './compileModel';
import type { CompiledObservation } from './compiled';
import type { Price, Prices } from './Prices';
import { inOrder, type Choice, type Step, type ToPutRight } from './steps';

/** So many of the most promising checks are reckoned as what follows the plan's first look. */
const FOLLOWERS = 6;

interface Candidate {
  readonly observation: CompiledObservation;
  readonly minutes: number;
  readonly likelihoods: readonly Float64Array[];
}

/**
 * Expected cost of repair and what a step would save (Heckerman, Breese and Rommelse, "Decision-theoretic troubleshooting",
 * Communications of the ACM 38(3), 1995): the plan is to go through the faults in order of p/c, c the cost to look and see (or to repair
 * at once and try, where that is cheaper), and to repair what is found; a check is worth the fall in expected cost over its outcomes, less
 * its own cost. The plan's own first look costs no more than the plan, and is reckoned with the best check after it, so that what can as
 * well wait does not come before it. What a check takes off is off for what comes after. With several culprits a set is right when the
 * last of them is reached. Nothing wrong is one of them: one try.
 */
export class Planner {
  private readonly explaining: ExplainingSets;
  private readonly model: Model;
  private readonly prices: Prices;
  private readonly n: number;
  private readonly by: Float64Array;
  private readonly ratio: Float64Array;
  private readonly reached: Float64Array;
  private readonly order: Int16Array;
  private readonly scratch: Float64Array;
  private readonly given: readonly ToPutRight[];

  constructor(model: Model, prices: Prices, explaining: ExplainingSets, given: readonly ToPutRight[] = []) {
    this.given = given;
    this.model = model;
    this.prices = prices;
    this.explaining = explaining;
    const n = (this.n = explaining.faults.length);
    this.by = new Float64Array(n + 1);
    this.ratio = new Float64Array(n + 1);
    this.reached = new Float64Array(n + 1);
    this.order = Int16Array.from({ length: n + 1 }, (_, f) => f);
    this.scratch = new Float64Array(explaining.count);
  }

  /** Prices of the culprits alone. */
  private price(after: readonly string[] = []): Price {
    const whole = this.prices.price(after);
    const pick = (from: Float64Array): Float64Array =>
      Float64Array.from(
        { length: this.n + 1 },
        (_, at) => from[this.explaining.faults[at] ?? this.model.faultIds.length] as number,
      );
    return { pass: pick(whole.pass), then: pick(whole.then) };
  }

  /** The order of culprits by p/c for these weights, `first` before all. Fills the cost up to and with each. */
  private plan(weight: Float64Array, { pass }: Price, first: number): void {
    const n = this.n;
    const by = this.by;
    const { a: as, b: bs, c: cs, count } = this.explaining;
    by.fill(0);
    for (let k = 0; k < count; k++) {
      const w = weight[k] as number;
      const a = as[k] as number;
      const b = bs[k] as number;
      const c = cs[k] as number;
      by[a] = (by[a] as number) + w;
      if (b < n) by[b] = (by[b] as number) + w;
      if (c < n) by[c] = (by[c] as number) + w;
    }
    for (let f = 0; f <= n; f++)
      this.ratio[f] = f === first ? Number.POSITIVE_INFINITY : (by[f] as number) / (pass[f] as number);
    sortDown(this.order, this.ratio);
    let sum = 0;
    for (const f of this.order) {
      sum += pass[f] as number;
      this.reached[f] = sum;
    }
  }

  /** Expected minutes to the end by the plan alone. The weights need not add up to one: then it is that share of the expectation. */
  expectedCost(weight = this.explaining.weight, price = this.price(), first = -1): number {
    this.plan(weight, price, first);
    const n = this.n;
    const reached = this.reached;
    const { a: as, b: bs, c: cs, count } = this.explaining;
    let sum = 0;
    for (let k = 0; k < count; k++) {
      const b = bs[k] as number;
      const c = cs[k] as number;
      let most = reached[as[k] as number] as number;
      if (b < n && (reached[b] as number) > most) most = reached[b] as number;
      if (c < n && (reached[c] as number) > most) most = reached[c] as number;
      sum += (weight[k] as number) * most;
    }
    for (let f = 0; f < n; f++) sum += (this.by[f] as number) * (price.then[f] as number);
    return sum;
  }

  private times(weight: Float64Array, likelihood: Float64Array, after: Float64Array): Float64Array {
    for (let k = 0; k < after.length; k++) after[k] = (weight[k] as number) * (likelihood[k] as number);
    return after;
  }

  private costAfter(weight: Float64Array, likelihoods: readonly Float64Array[], price: Price): number {
    return likelihoods.reduce(
      (sum, likelihood) => sum + this.expectedCost(this.times(weight, likelihood, this.scratch), price),
      0,
    );
  }

  /**
   * Every check still open, every likely repair, and what is given to be put right: best first. A step that costs more than it saves comes after all
   * that do not; where nothing pays, the plan's own first look or repair is the step.
   */
  steps(open: readonly CompiledObservation[]): Step[] {
    const { weight } = this.explaining;
    const price = this.price();
    const now = this.expectedCost(weight, price);
    const by = this.by.slice();
    const planned = this.plannedStep();
    const repairs = this.likely()
      .map((f) => this.repairStep(price, f, now))
      .map((step) =>
        planned?.kind === 'repair' && step.id === planned.id
          ? { ...step, expectedSaving: Math.max(step.expectedSaving, 0) }
          : step,
      );
    const candidates = open.map((observation) => ({
      observation,
      minutes: this.prices.checkMinutes(observation.id),
      likelihoods: this.bears(observation, by) ? likelihoodsOf(this.explaining, observation) : [],
    }));
    const savings = new Map(
      candidates.map(({ observation, minutes, likelihoods }) => [
        observation.id,
        (likelihoods.length === 0 ? 0 : now - this.costAfter(weight, likelihoods, this.price([observation.id]))) -
          minutes,
      ]),
    );
    this.lookTwoAhead(candidates, savings, planned?.kind === 'check' ? planned.id : null, now);
    const checks = candidates.map(({ observation: { id }, minutes }): Step => ({
      kind: 'check',
      id,
      minutes,
      expectedSaving: savings.get(id) as number,
      toolsMissing: this.prices.toolsMissing(id),
    }));
    const best = checks.reduce((most, step) => Math.max(most, step.expectedSaving), 0);
    return inOrder([...this.putRight(now, best), ...checks, ...repairs], (id) => this.prices.minutesToOpen(id));
  }

  /** The plan's next look or repair by p/c alone; what is given is put right first. Null: nothing is left but a try. */
  planned(): Choice | null {
    const [given] = this.given;
    if (given) return { kind: 'repair', id: given.id };
    this.expectedCost();
    return this.plannedStep();
  }

  /** What is given, to be put right now: what looking on would cost, where it is enough, less the try. */
  private putRight(now: number, best: number): Step[] {
    return this.given.map(({ id, enough }) => {
      const saving = enough * now - this.prices.minutesToTry();
      const isNow = enough >= ENOUGH.value || saving >= best;
      return {
        kind: 'repair',
        id,
        minutes: this.prices.repairMinutes(id),
        expectedSaving: isNow ? Math.max(saving, 0) : Math.min(saving, best),
        toolsMissing: [],
        given: true,
        ...(isNow ? { now: true } : {}),
      };
    });
  }

  /**
   * The plan's own first look or repair, after a plan: the likeliest for its price. What was looked for and not seen costs its repair. That
   * nothing is wrong is a try, which is no step of its own.
   */
  private plannedStep(): Choice | null {
    let best: Choice | null = null;
    let most = 0;
    for (const [f, fault] of this.explaining.faults.entries()) {
      const look = this.prices.lookFor(fault);
      const id = this.model.faultIds[fault] as string;
      const ratio =
        (this.by[f] as number) / (look === null ? this.prices.repairCost(id) : this.prices.checkMinutes(look));
      if (ratio <= most) continue;
      most = ratio;
      best = look === null ? { kind: 'repair', id } : { kind: 'check', id: look };
    }
    return best;
  }

  /** The plan's first look costs no more than the plan; it and the best few are reckoned with what best follows them. */
  private lookTwoAhead(
    candidates: readonly Candidate[],
    savings: Map<string, number>,
    look: string | null,
    now: number,
  ): void {
    const best = this.best(candidates, savings);
    const oneAhead = best.reduce((most, { observation }) => Math.max(most, savings.get(observation.id) as number), 0);
    const first = candidates.find((entry) => entry.observation.id === look);
    for (const candidate of new Set([...(first ? [first] : []), ...best.slice(0, TWO_AHEAD)])) {
      const { id } = candidate.observation;
      const both = now - this.costOfTwo(candidate, best);
      const own = savings.get(id) as number;
      // Else a check that tells nothing would inherit the worth of the next one.
      if (both > oneAhead) savings.set(id, Math.max(own, both));
      if (candidate === first) savings.set(id, Math.max(0, own, both));
    }
  }

  private best(candidates: readonly Candidate[], savings: ReadonlyMap<string, number>): Candidate[] {
    const atHand = candidates.filter(
      ({ observation, likelihoods }) => likelihoods.length > 0 && this.prices.toolsMissing(observation.id).length === 0,
    );
    return atHand
      .sort((x, y) => (savings.get(y.observation.id) as number) - (savings.get(x.observation.id) as number))
      .slice(0, FOLLOWERS);
  }

  /** A check, and after each of its outcomes the plan or the best of these checks. */
  private costOfTwo(first: Candidate, few: readonly Candidate[]): number {
    const own = [first.observation.id];
    const alone = this.price(own);
    const pairs = few
      .filter((entry) => entry !== first)
      .map((second) => ({
        second,
        minutes: this.prices.checkMinutes(second.observation.id, own),
        price: this.price([...own, second.observation.id]),
      }));
    return first.likelihoods.reduce((sum, likelihood) => {
      const after = this.times(this.explaining.weight, likelihood, new Float64Array(likelihood.length));
      const mass = after.reduce((total, w) => total + w, 0);
      const best = pairs.reduce(
        (least, { second, minutes, price }) =>
          Math.min(least, mass * minutes + this.costAfter(after, second.likelihoods, price)),
        this.expectedCost(after, alone),
      );
      return sum + best;
    }, first.minutes);
  }

  /** Whether a fault that changes its outcome is likely enough to matter. */
  private bears(observation: CompiledObservation, by: Float64Array): boolean {
    return (
      this.explaining.faults.reduce(
        (sum, fault, f) => sum + (by[f] as number) * (1 - (observation.silent[fault] as number)),
        0,
      ) >= BEARS
    );
  }

  /** A repair at once, before all else: what it costs whole, against the plan. */
  private repairStep(price: Price, f: number, now: number): Step {
    const fault = this.explaining.faults[f] as number;
    const id = this.model.faultIds[fault] as string;
    const at = { pass: price.pass.slice(), then: price.then.slice() };
    for (const other of this.prices.putRightBy(fault)) {
      const place = this.explaining.faults.indexOf(other);
      if (place < 0) continue;
      at.pass[place] = other === fault ? this.prices.repairCost(id) : NOTHING_MORE;
      at.then[place] = 0;
    }
    return {
      kind: 'repair',
      id,
      minutes: this.prices.repairMinutes(id),
      expectedSaving: now - this.expectedCost(this.explaining.weight, at, f),
      toolsMissing: [],
      odds: this.by[f] as number,
    };
  }

  /** After a plan: the faults worth a repair, by p/c, each repair once. */
  private likely(): number[] {
    const by = this.by;
    const { faults } = this.explaining;
    const likeliest = (f: number): boolean =>
      this.prices
        .putRightBy(faults[f] as number)
        .every((other) => (by[faults.indexOf(other)] ?? 0) <= (by[f] as number));
    return [...this.order].filter((f) => f < this.n && (by[f] as number) > 0.02 && likeliest(f)).slice(0, 8);
  }
}

export const ENOUGH: Threshold = {
  name: 'Where what is given explains so much, it is put right before anything else is looked at',
  value: 0.8,
  unit: 'probability',
  source: JUDGEMENT,
};
/** So many of the best checks are reckoned with what best follows them. */
const TWO_AHEAD = 3;
/** A check of which only so unlikely culprits speak is not reckoned through: it is worth nothing yet. */
const BEARS = 0.004;
/** A fault that the same repair has put right is passed for nothing (a little, so that p/c stays a number). */
const NOTHING_MORE = 1e-6;

/** Insertion sort, highest first: from one plan to the next the order hardly changes. */
function sortDown(order: Int16Array, ratio: Float64Array): void {
  for (let at = 1; at < order.length; at++) {
    const f = order[at] as number;
    const own = ratio[f] as number;
    let to = at - 1;
    while (to >= 0 && (ratio[order[to] as number] as number) < own) {
      order[to + 1] = order[to] as number;
      to--;
    }
    order[to + 1] = f;
  }
}
