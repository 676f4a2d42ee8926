import type { Person } from '@hudrik/core/contracts';
import { isBy, type Item, type Trouble } from '@/outbox';

/** Why this device keeps nothing, and what that means. */
export const sayTrouble = (trouble: Trouble): string =>
  trouble === 'full'
    ? 'The storage of this device is full. What you do now is only in this page: do not close it before everything is sent.'
    : 'This browser does not let the page save anything. What you do is only in this page: do not close it before everything is sent.';

export interface Notice {
  readonly sentence: string;
  readonly isUrgent: boolean;
}

const things = (count: number): string => (count === 1 ? 'One entry' : `${count} entries`);

/** What the frame says of what waits, the most pressing first; null: nothing does. */
export function noticeOf(items: readonly Item[], trouble: Trouble | null, person: Person): Notice | null {
  const open = items.filter((item) => item.state !== 'sent');
  if (trouble && open.some((item) => !item.isKept)) return { sentence: sayTrouble(trouble), isUrgent: true };
  const mine = open.filter((item) => item.maker === null || isBy(item.maker, person));
  const refused = mine.filter((item) => item.state === 'refused' || item.maker === null).length;
  if (refused > 0)
    return {
      sentence: `${things(refused)} ${refused === 1 ? 'needs' : 'need'} your decision. Nothing is lost.`,
      isUrgent: true,
    };
  const waiting = mine.length;
  if (waiting > 0) return { sentence: `${things(waiting)} saved on this device, not sent yet.`, isUrgent: false };
  const [first] = open;
  if (first === undefined) return null;
  const name = first.maker?.name ?? '';
  const theirs = open.filter((item) => item.maker?.name === name).length;
  const rest = open.length - theirs;
  const more = rest > 0 ? ` ${rest} more of others.` : '';
  return {
    sentence: `${theirs} of ${name}’s ${theirs === 1 ? 'waits' : 'wait'} until ${name} signs in here.${more}`,
    isUrgent: false,
  };
}
