/** A fault, and the share of machines in which another brings it about. */
export interface Link {
  readonly fault: number;
  readonly share: number;
}

/** Prior weights of sets beside what is given: single faults relative to none, and the pairs that do not simply multiply. */
export interface PriorAt {
  readonly odds: Float64Array;
  readonly linked: readonly (readonly [number, number])[];
  /** Of a set, ascending, relative to the empty one. */
  readonly weightOf: (set: readonly number[]) => number;
  /** Natural log of the weight of what is given. */
  readonly logMass: number;
}

/** No fault's own odds are surer than this, and nothing brings another about more surely. */
const SUREST = 0.9;
/** Ancestors beyond so many are left out of a fault's unlimited marginal. */
const MOST_ANCESTORS = 14;

/**
 * How likely faults are before anything is seen, where faults bring others about:
 *   1 − π_f(S) = (1 − p_f) ∏_{g ∈ S} (1 − b_gf),   w(S) = ∏_{f ∈ S} K_f · π_f(S) / (1 − π_f(S)),   K_g = ∏_f (1 − b_gf).
 * Faults that are not in the set bring about nothing; chains act through members. K_g is scaled once, so that in sets of up to three faults
 * g is as likely as it is without that limit.
 */
export class Prior {
  readonly n: number;
  /** By fault: the odds that nothing brings about. */
  readonly own: Float64Array;
  readonly brings: readonly (readonly Link[])[];
  readonly broughtBy: readonly (readonly Link[])[];
  readonly scale: Float64Array;

  constructor(own: Float64Array, brings: readonly (readonly Link[])[]) {
    this.n = own.length;
    this.own = own.map((p) => Math.min(p, SUREST));
    this.brings = brings;
    const broughtBy: Link[][] = brings.map(() => []);
    for (const [fault, links] of brings.entries())
      for (const link of links) broughtBy[link.fault]?.push({ fault, share: link.share });
    this.broughtBy = broughtBy;
    this.scale = Float64Array.from(brings, (links) => links.reduce((product, { share }) => product * (1 - share), 1));
  }

  /** Odds of a fault beside these, its scale counted. */
  private oddsBeside(fault: number, set: readonly number[], given: readonly number[]): number {
    let none = 1 - (this.own[fault] as number);
    for (const link of this.broughtBy[fault] as readonly Link[])
      if (set.includes(link.fault) || given.includes(link.fault)) none *= 1 - link.share;
    return ((this.scale[fault] as number) * (1 - none)) / none;
  }

  /** Weight of a set with what is given, absolute. */
  private weigh(set: readonly number[], given: readonly number[]): number {
    let weight = 1;
    for (const fault of set) weight *= this.oddsBeside(fault, set, given);
    for (const fault of given) weight *= this.oddsBeside(fault, set, given);
    return weight;
  }

  /** The prior beside what is given; what is struck out cannot be. */
  at(given: readonly number[] = [], struck: readonly number[] = []): PriorAt {
    const mass = this.weigh([], given);
    const isOut = (fault: number): boolean => given.includes(fault) || struck.includes(fault);
    const weightOf = (set: readonly number[]): number => (set.some(isOut) ? 0 : this.weigh(set, given) / mass);
    const odds = Float64Array.from({ length: this.n }, (_, fault) => weightOf([fault]));
    return { odds, linked: this.linkedPairs(given, isOut), weightOf, logMass: Math.log(mass) };
  }

  /** One brings the other about, or both bring about something that is given. */
  private linkedPairs(given: readonly number[], isOut: (fault: number) => boolean): [number, number][] {
    const pairs = new Map<number, [number, number]>();
    const add = (x: number, y: number): void => {
      const [a, b] = x < y ? [x, y] : [y, x];
      if (a !== b && !isOut(a) && !isOut(b)) pairs.set(a * this.n + b, [a, b]);
    };
    for (const [fault, links] of this.brings.entries()) for (const link of links) add(fault, link.fault);
    for (const child of given) {
      const parents = this.broughtBy[child] as readonly Link[];
      for (const one of parents) for (const other of parents) add(one.fault, other.fault);
    }
    return [...pairs.values()];
  }

  /** The probability of a fault that the limit of three does not touch: over all states of what leads to it. */
  unlimited(fault: number): number {
    const line = this.ancestorsOf(fault);
    const states = 2 ** line.length;
    let total = 0;
    for (let state = 0; state < states; state++) {
      const isIn = (one: number): boolean => (state & (1 << line.indexOf(one))) !== 0 && line.includes(one);
      let p = 1;
      for (const one of line) {
        const on = this.chance(one, isIn);
        p *= isIn(one) ? on : 1 - on;
      }
      total += p * this.chance(fault, isIn);
    }
    return total;
  }

  private chance(fault: number, isIn: (one: number) => boolean): number {
    let none = 1 - (this.own[fault] as number);
    for (const link of this.broughtBy[fault] as readonly Link[]) if (isIn(link.fault)) none *= 1 - link.share;
    return 1 - none;
  }

  private ancestorsOf(fault: number): number[] {
    const found: number[] = [];
    const queue = [fault];
    for (let next = queue.shift(); next !== undefined; next = queue.shift())
      for (const link of this.broughtBy[next] as readonly Link[])
        if (!found.includes(link.fault) && found.length < MOST_ANCESTORS) {
          found.push(link.fault);
          queue.push(link.fault);
        }
    return found;
  }
}

/**
 * The own part of a fault's total: what remains when its parents' part is taken out, and at least a share of it.
 * In: totals from 0 to 1, what brings what about. Out: own odds, 0 to 1.
 */
export function ownParts(totals: Float64Array, brings: readonly (readonly Link[])[]): Float64Array {
  const own = totals.slice();
  const none = totals.map(() => 1);
  for (const [fault, links] of brings.entries())
    for (const link of links)
      none[link.fault] = (none[link.fault] as number) * (1 - (totals[fault] as number) * link.share);
  for (let fault = 0; fault < own.length; fault++) {
    const total = totals[fault] as number;
    own[fault] = Math.max(1 - (1 - total) / (none[fault] as number), LEAST_OWN_PART * total);
  }
  return own;
}

/** However much others bring it about, it also comes by itself. */
const LEAST_OWN_PART = 0.25;
