import type { Likelihood } from './likelihood';
import type { PriorAt } from './Prior';

/** How a 64-bit number is laid out (IEEE 754): sign, eleven bits of exponent, fraction. */
const EXPONENTS = 2048;
const EXPONENT_BIAS = 1023;
const EXPONENT_SHIFT = 20;
const UPPER_HALF = new Uint8Array(new Uint32Array([1]).buffer)[0] === 1 ? 1 : 0;
/** Sets lighter than a millionth are not kept, however few there are. */
const LEAST_EXPONENT = EXPONENT_BIAS - 20;

/** Weights under this are brought up again. */
const VANISHING = 1e-200;

/**
 * The exact posterior over all sets of up to three faults.
 *
 * Sets are kept in one array of weights: the empty set, then the single faults, the pairs (a < b) and the triples (a < b < c), each in
 * lexical order. Faults are in order of precedence: of those that speak to an observation the first is heard, so that
 *   P(o | a, b, c) = show(a) + silent(a) · (show(b) + silent(b) · (show(c) + silent(c) · healthy)).
 * With two outcomes this is the noisy-or (Pearl, Probabilistic Reasoning in Intelligent Systems, 1988). In this order all triples of one
 * first fault lie behind all pairs that begin after it, so that one pass over the pairs' likelihoods serves each first fault.
 */
export class Belief {
  readonly n: number;
  readonly pairs: number;
  readonly weights: Float64Array;
  // `private`, not `#`: the web build turns `#` into a lookup by a made-up name, and these stand in the innermost loops.
  private readonly pairStart: Int32Array;
  private readonly tripleStart: Int32Array;
  private readonly single: Float64Array;
  private readonly pair: Float64Array;
  /** Natural log of what the weights were divided by so far. */
  logMass = 0;

  /** From a prior, or as a copy of another. */
  constructor(from: PriorAt | Belief) {
    const odds = from instanceof Belief ? from : from.odds;
    this.n = odds instanceof Belief ? odds.n : odds.length;
    const { n } = this;
    const pairs = (this.pairs = (n * (n - 1)) / 2);
    this.weights =
      odds instanceof Belief
        ? odds.weights.slice()
        : new Float64Array(1 + n + pairs + (n * (n - 1) * (n - 2)) / 6).fill(1);
    this.pairStart =
      odds instanceof Belief ? odds.pairStart : Int32Array.from({ length: n + 1 }, (_, a) => (a * (2 * n - a - 1)) / 2);
    this.tripleStart = odds instanceof Belief ? odds.tripleStart : startsOfTriples(this.pairStart, pairs);
    this.single = new Float64Array(n);
    this.pair = new Float64Array(pairs);
    if (odds instanceof Belief) this.logMass = odds.logMass;
    if (from instanceof Belief || odds instanceof Belief) return;
    // Prior odds multiply: a set's prior is the product of its faults' odds, which is a likelihood without a healthy part.
    this.multiplyProducts(odds);
    this.join(from);
    this.logMass = from.logMass;
  }

  /** Pairs in which one brings the other about do not simply multiply, nor do the triples that hold such a pair. */
  private join({ linked, weightOf }: PriorAt): void {
    for (const [a, b] of linked) {
      this.weights[this.indexOf([a, b])] = weightOf([a, b]);
      for (let c = 0; c < this.n; c++) {
        if (c === a || c === b) continue;
        const set = c < a ? [c, a, b] : c < b ? [a, c, b] : [a, b, c];
        this.weights[this.indexOf(set)] = weightOf(set);
      }
    }
  }

  /** Natural log of the weight of all sets together, with all that was divided out. */
  logTotal(): number {
    return this.logMass + Math.log(this.sum());
  }

  private multiplyProducts(odds: Float64Array): void {
    const { n, pairs, weights, pair, pairStart } = this;
    let [j, k] = [0, 1 + n + pairs];
    for (let a = 0; a < n; a++) {
      weights[1 + a] = odds[a] as number;
      for (let b = a + 1; b < n; b++) weights[1 + n + j] = pair[j++] = (odds[a] as number) * (odds[b] as number);
    }
    for (let a = 0; a < n; a++)
      for (let p = pairStart[a + 1] as number; p < pairs; p++) weights[k++] = (odds[a] as number) * (pair[p] as number);
  }

  pairIndex(a: number, b: number): number {
    return (this.pairStart[a] as number) + b - a - 1;
  }

  /** Where the set of these faults (ascending) is kept. */
  indexOf(set: readonly number[]): number {
    const [a, b, c] = set;
    if (a === undefined) return 0;
    if (b === undefined) return 1 + a;
    if (c === undefined) return 1 + this.n + this.pairIndex(a, b);
    return (
      1 +
      this.n +
      this.pairs +
      (this.tripleStart[a] as number) +
      this.pairIndex(b, c) -
      (this.pairStart[a + 1] as number)
    );
  }

  /** Weighs every set by how likely it shows this. The weights are normalised by whoever has no more to weigh. */
  update(likelihood: Likelihood): void {
    const { shows, silent, healthy } = likelihood;
    const { n, pairs, weights, pairStart, single, pair } = this;
    this.likelihoods(likelihood);
    weights[0] = (weights[0] as number) * healthy;
    for (let a = 0; a < n; a++) weights[1 + a] = (weights[1 + a] as number) * (single[a] as number);
    for (let j = 0; j < pairs; j++) weights[1 + n + j] = (weights[1 + n + j] as number) * (pair[j] as number);
    let k = 1 + n + pairs;
    for (let a = 0; a < n; a++) {
      const show = shows[a] as number;
      const quiet = silent[a] as number;
      for (let j = pairStart[a + 1] as number; j < pairs; j++, k++)
        weights[k] = (weights[k] as number) * (show + quiet * (pair[j] as number));
    }
  }

  private likelihoods({ shows, silent, healthy }: Likelihood): void {
    const { n, single, pair } = this;
    for (let a = 0; a < n; a++) single[a] = (shows[a] as number) + (silent[a] as number) * healthy;
    let j = 0;
    for (let a = 0; a < n; a++) {
      const show = shows[a] as number;
      const quiet = silent[a] as number;
      for (let b = a + 1; b < n; b++) pair[j++] = show + quiet * (single[b] as number);
    }
  }

  /** Many readings weigh all sets down: long before the numbers vanish they are brought up again. */
  keepFromVanishing(): void {
    if (this.sum() < VANISHING) this.normalise();
  }

  private sum(): number {
    const { weights } = this;
    let sum = 0;
    for (let k = 0; k < weights.length; k++) sum += weights[k] as number;
    return sum;
  }

  normalise(): void {
    const { weights } = this;
    const sum = this.sum();
    if (!(sum > 0)) throw new Error('No set of faults can show all of this');
    this.logMass += Math.log(sum);
    const scale = 1 / sum;
    for (let k = 0; k < weights.length; k++) weights[k] = (weights[k] as number) * scale;
  }

  /** Probability of each fault. */
  marginals(): Float64Array {
    const { n, pairs, weights, pairStart } = this;
    const by = new Float64Array(n);
    const tails = new Float64Array(pairs);
    let k = 1 + n + pairs;
    for (let a = 0; a < n; a++) {
      let sum = weights[1 + a] as number;
      for (let j = pairStart[a + 1] as number; j < pairs; j++, k++) {
        const w = weights[k] as number;
        sum += w;
        tails[j] = (tails[j] as number) + w;
      }
      by[a] = sum;
    }
    let j = 0;
    for (let a = 0; a < n; a++) {
      for (let b = a + 1; b < n; b++, j++) {
        const own = (weights[1 + n + j] as number) + (tails[j] as number);
        by[a] = (by[a] as number) + own;
        by[b] = (by[b] as number) + own;
      }
    }
    return by;
  }

  /** As if this showing had not been seen: the probability of each fault, and how likely the showing was, given all others. */
  // oxlint-disable-next-line max-statements -- one pass over tens of thousands of weights, timed by the bench
  without(likelihood: Likelihood): { readonly by: Float64Array; readonly predicted: number } {
    const { n, pairs, weights, pairStart, single, pair } = this;
    const { shows, silent, healthy } = likelihood;
    this.likelihoods(likelihood);
    const by = new Float64Array(n);
    const tails = new Float64Array(pairs);
    const overPair = pair.map((p) => (p > 0 ? 1 / p : 0));
    let total = healthy > 0 ? (weights[0] as number) / healthy : 0;
    let k = 1 + n + pairs;
    for (let a = 0; a < n; a++) {
      const show = shows[a] as number;
      const quiet = silent[a] as number;
      let sum = 0;
      if (show === 0 && quiet === 1) {
        // This fault leaves the showing as it is: its sets change by the other fault of the pair alone.
        for (let j = pairStart[a + 1] as number; j < pairs; j++, k++) {
          const w = (weights[k] as number) * (overPair[j] as number);
          sum += w;
          tails[j] = (tails[j] as number) + w;
        }
      } else {
        for (let j = pairStart[a + 1] as number; j < pairs; j++, k++) {
          const w = (weights[k] as number) / (show + quiet * (pair[j] as number));
          sum += w;
          tails[j] = (tails[j] as number) + w;
        }
      }
      const own = (weights[1 + a] as number) / (single[a] as number);
      by[a] = sum + own;
      total += sum + own;
    }
    let j = 0;
    for (let a = 0; a < n; a++) {
      for (let b = a + 1; b < n; b++, j++) {
        const own = (weights[1 + n + j] as number) * (overPair[j] as number);
        total += own;
        by[a] = (by[a] as number) + own + (tails[j] as number);
        by[b] = (by[b] as number) + own + (tails[j] as number);
      }
    }
    for (let f = 0; f < n; f++) by[f] = (by[f] as number) / total;
    return { by, predicted: 1 / total };
  }

  /** The weight that all sets would have together without these two showings: one, were they not seen to begin with. */
  totalWithout(one: Likelihood, other: Likelihood): number {
    const { n, pairs, weights, pairStart } = this;
    this.likelihoods(one);
    const single = this.single.slice();
    const pair = this.pair.slice();
    this.likelihoods(other);
    const { single: otherSingle, pair: otherPair } = this;
    let total = (weights[0] as number) / (one.healthy * other.healthy);
    for (let a = 0; a < n; a++)
      total += (weights[1 + a] as number) / ((single[a] as number) * (otherSingle[a] as number));
    for (let j = 0; j < pairs; j++)
      total += (weights[1 + n + j] as number) / ((pair[j] as number) * (otherPair[j] as number));
    let k = 1 + n + pairs;
    for (let a = 0; a < n; a++) {
      const show = one.shows[a] as number;
      const quiet = one.silent[a] as number;
      const otherShow = other.shows[a] as number;
      const otherQuiet = other.silent[a] as number;
      for (let j = pairStart[a + 1] as number; j < pairs; j++, k++)
        total +=
          (weights[k] as number) /
          ((show + quiet * (pair[j] as number)) * (otherShow + otherQuiet * (otherPair[j] as number)));
    }
    return total;
  }

  /** A fault was put right, and the trouble is still there: each set goes on without it, and it is not that nothing was wrong. */
  repaired(fault: number): void {
    const { n, weights } = this;
    const without = (set: readonly number[], rest: readonly number[]): void => {
      const at = this.indexOf(set);
      const to = this.indexOf(rest);
      weights[to] = (weights[to] as number) + (weights[at] as number);
      weights[at] = 0;
    };
    without([fault], []);
    for (let b = 0; b < n; b++) {
      if (b === fault) continue;
      without(
        [fault, b].sort((x, y) => x - y),
        [b],
      );
      for (let c = b + 1; c < n; c++)
        if (c !== fault)
          without(
            [fault, b, c].sort((x, y) => x - y),
            [b, c],
          );
    }
    weights[0] = 0;
    this.normalise();
  }

  /** The sets that hold all but very little of the weight, heaviest part first kept: at most about this many. */
  heaviest(most: number): Sets {
    // Counted by powers of two: the exponent stands in the upper half of each number.
    const counts = new Uint32Array(EXPONENTS);
    const halves = new Uint32Array(this.weights.buffer, this.weights.byteOffset, 2 * this.weights.length);
    for (let at = UPPER_HALF; at < halves.length; at += 2) {
      const exponent = (halves[at] as number) >>> EXPONENT_SHIFT;
      counts[exponent] = (counts[exponent] as number) + 1;
    }
    let count = 0;
    let least = EXPONENTS;
    while (least > LEAST_EXPONENT && count + (counts[least - 1] as number) <= most) count += counts[--least] as number;
    return this.collect(2 ** (least - EXPONENT_BIAS), count);
  }

  private collect(threshold: number, count: number): Sets {
    const { n, weights } = this;
    const sets: Sets = {
      count,
      weight: new Float64Array(count),
      a: new Int16Array(count).fill(n),
      b: new Int16Array(count).fill(n),
      c: new Int16Array(count).fill(n),
    };
    let at = 0;
    const take = (k: number, a: number, b: number, c: number): void => {
      if ((weights[k] as number) < threshold) return;
      sets.weight[at] = weights[k] as number;
      [sets.a[at], sets.b[at], sets.c[at]] = [a, b, c];
      at++;
    };
    take(0, n, n, n);
    for (let a = 0; a < n; a++) take(1 + a, a, n, n);
    let k = 1 + n;
    for (let a = 0; a < n; a++) for (let b = a + 1; b < n; b++) take(k++, a, b, n);
    for (let a = 0; a < n; a++) for (let b = a + 1; b < n; b++) for (let c = b + 1; c < n; c++) take(k++, a, b, c);
    return sets;
  }
}

/** Some sets of faults with their weights: faults ascending, n where there is none. */
export interface Sets {
  readonly count: number;
  readonly weight: Float64Array;
  readonly a: Int16Array;
  readonly b: Int16Array;
  readonly c: Int16Array;
}

function startsOfTriples(pairStart: Int32Array, pairs: number): Int32Array {
  let start = 0;
  return pairStart.map((_, a) => {
    const own = start;
    start += pairs - (pairStart[a + 1] ?? pairs);
    return own;
  });
}
