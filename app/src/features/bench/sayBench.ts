import type { BenchReply } from '@hudrik/core/contracts';
import { sayAs, sayMinutes, sayTime } from '@/writing';

const MINUTE_MS = 60_000;
const DAY_MINUTES = 1440;

export type BenchVisit = BenchReply['visits'][number];
type Planned = BenchReply['plan']['visits'][number];
type Told = BenchReply['advice'][number];
type Changed = BenchReply['changes'][number];

/** When a minute of the plan is, to five minutes: nobody works to the minute. */
export function momentOf({ at }: Pick<BenchReply, 'at'>, minute: number): string {
  return toFive(Date.parse(at) + minute * MINUTE_MS);
}

const FIVE_MS = 5 * MINUTE_MS;
const toFive = (at: number): string => new Date(Math.round(at / FIVE_MS) * FIVE_MS).toISOString();

export const plannedOf = ({ plan }: BenchReply, id: string): Planned | undefined =>
  plan.visits.find((visit) => visit.id === id);

export const nameOf = ({ people }: BenchReply, who: string | null): string =>
  people.find(({ id }) => id === who)?.name ?? 'nobody';

/** Hands-on minutes of a visit that are left. */
export const handsOf = ({ asked }: BenchReply, id: string): number =>
  (asked.visits.find((visit) => visit.id === id)?.phases ?? [])
    .filter(({ hands }) => hands)
    .reduce((sum, { minutes }) => sum + minutes, 0);

/** "26 h", "3 days", "40 min": as people say how late something is. */
export function sayLong(minutes: number): string {
  if (minutes < 90) return sayMinutes(Math.max(Math.round(minutes / 5) * 5, 5));
  if (minutes < 2 * DAY_MINUTES) return `${Math.round(minutes / 60)} h`;
  return `${Math.round(minutes / DAY_MINUTES)} days`;
}

/** The bench in one sentence: how much there is, and what is worst of it. */
export function sayBench(bench: BenchReply): string {
  const { visits, plan } = bench;
  if (visits.length === 0) return 'The bench is clear.';
  const minutes = visits.reduce((sum, { id }) => sum + handsOf(bench, id), 0);
  const late = plan.visits.filter(({ lateMinutes }) => lateMinutes >= 1).length;
  const work = `${visits.length} ${visits.length === 1 ? 'unit' : 'units'}, ${sayMinutes(Math.round(minutes / 5) * 5)} of work.`;
  if (late > 0) return `${work} ${late} will miss ${late === 1 ? 'its' : 'their'} hire.`;
  return visits.some(({ hire }) => hire !== null) ? `${work} Every hire is met.` : work;
}

/** Why a visit has its place. */
export function sayWhy(bench: BenchReply, visit: BenchVisit): string {
  const { hire, readiness, part, pinnedAt, inHandBy } = visit;
  const late = plannedOf(bench, visit.id)?.lateMinutes ?? 0;
  const out = hire && readiness !== 'fit' ? `Goes out ${sayTime(hire.fromAt)}` : null;
  const says = [
    inHandBy === null ? null : `In hand with ${nameOf(bench, inHandBy)}`,
    pinnedAt === null ? null : 'Put there by hand',
    out === null ? null : late >= 1 ? `${out}: ${sayLong(late)} late` : `${out}: ${saySure(bench, visit.id)}`,
    part === null ? null : `${part.name} ${part.at === null ? 'is not ordered' : `comes ${sayTime(part.at)}`}`,
    hire !== null || readiness === 'fit' ? null : 'Nobody waits for it',
    readiness === 'fit' ? 'Fit as it is; its service waits' : null,
  ].filter((one) => one !== null);
  return `${says.join('. ')}.`;
}

/** How sure it is that a visit is in time. Example: 8 in 10. */
export function saySure({ promises }: BenchReply, id: string): string {
  const inTime = promises.find((promise) => promise.id === id)?.inTime ?? null;
  if (inTime === null) return 'in time';
  const tenths = Math.round(inTime * 10);
  return tenths >= 10 ? 'in time for sure' : tenths === 0 ? 'hardly in time' : `${tenths} in 10 that it is in time`;
}

/** By when a visit is done eight times in ten. */
export function sayReady(bench: BenchReply, id: string): string {
  const promise = bench.promises.find((one) => one.id === id);
  return promise === undefined ? '' : `8 in 10: ready by ${sayTime(momentOf(bench, promise.eightInTen))}`;
}

/** What is worth saying of the plan. */
export function sayAdvice(bench: BenchReply, told: Told): string {
  const tag = (id: string): string => bench.visits.find((visit) => visit.id === id)?.tag ?? '';
  const tags = (ids: readonly string[]): string => sayList(ids.map(tag));
  switch (told.code) {
    case 'will-miss': {
      const visit = bench.visits.find(({ id }) => id === told.id);
      const when = visit?.hire ? sayTime(visit.hire.fromAt) : 'its hire';
      const order = told.whateverTheOrder
        ? ' whatever the order'
        : visit?.pinnedAt == null
          ? ', for what goes before it'
          : ', where it was put by hand';
      const help = visit?.instead == null ? '' : ` ${visit.instead} is fit and free.`;
      return `${tag(told.id)} will miss ${when} by ${sayLong(told.byMinutes)}${order}.${help}`;
    }
    case 'overnight':
      return `Start ${tag(told.id)}’s ${whatOf(bench, told)} ${sayTime(momentOf(bench, told.at))}: it runs through the night.`;
    case 'meanwhile':
      return `${tags(told.others)}: while ${tag(told.id)} waits (${whatOf(bench, told)}).`;
    case 'too-much':
      return `${sayMinutes(Math.round(told.minutes))} more than four weeks hold: ${tags(told.ids)} ${told.ids.length === 1 ? 'finds' : 'find'} no place.`;
    case 'nobody':
      return `Nobody here may do ${tags(told.ids)}.`;
  }
}

function whatOf({ visits }: BenchReply, { id, phaseId }: { readonly id: string; readonly phaseId: string }): string {
  const what = visits.find((visit) => visit.id === id)?.what[phaseId] ?? 'wait';
  return what.toLowerCase();
}

/** Why the plan is another one than it was. */
export function sayChange(bench: BenchReply, change: Changed): string {
  const { tag } = change;
  const time = (at: number): string => sayTime(toFive(at));
  switch (change.code) {
    case 'new':
      return `${tag} came to the bench.`;
    case 'done':
      return `${tag} is off the bench.`;
    case 'wanted':
      if (change.to === null) return `${tag}: nobody waits for it any more.`;
      return `${tag} is wanted ${time(change.to)}${change.from === null ? '' : `, not ${time(change.from)}`}.`;
    case 'later-there':
      return `${tag} cannot be begun before ${time(change.to)}.`;
    case 'sooner-there':
      return `${tag} can be begun sooner.`;
    case 'other-hands':
      return `${tag} goes to ${nameOf(bench, change.who)}.`;
    case 'given-back':
      return `${tag} is free again for whoever comes first.`;
    case 'moved':
      return `${tag} moves from ${time(change.from)} to ${time(change.to)}.`;
  }
}

const sayList = (all: readonly string[]): string =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)}`;

/** From when to when. Example: tomorrow 13:00 to 13:35. */
export function sayFromTo(bench: BenchReply, from: number, to: number): string {
  const [begin, end] = [momentOf(bench, from), momentOf(bench, to)];
  const isOneDay = sayAs(begin, 'yyyy-MM-dd') === sayAs(end, 'yyyy-MM-dd');
  return `${sayTime(begin)} to ${isOneDay ? sayAs(end, 'HH:mm') : sayTime(end)}`;
}

/** "13:40", and its day where that is another one than the plan's. */
export function sayClock(bench: BenchReply, minute: number): string {
  const moment = momentOf(bench, minute);
  const isToday = sayAs(moment, 'yyyy-MM-dd') === sayAs(bench.now, 'yyyy-MM-dd');
  return sayAs(moment, isToday ? 'HH:mm' : 'EEE HH:mm');
}
