import { JUDGEMENT, LAY_UP_METHODS, LAY_UP_METHOD_IDS, type LayUpMethodId, type Threshold } from '../catalogue';
import { logOf, riskCurve, riskOf, type RiskCurve } from './risk';
import type { LayUpPrices, MethodCost, OwnWakes, Standing } from './shapes';

const MONTH_DAYS = 30.5;
export const RUSH: Threshold = {
  name: 'A wake-up at short notice costs its minutes so many times: other work waits, and a hirer too',
  value: 4,
  unit: 'times',
  source: JUDGEMENT,
};
export const FILM: Threshold = {
  name: 'An empty metal tank is filmed with oil in',
  value: 4,
  unit: 'min',
  source: JUDGEMENT,
};

/** What of a way's cost does not hang on the odds: at no days, and what each day adds. */
interface Fixed {
  readonly litres: number;
  readonly fluidsCents: number;
  readonly minutes: number;
  readonly minutesADay: number;
  /** Once more, by the odds of a call at short notice, and dearer. */
  readonly rushMinutes: number;
}

function fixedOf(method: LayUpMethodId, unit: Standing, prices: LayUpPrices): Fixed {
  const { minutes, wakeMinutes, minutesAMonth, leaves, takesStabiliser, withoutTapMinutes } = LAY_UP_METHODS[method];
  const litres =
    leaves === null ? 0 : leaves.litres === 'full' ? unit.tankLitres : Math.min(leaves.litres, unit.tankLitres);
  const isBare = unit.isMetal && method !== 'as-it-is' && litres < unit.tankLitres;
  return {
    litres,
    fluidsCents:
      (leaves === null ? 0 : litres * prices.litre[leaves.fuel]) +
      (takesStabiliser ? litres * prices.stabiliserPerLitre : 0),
    minutes: minutes + (unit.hasTap ? 0 : withoutTapMinutes) + (isBare ? FILM.value : 0) + wakeMinutes,
    minutesADay: minutesAMonth / MONTH_DAYS,
    rushMinutes: unit.callOdds * wakeMinutes * RUSH.value,
  };
}

/**
 * What a way of letting a unit stand is expected to cost: fluids, minutes of laying up and waking, the odds of a fuel repair times its price,
 * and the minutes of waking once more, dearer, by the odds of a call at short notice. In: method, idle days (0 or more), unit, prices, own
 * wake-ups. Out: cents, with its parts. Source: expected cost. Example: see layUp.test.ts.
 */
export function costOf(
  method: LayUpMethodId,
  days: number,
  unit: Standing,
  prices: LayUpPrices,
  own: OwnWakes,
): MethodCost {
  const { litres, fluidsCents, minutes, minutesADay, rushMinutes } = fixedOf(method, unit, prices);
  const hands = minutes + minutesADay * Math.max(days, 0);
  const risk = riskOf(method, days, unit, own);
  const cents = fluidsCents + (hands + rushMinutes) * prices.perMinute + risk * prices.repair;
  return { method, fluidsCents, litres, risk, minutes: hands, cents };
}

/** The same cents by days, made ready once: it is asked for at many. */
function centsCurve(method: LayUpMethodId, unit: Standing, prices: LayUpPrices, own: OwnWakes): RiskCurve {
  const { fluidsCents, minutes, minutesADay, rushMinutes } = fixedOf(method, unit, prices);
  const risk = riskCurve(method, unit, own);
  const base = fluidsCents + (minutes + rushMinutes) * prices.perMinute;
  const aDay = minutesADay * prices.perMinute;
  return (days, log) => base + aDay * Math.max(days, 0) + risk(days, log) * prices.repair;
}

/** All methods that fit, the cheapest first. */
export const costsOf = (
  days: number,
  unit: Standing,
  prices: LayUpPrices,
  own: OwnWakes,
  methods: readonly LayUpMethodId[] = LAY_UP_METHOD_IDS,
): MethodCost[] => methods.map((method) => costOf(method, days, unit, prices, own)).sort((a, b) => a.cents - b.cents);

/** From so many idle days on another method is the cheapest. */
export interface BreakEven {
  readonly days: number;
  readonly from: LayUpMethodId;
  readonly to: LayUpMethodId;
}

/** So far ahead it is looked. */
const FURTHEST_DAYS = 720;
const STEP_DAYS = 30;
const NEAR_DAYS = 0.25;

/**
 * The idle days at which the cheapest method changes: a look each month, then halving between two that differ. In: unit, prices, own wake-ups.
 * Out: break-evens in order, to a quarter of a day. Two changes within one month that undo each other are not seen.
 */
export function breakEvens(
  unit: Standing,
  prices: LayUpPrices,
  own: OwnWakes,
  methods: readonly LayUpMethodId[] = LAY_UP_METHOD_IDS,
): BreakEven[] {
  const curves = methods.map((method) => [method, centsCurve(method, unit, prices, own)] as const);
  const best = (days: number): LayUpMethodId => cheapest(days, curves);
  const found: BreakEven[] = [];
  let [before, from] = [0, best(0)];
  for (let day = STEP_DAYS; day <= FURTHEST_DAYS; day += STEP_DAYS) {
    const to = best(day);
    // Several may change within one step: each is looked for from where the last was found.
    for (let low = before; from !== to;) {
      const days = changeIn(low, day, best, from);
      const now = best(days);
      found.push({ days, from, to: now });
      [low, from] = [days, now];
    }
    before = day;
  }
  return found;
}

/** Where a method stops being the cheapest between two days, to a quarter of a day. */
function changeIn(from: number, to: number, best: (days: number) => LayUpMethodId, still: LayUpMethodId): number {
  let [low, high] = [from, to];
  while (high - low > NEAR_DAYS) {
    const middle = (low + high) / 2;
    if (best(middle) === still) low = middle;
    else high = middle;
  }
  return high;
}

function cheapest(
  days: number,
  curves: readonly (readonly [method: LayUpMethodId, cents: RiskCurve])[],
): LayUpMethodId {
  let [best, least]: [LayUpMethodId, number] = ['as-it-is', Infinity];
  const log = logOf(days);
  for (const [method, curve] of curves) {
    const cents = curve(days, log);
    if (cents < least) [best, least] = [method, cents];
  }
  return best;
}
