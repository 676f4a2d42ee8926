import { WAYS } from '../catalogue';
import type { FlipInput, WayId } from '../money';

type Kind = 'cents' | 'minutes' | 'days' | 'odds';

const INPUTS: Readonly<Record<FlipInput, readonly [name: string, kind: Kind]>> = {
  rate: ['an hour of the workshop', 'cents'],
  minutes: ['the hands-on time', 'minutes'],
  parts: ['the parts', 'cents'],
  holds: ['the odds that it holds', 'odds'],
  access: ['the time to get at it', 'minutes'],
  lead: ['the wait for parts', 'days'],
  engine: ['another engine', 'cents'],
  worth: ['what the unit is worth sound', 'cents'],
  day: ['a day’s hire', 'cents'],
  'share-out': ['the share of days that it would be out', 'odds'],
  comeback: ['the odds that it comes back', 'odds'],
  wrong: ['the odds that the cause is another', 'odds'],
  open: ['what else stands open against it', 'cents'],
};

export interface FlipSaid {
  readonly input: string;
  readonly now: number;
  readonly at: number;
  readonly way: WayId;
  readonly title: string;
}

/** How a yard writes money and times. */
export interface FlipWording {
  readonly money: (cents: number) => string;
  readonly minutes: (minutes: number) => string;
}

/**
 * What would change an answer, as a sentence. In: the flip and how money and times are written. Example: "If the parts cost $34 and not $10:
 * replace the part."
 */
export function sayFlip({ input, now, at, way, title }: FlipSaid, { money, minutes }: FlipWording): string {
  const [name, kind] = INPUTS[input as FlipInput] ?? [input, 'odds'];
  const say = (value: number): string => {
    if (kind === 'cents') return money(value);
    if (kind === 'minutes') return minutes(Math.round(value));
    return kind === 'days' ? `${Math.round(value * 10) / 10} days` : `${Math.round(value * 100)} in 100`;
  };
  const then = way === 'retire' || way === 'swap-engine' ? WAYS[way] : title;
  return `If ${name} were ${say(at)}, not ${say(now)}: ${then.charAt(0).toLowerCase()}${then.slice(1)}.`;
}
