import { LAY_UP_METHODS, type LayUpMethodId } from '@hudrik/core/catalogue';
import type { LayUpReply } from '@hudrik/core/contracts';
import { wakeOrder, type Waking } from '@hudrik/core/layUp';
import { roundMoney } from '@hudrik/core/money';
import { sayAs, sayMinutes, sayMoney, sayTime } from '@/writing';

export type LayUpUnit = LayUpReply['units'][number];

const DAY_MS = 86_400_000;

export const methodName = (method: LayUpMethodId): string => LAY_UP_METHODS[method].name;
export const sayCost = (cents: number): string => sayMoney(roundMoney(cents)).replace(/[.,]00(?=\D*$)/, '');

/** The yard in one sentence. */
export function sayLayUp(units: readonly LayUpUnit[]): string {
  const stands = units.filter(({ laidUp }) => laidUp !== null).length;
  const comes = units.filter(isComing).length;
  if (stands + comes === 0) return 'Nothing stands, and no season is near.';
  const parts = [
    comes > 0 && `${comes === 1 ? '1 unit comes' : `${comes} units come`} into lay-up`,
    stands > 0 && `${stands === 1 ? '1 stands' : `${stands} stand`} laid up`,
  ];
  return `${parts.filter(Boolean).join('; ')}.`;
}

/** What stands for less is not laid up. */
const LEAST_DAYS = 7;

export const isComing = ({ laidUp, forecast, readiness }: LayUpUnit): boolean =>
  laidUp === null && forecast !== null && forecast.expected >= LEAST_DAYS && readiness !== 'out';

/** How long it will stand, and from when. Example: 109 days from 6 Dec, 95 to 123. */
export function sayForecast({ forecast, nextHireAt }: LayUpUnit): string {
  if (forecast === null) return 'No season is on.';
  const { beginsIn, expected, early, late, endsByHire } = forecast;
  const from = beginsIn < 1 ? 'from now' : `from ${sayAs(Date.now() + beginsIn * DAY_MS, 'd MMM')}`;
  const about = `${Math.round(expected)} days ${from}`;
  if (endsByHire) return `${about}, until its hire of ${nextHireAt === null ? 'then' : sayAs(nextHireAt, 'd MMM')}.`;
  return `${about}, 8 in 10 between ${Math.round(early)} and ${Math.round(late)}.`;
}

/** What is done: as the lead says, else the cheapest. */
export const chosenOf = ({ choice, costs }: LayUpUnit): LayUpUnit['costs'][number] | undefined =>
  costs.find(({ method }) => method === choice?.method) ?? costs[0];

/** Why this one: its margin, and when another would be cheaper. */
export function sayMargin({ costs, breakEvens, choice }: LayUpUnit): string {
  const [best, second] = costs;
  if (best === undefined || second === undefined) return '';
  const margin = `About ${sayCost(second.cents - best.cents)} less than: ${methodName(second.method).toLowerCase()}.`;
  const changes = breakEvens.map(({ days, to }) => `from ${Math.round(days)} days ${methodName(to).toLowerCase()}`);
  const flips = changes.length > 0 ? ` By idle days: ${changes.join('; ')}.` : '';
  return choice === null
    ? `${margin}${flips}`
    : `The lead says so: ${choice.reason}. The sum says: ${methodName(best.method).toLowerCase()}.`;
}

export const sayRisk = (risk: number): string =>
  risk < 0.005 ? 'hardly ever' : `${Math.max(Math.round(risk * 100), 1)} in 100`;

export interface Stander {
  readonly tag: string;
  readonly wantedIn: number | null;
  readonly minutes: number;
  readonly of: LayUpUnit;
}

/** Those that stand, in the order in which they are woken: by their hires, or by the end of their season. */
export const standingOf = ({ units, now }: Pick<LayUpReply, 'units' | 'now'>): Waking<Stander>[] =>
  wakeOrder(
    units.flatMap((of): Stander[] => {
      const { tag, laidUp, nextHireAt, forecast } = of;
      if (laidUp === null) return [];
      const hireIn = nextHireAt === null ? null : (Date.parse(nextHireAt) - Date.parse(now)) / DAY_MS;
      return [{ tag, of, minutes: laidUp.wakeMinutes, wantedIn: hireIn ?? forecast?.expected ?? null }];
    }),
  );

/** When it is wanted, and the work until then. Example: Goes out Fri 8 May 08:00. 25 min of work to wake it; with those before it 1 h 10. */
export function sayWaking({ unit, after, lateBy }: Waking<Stander>): string {
  const { of, minutes, wantedIn } = unit;
  const wanted =
    of.nextHireAt !== null
      ? `Goes out ${sayTime(of.nextHireAt)}. `
      : wantedIn !== null
        ? `Its season ends in about ${Math.round(wantedIn)} days. `
        : '';
  const work = `${sayMinutes(minutes)} of work to wake it${after > minutes ? `; with those before it ${sayMinutes(after)}` : ''}.`;
  return `${wanted}${work}${lateBy > 0 ? ` Too late by ${sayMinutes(Math.ceil(lateBy))}, were it all begun now.` : ''}`;
}
