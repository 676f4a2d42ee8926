import { JUDGEMENT, type Threshold } from '../catalogue/shapes';

export const FREE_TRIES: Threshold = {
  name: 'So many wrong PINs of somebody on a device cost no wait',
  value: 3,
  unit: 'PINs',
  source: JUDGEMENT,
};
export const FIRST_WAIT: Threshold = {
  name: 'After the third wrong PIN the next waits so long, after each more twice as long',
  value: 5,
  unit: 's',
  source: JUDGEMENT,
};
export const LONGEST_WAIT: Threshold = {
  name: 'However many PINs were wrong, the next waits no longer',
  value: 3600,
  unit: 's',
  source: JUDGEMENT,
};

/** How long after so many wrong PINs of one person on one device the next is taken, seconds. Nobody else waits for it; nobody is locked out. */
export const waitAfterWrong = (wrong: number): number =>
  wrong < FREE_TRIES.value ? 0 : Math.min(FIRST_WAIT.value * 2 ** (wrong - FREE_TRIES.value), LONGEST_WAIT.value);

/** How many PINs somebody can try on one device within so many seconds, when each is wrong. */
export function triesWithin(seconds: number): number {
  let [spent, tries] = [0, 1];
  for (; ; tries++) {
    spent += waitAfterWrong(tries);
    if (spent > seconds) return tries;
  }
}
