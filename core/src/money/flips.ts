import { reckonWays, workCents, type Doing, type WayId, type WaysAsked, type Work } from './ways';

/** An input of the sum, as a person would call it. */
export type FlipInput =
  | 'rate'
  | 'minutes'
  | 'parts'
  | 'holds'
  | 'access'
  | 'lead'
  | 'engine'
  | 'worth'
  | 'day'
  | 'share-out'
  | 'comeback'
  | 'wrong'
  | 'open';

export interface Flip {
  readonly input: FlipInput;
  /** What the input is now, and from where on another way is best: cents, minutes, days or odds. */
  readonly now: number;
  readonly at: number;
  /** The way that is best then. */
  readonly way: WayId;
  readonly title: string;
}

interface Turned {
  readonly input: FlipInput;
  readonly now: number;
  /** Odds do not go above this. */
  readonly most?: number;
  readonly with: (value: number) => WaysAsked;
}

const SURE = 0.999;

/** What stands open, as much more or less of it as would cost this. */
function timesOpen(asked: WaysAsked, cents: number): Work {
  const times = cents / workCents(asked, asked.open);
  return { minutes: asked.open.minutes * times, partsCents: asked.open.partsCents * times };
}

/** Every input that has a value, and the sum with another in its place. Of what is done: of the way that is best now. */
function inputsOf(asked: WaysAsked, best: Doing | undefined): Turned[] {
  const doing = (change: (value: number) => Partial<Doing>) => (value: number) => ({
    ...asked,
    doings: asked.doings.map((one) => (one === best ? { ...one, ...change(value) } : one)),
  });
  const swap = asked.doings.find((one) => one.way === 'swap-engine');
  const all: Turned[] = [
    { input: 'rate', now: asked.centsPerHour, with: (centsPerHour) => ({ ...asked, centsPerHour }) },
    { input: 'access', now: asked.accessMinutes, with: (accessMinutes) => ({ ...asked, accessMinutes }) },
    { input: 'worth', now: asked.soundCents, with: (soundCents) => ({ ...asked, soundCents }) },
    { input: 'day', now: asked.dayCents, with: (dayCents) => ({ ...asked, dayCents }) },
    { input: 'share-out', now: asked.shareOut, most: 1, with: (shareOut) => ({ ...asked, shareOut }) },
    { input: 'wrong', now: asked.wrong, most: SURE, with: (wrong) => ({ ...asked, wrong }) },
    {
      input: 'open',
      now: workCents(asked, asked.open),
      with: (cents) => ({ ...asked, open: timesOpen(asked, cents) }),
    },
    ...(best === undefined
      ? []
      : [
          { input: 'minutes' as const, now: best.minutes, with: doing((minutes) => ({ minutes })) },
          { input: 'parts' as const, now: best.partsCents, with: doing((partsCents) => ({ partsCents })) },
          { input: 'lead' as const, now: best.leadDays, with: doing((leadDays) => ({ leadDays })) },
          { input: 'holds' as const, now: best.holds, most: SURE, with: doing((holds) => ({ holds })) },
          { input: 'comeback' as const, now: best.comeback, most: SURE, with: doing((comeback) => ({ comeback })) },
        ]),
    ...(swap === undefined
      ? []
      : [
          {
            input: 'engine' as const,
            now: swap.partsCents,
            with: (partsCents: number) => ({
              ...asked,
              doings: asked.doings.map((one) => (one === swap ? { ...one, partsCents } : one)),
            }),
          },
        ]),
  ];
  return all.filter(({ now }) => now > 0);
}

const STEPS = 48;
/** An input is looked at from a fifth of itself to five times itself. */
const WIDEST = 5;
const HALVINGS = 30;

/**
 * What would change the answer: for each input the nearest value at which another way is best, the nearest of all first.
 * In: what is asked. Out: flips by how far the input has to move as a factor; empty: nothing within a fifth and five times does.
 * Example: another engine at 380.00 that would have to cost 310.00 to be the better way.
 */
export function flipsOf(asked: WaysAsked): Flip[] {
  const [first] = reckonWays(asked);
  const best = asked.doings.find((doing) => doing.title === first?.title && doing.way === first.way);
  const flips = inputsOf(asked, best).flatMap((turned) => nearest(turned, first));
  return flips.sort((a, b) => farOf(a) - farOf(b));
}

const farOf = ({ now, at }: Flip): number => Math.abs(Math.log(at / now));

type Best = Pick<Flip, 'way' | 'title'> | undefined;
const isSame = (a: Best, b: Best): boolean => a?.way === b?.way && a?.title === b?.title;

function nearest(turned: Turned, first: Best): Flip[] {
  const flips = [1, -1].flatMap((way) => outwards(turned, first, way));
  return flips.sort((a, b) => farOf(a) - farOf(b)).slice(0, 1);
}

/** From what it is now outwards in small steps; the step that flips is halved until it is known to a hair. */
function outwards({ input, now, most = Infinity, with: put }: Turned, first: Best, way: number): Flip[] {
  const valueAt = (share: number): number => Math.min(now * WIDEST ** (way * share), most);
  for (let step = 1; step <= STEPS; step++) {
    const [there] = reckonWays(put(valueAt(step / STEPS)));
    if (isSame(there, first)) continue;
    let [still, flipped] = [(step - 1) / STEPS, step / STEPS];
    for (let turn = 0; turn < HALVINGS; turn++) {
      const middle = (still + flipped) / 2;
      if (isSame(reckonWays(put(valueAt(middle)))[0], first)) still = middle;
      else flipped = middle;
    }
    const [then] = reckonWays(put(valueAt(flipped)));
    return then === undefined ? [] : [{ input, now, at: valueAt(flipped), way: then.way, title: then.title }];
  }
  return [];
}
