import { CLASS_TAGS } from '@hudrik/core/classTags';
import type { CalendarHire, HireCalendar } from '@hudrik/core/contracts';
import { sayTime } from '@/writing';

/** What would cover a hire that no unit can be given. */
export function sayHelp({ help, classId }: Pick<CalendarHire, 'help' | 'classId'>): string {
  const name = CLASS_TAGS[classId].name.toLowerCase();
  const says = [
    help?.visit ? `${help.visit} would be ready if its visit came first: the bench works towards it.` : null,
    help?.swap ? `${help.swap.reference} could go with ${help.swap.to}; then ${help.swap.from} is free.` : null,
  ].filter((one) => one !== null);
  return says.length > 0 ? says.join(' ') : `No ${name} is free, and none can be made ready by then.`;
}

/** The hires in one sentence. */
export function sayHires({ hires }: Pick<HireCalendar, 'hires'>): string {
  const out = hires.filter(({ state }) => state !== 'booked').length;
  const booked = hires.length - out;
  const open = hires.filter(({ tag }) => tag === null).length;
  const all = `${out} out, ${booked} booked.`;
  return open === 0 ? all : `${all} ${open} ${open === 1 ? 'has' : 'have'} no unit.`;
}

/** A hire as it is heard. */
export const labelOf = ({ reference, tag, isOwn, fromAt, toAt, overruns }: CalendarHire): string =>
  [
    `${reference}: ${tag === null ? 'no unit' : isOwn ? tag : `${tag}, given by the sum`}`,
    `${sayTime(fromAt)} to ${sayTime(toAt)}`,
    ...(overruns ? ['a service runs out'] : []),
  ].join(', ');
