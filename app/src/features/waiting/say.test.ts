import type { Person } from '@hudrik/core/contracts';
import { fresh, type Item, type NewItem } from '@/outbox/item';
import { noticeOf } from './say';
import { whatToDo } from './whatToDo';

const IVO = { id: 2, name: 'Ivo', role: 'technician' } as Person;
const item = (maker: NewItem['maker'], more: object = {}): Item =>
  ({
    ...fresh({ what: 'entry', kind: 'note', facts: {}, on: {}, id: '1', madeAt: '', maker } as NewItem, true),
    ...more,
  }) as Item;
const mine = { id: 2, name: 'Ivo' };
const marens = { id: 3, name: 'Maren' };
const say = (items: readonly Item[], trouble: 'full' | 'forbidden' | null = null) =>
  noticeOf(items, trouble, IVO)?.sentence ?? null;

test.each([
  [[], null],
  [[item(mine, { state: 'sent' })], null],
  [[item(mine)], 'One entry saved on this device, not sent yet.'],
  [[item(mine), item(mine), item(marens)], '2 entries saved on this device, not sent yet.'],
  [[item(mine, { state: 'refused' }), item(mine)], 'One entry needs your decision. Nothing is lost.'],
  [[item(null)], 'One entry needs your decision. Nothing is lost.'],
  [[item(marens)], '1 of Maren’s waits until Maren signs in here.'],
  [
    [item(marens), item(marens), item({ id: 4, name: 'Pell' })],
    '2 of Maren’s wait until Maren signs in here. 1 more of others.',
  ],
])('the frame says of what waits (%#)', (items, sentence) => expect(say(items)).toBe(sentence));

test('made by an earlier version, by name only, it is still one’s own', () =>
  expect(say([item({ id: null, name: 'Ivo' })])).toBe('One entry saved on this device, not sent yet.'));

test('a device that keeps nothing is said before anything else, as long as something is only in the page', () => {
  const inPage = item(mine, { isKept: false });
  expect(say([inPage], 'full')).toMatch(/^The storage of this device is full\..*do not close it/);
  expect(say([inPage], 'forbidden')).toMatch(/^This browser does not let the page save anything\./);
  expect(say([item(mine)], 'full')).toBe('One entry saved on this device, not sent yet.');
});

test('what was refused says what can be done', () => {
  const problem = (code: string) => ({ problem: { type: '', title: '', status: 409, code } }) as Pick<Item, 'problem'>;
  expect(whatToDo(problem('time-not-known'))).toMatch(/^Say it again now/);
  expect(whatToDo(problem('not-found'))).toMatch(/^Look at how it is now/);
});
