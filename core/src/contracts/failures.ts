import type { FailureFacts } from './failureFacts';

/** Everything the API may refuse, with its status and its first sentence. One code, one meaning. */
export const FAILURES = {
  'not-signed-in': { status: 401, title: 'Sign in first. What you entered is kept on this device.' },
  'somebody-else': { status: 401, title: 'Somebody else is signed in on this device now.' },
  'not-let-in': { status: 401, title: 'This device is not let in here. A lead shows a code that lets it in.' },
  'wrong-code': { status: 404, title: 'That code is not known, was used, or is older than ten minutes.' },
  'foreign-origin': { status: 403, title: 'That was asked from another site’s page.' },
  'version-wanted': { status: 428, title: 'Say which version you saw: somebody may have changed it meanwhile.' },
  'too-slow': { status: 408, title: 'What was sent did not arrive in time.' },
  'wrong-pin': { status: 401, title: 'That name and PIN do not go together.' },
  'not-your-role': { status: 403, title: 'Your role may not do this.' },
  'not-found': { status: 404, title: 'There is nothing here under that name.' },
  'no-such-tag': { status: 404, title: 'No unit on this yard has that tag.' },
  'not-valid': { status: 422, title: 'Something in what was sent is not right.' },
  'not-json': { status: 400, title: 'What was sent cannot be read as JSON.' },
  'too-large': { status: 413, title: 'That is too large to keep.' },
  'not-a-photo': { status: 415, title: 'That file is not a photo that can be shown.' },
  'too-many': { status: 429, title: 'Too many wrong tries. Wait a little.' },
  'too-many-photos': {
    status: 429,
    title: 'Too many of your photos hang on nothing yet. Send what they belong to first.',
  },
  'hours-below-last': {
    status: 422,
    title: 'The hours are below the last reading. A replaced meter is recorded as such.',
  },
  'hours-above-next': {
    status: 422,
    title: 'The hours are above the reading that came after. Correct that one first.',
  },
  'hours-not-plausible': {
    status: 422,
    title: 'The hours do not fit the clock. Read the meter again, or confirm them.',
  },
  'finding-closed': { status: 409, title: 'This finding is closed already.' },
  'last-lead': { status: 409, title: 'Somebody must be lead. Make another lead first.' },
  'would-spoil': { status: 409, title: 'That would spoil what is in this can. Take an empty one, or dispose of it.' },
  'not-laid-up': { status: 409, title: 'This unit is not laid up.' },
  'does-not-fit': { status: 422, title: 'That way of lay-up does not fit this class.' },
  'tank-too-small': { status: 422, title: 'That is more than it holds.' },
  'changed-meanwhile': { status: 412, title: 'Somebody changed this meanwhile.' },
  'not-ready': { status: 409, title: 'This unit may not go out.' },
  'prep-not-done': { status: 409, title: 'Its prep is not done. A lead may waive it with a reason.' },
  'already-out': { status: 409, title: 'This unit is already out.' },
  'hire-in-past': { status: 422, title: 'That hire would begin in the past. Hand the unit out instead.' },
  'hire-too-short': { status: 422, title: 'A hire is at least an hour.' },
  'hire-doubtful': { status: 409, title: 'That may not come off. Book it all the same?' },
  'hire-overlaps': { status: 409, title: 'That unit is promised to somebody else in that time.' },
  'already-there': { status: 409, title: 'That is already there.' },
  'not-looked-at': { status: 409, title: 'Look at what was found first: it must be in order before this is signed.' },
  'things-off': { status: 409, title: 'Things of it are still off. Put them back, or note what stays off, first.' },
  'clock-runs': { status: 409, title: 'A clock runs on it. Wait for it, or end it on its card, first.' },
  'defect-closed': { status: 409, title: 'Somebody closed this already.' },
  'unit-is-out': { status: 409, title: 'This unit is out on hire. Check it in before work on it begins.' },
  'look-too-old': { status: 409, title: 'It was seen again after that look. Look once more.' },
  'worked-since': { status: 409, title: 'It was worked on there after that look. Look once more.' },
  'needs-proof': { status: 409, title: 'A look is no repair. Put it right on its job, which is proved and signed.' },
  'second-wanted': { status: 409, title: 'A second person has to say so too.' },
  'second-present': { status: 409, title: 'Somebody else is here today who can look too.' },
  'photo-wanted': { status: 409, title: 'A photo is wanted of this, taken for it.' },
  'no-such-witness': { status: 409, title: 'That second person’s word is used up, or too old. Ask them once more.' },
  'time-not-known': {
    status: 409,
    title: 'When that was done is not known here, so it ends nothing. Say it again while this device is connected.',
  },
  'always-there': { status: 409, title: 'Every unit of this class has that.' },
  'check-open': { status: 409, title: 'Its check has found something else. Settle that first.' },
  'figure-not-confirmed': {
    status: 409,
    title:
      'The figure it is held against was changed since. A lead confirms the new one from the plate, then it is measured again.',
  },
  'no-figure-changed': { status: 409, title: 'That figure is not the one that was changed.' },
  'kit-not-counted': { status: 409, title: 'What goes along is not counted yet.' },
  'looks-missing': { status: 409, title: 'Look at it first, as it goes out.' },
  'not-alone': { status: 409, title: 'That was not done alone, or is countersigned already.' },
  'own-word': { status: 409, title: 'Somebody else has to say so: it is your own word.' },
  'wrong-host': { status: 421, title: 'This yard does not go by that name.' },
  'closes-otherwise': { status: 409, title: 'A look alone does not close this.' },
  'needs-number': {
    status: 409,
    title: 'What was found by a measurement is closed by a measurement. Enter the figure.',
  },
  'not-in-limit': { status: 409, title: 'That figure is not within its limits.' },
  'not-shown-yet': { status: 409, title: 'More than a look is needed before this is closed.' },
  'not-lived-with': { status: 409, title: 'This cannot be lived with.' },
  'job-closed': { status: 409, title: 'This job is already closed.' },
  'not-proven': { status: 422, title: 'A repair is done when it ran under load and passed. Not proven, not fit.' },
  'card-refused': { status: 409, title: 'This card has changed since you opened it.' },
  'part-unknown': { status: 404, title: 'No part has that number, today or before.' },
  'parts-tangled': {
    status: 409,
    title: 'That number leads in a circle or to two parts. Correct the list of numbers.',
  },
  'not-in-stock': { status: 409, title: 'There are not enough on the shelf.' },
  'part-line-moved': { status: 409, title: 'Somebody changed that part meanwhile.' },
  'order-moved': { status: 409, title: 'This order has changed since you opened it.' },
  'shelf-promised': { status: 409, title: 'That is fewer than are promised to jobs. Give some of them up first.' },
  'supplier-away': { status: 503, title: 'The supplier cannot be reached. The order is kept and sent again.' },
  'instruments-away': { status: 503, title: 'The load bank and the tachometer do not answer. Readings can be typed.' },
  'not-to-be-had': { status: 409, title: 'The supplier no longer has that part.' },
  'not-hired': { status: 409, title: 'This hire is not out.' },
  'backup-damaged': { status: 422, title: 'That file is no backup of Hudrik, or it is damaged.' },
  'backup-of-another': { status: 409, title: 'That was written by another version of Hudrik.' },
  'wrong-columns': { status: 422, title: 'This file does not have the columns that are needed.' },
  'store-away': {
    status: 503,
    title: 'The yard’s records cannot be reached just now. Nothing is lost: it is tried again.',
  },
  'bad-key': { status: 400, title: 'An idempotency key has 8 to 100 letters, figures, dots, dashes or underscores.' },
  'key-reused': { status: 409, title: 'This key was used for something else.' },
  unexpected: {
    status: 500,
    title: 'Something went wrong here. It is written down for the people who keep this running.',
  },
} as const;

export type FailureCode = keyof typeof FAILURES;

/** What goes with a refusal of this code. */
export type FactsOf<C extends FailureCode> = C extends keyof FailureFacts ? FailureFacts[C] : Record<string, never>;

/** One field that was not right. */
export interface FieldFailure {
  /** JSON path, dotted: "hours.reading". */
  readonly path: string;
  readonly message: string;
}

/** The body of a refusal: RFC 9457 problem details with a code, and what the app needs to say it well. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly code: FailureCode;
  readonly detail?: string;
  readonly errors?: readonly FieldFailure[];
  readonly facts?: Readonly<Record<string, unknown>>;
}
