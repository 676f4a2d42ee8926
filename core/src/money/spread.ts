import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { anewOrGo, reckonWays, retireCents, spentOn, worthAfter, wrongOf, type Doing, type WaysAsked } from './ways';

/** Numbers from 0 up to 1. */
type Random = () => number;

export interface Spread {
  /** One time in ten it costs less. */
  readonly lowCents: number;
  /** One time in ten it costs more. */
  readonly highCents: number;
}

export const HANDS_SPREAD: Threshold = {
  name: 'Hands-on minutes of a job about their mean: standard deviation of their logarithm',
  value: 0.35,
  unit: 'log',
  source: JUDGEMENT,
};

const DRAWS = 800;

/**
 * How far what a way costs may lie from its mean.
 * In: what is asked, the doing that is begun with (null: it is let go), numbers at random from a seed. Out: the tenth and the ninetieth of a
 * hundred, cents. Hands are log-normal about their mean; holding, coming back, being wrong and each risk happen or not; where it does not
 * hold the best of the others is drawn after it. Source: simulation of the same tree as reckonWays; its mean is that of reckonWays.
 */
export function spreadOfWay(asked: WaysAsked, doing: Doing | null, random: Random): Spread {
  if (doing === null) return { lowCents: retireCents(asked), highCents: retireCents(asked) };
  const drawn = Array.from({ length: DRAWS }, () => draw(asked, doing, asked.doings, random)).sort((a, b) => a - b);
  return { lowCents: drawn[DRAWS / 10] ?? 0, highCents: drawn[(DRAWS * 9) / 10 - 1] ?? 0 };
}

/** One way that it may go, from begin to end. */
export function draw(asked: WaysAsked, doing: Doing, left: readonly Doing[], random: Random): number {
  const once = drawSpent(asked, doing, random);
  if (random() < wrongOf(asked, doing)) return once + anewOrGo(asked);
  if (random() < doing.holds) {
    const again = random() < doing.comeback ? drawSpent({ ...asked, risks: [] }, doing, random) : 0;
    return once + again - worthAfter(asked, doing);
  }
  const others = left.filter((other) => other !== doing);
  const [next] = reckonWays({ ...asked, doings: others });
  const begun = others.find((other) => other.title === next?.title && other.way === next.way);
  return once + (begun === undefined ? retireCents(asked) : draw(asked, begun, others, random));
}

function drawSpent(asked: WaysAsked, doing: Doing, random: Random): number {
  const spread = HANDS_SPREAD.value;
  // Log-normal with mean 1.
  const times = Math.exp(spread * normal(random) - spread ** 2 / 2);
  const { handsCents, partsCents, daysCents } = spentOn(asked, {
    ...doing,
    minutes: (doing.minutes + asked.accessMinutes) * times - asked.accessMinutes,
  });
  const risks = asked.risks.reduce(
    (sum, risk) => sum + (random() < risk.odds ? (risk.minutes * asked.centsPerHour) / 60 : 0),
    0,
  );
  return handsCents + partsCents + daysCents + risks;
}

/** A standard normal number (Box and Muller, Annals of Mathematical Statistics 29, 1958). */
const normal = (random: Random): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
