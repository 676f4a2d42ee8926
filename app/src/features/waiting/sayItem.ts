import type { ChangeId } from '@hudrik/core/contracts';
import { entryOf as named } from '@hudrik/core/catalogue';
import { tellEntry } from '@hudrik/core/log';
import { WORDING } from '@/features/fleet';
import { entryOf, isEntry, type Item } from '@/outbox';

/** What a change that is no entry was, in words. */
const CHANGE_WORD: Readonly<Record<ChangeId, string>> = {
  setPreferences: 'Your own settings',
  wrongPinsSeen: 'Wrong PINs seen',
  changeSettings: 'Settings of the yard',
  changeUnit: 'A unit changed',
  changeSheet: 'A data sheet changed',
  cancelHire: 'A hire cancelled',
  addPart: 'A new part',
  countPart: 'A part counted',
  addOrder: 'An order',
  sendOrder: 'An order sent again',
  receiveOrder: 'An order has arrived',
  changeExchangePart: 'An exchange part changed',
  changePlan: 'A service plan changed',
  setHours: 'Working hours changed',
  addAbsence: 'An absence added',
  endAbsence: 'An absence ended',
  addCan: 'A new can',
  changeCan: 'A can changed',
  setModelTank: 'A tank described',
  chooseLayUp: 'A way of lay-up chosen',
  setSeasons: 'Seasons changed',
  forgetLearned: 'What was learned, forgotten',
};

/** What an item is, in words. */
export function sayItem(item: Item): string {
  if (item.what === 'photo') return 'A photo';
  return isEntry(item) ? tellEntry(entryOf(item), WORDING).title : (named(CHANGE_WORD, item.operation) ?? 'A change');
}
