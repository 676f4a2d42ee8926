import {
  JUDGEMENT,
  type Check,
  type Consequence,
  type Exception,
  type Limit,
  type RaisedWork,
  type Shown,
} from '../catalogue/shapes';
import { areOfOneDimension, convertValue, isUnit, type AnyUnit } from '../units';

/** What a person answered to one check. */
export interface Answer {
  readonly check: string;
  readonly result: 'ok' | 'not-ok' | 'could-not-look' | 'not-possible';
  /** Why it could not be made. */
  readonly because?: 'will-not-start' | 'not-under-pressure' | 'in-parts' | undefined;
  /** Which exception, when not OK. */
  readonly exception?: string | undefined;
  readonly reading?: { readonly value: number; readonly unit: string } | undefined;
}

/** What conversion may add to or take from a figure, as a share of it. */
const HAIR = 1e-9;

/** Below, in or above the limit. At the limit itself a reading is in. */
export function placeInLimit(value: number, limit: Limit): 'low' | 'in' | 'high' {
  if (limit.kind !== 'at-most' && value < limit.min - Math.abs(limit.min) * HAIR) return 'low';
  if (limit.kind !== 'at-least' && value > limit.max + Math.abs(limit.max) * HAIR) return 'high';
  return 'in';
}

/** The exception an answer comes to: the one picked, or the one that its reading is. */
export function exceptionOf(check: Check, answer: Answer): Exception | undefined {
  if (answer.reading !== undefined && check.measured !== undefined) {
    const { value, unit } = answer.reading;
    const place = placeInLimit(asIn(value, unit, check.measured.unit), check.measured.limit);
    const byReading = place === 'in' ? undefined : place === 'low' ? check.measured.low : check.measured.high;
    if (byReading !== undefined) return check.exceptions.find((entry) => entry.id === byReading);
  }
  if (answer.result !== 'not-ok') return undefined;
  return check.exceptions.find((entry) => entry.id === answer.exception) ?? check.exceptions[0];
}

/** A reading in the unit of its limit; one whose unit does not measure that is taken as it stands. */
const asIn = (value: number, from: string, to: AnyUnit): number =>
  from === to || !isUnit(from) || !areOfOneDimension(from, to) ? value : convertValue(value, from, to);

/** What one finding contributes, wherever it came from. */
export interface Finding {
  readonly origin: Origin;
  readonly consequence: Consequence;
  readonly sentence: string;
  readonly safety: boolean;
  readonly raises?: RaisedWork | undefined;
  readonly shows?: Shown | undefined;
  readonly caution?: string | undefined;
}

export type Origin =
  | { readonly kind: 'check'; readonly id: string; readonly exception: string }
  | { readonly kind: 'told'; readonly id: string }
  | { readonly kind: 'derived'; readonly id: string }
  | { readonly kind: 'kit'; readonly id: string }
  | { readonly kind: 'hours'; readonly id: string };

/** A figure typed beside "could not look" is a figure: it was looked at. */
export const asLooked = <A extends Pick<Answer, 'result' | 'reading'>>(answer: A): A =>
  answer.result === 'could-not-look' && answer.reading !== undefined ? { ...answer, result: 'ok' } : answer;

/** The finding of one answered check, or undefined when there is nothing to say. */
export function findingOfAnswer(check: Check, answer: Answer, findFault?: RaisedWork): Finding | undefined {
  if (answer.result === 'could-not-look') return notLookedAt(check);
  if (answer.result === 'not-possible') return notPossible(check, answer, findFault);
  // What is measured and has no number was not measured.
  if (answer.result === 'ok' && check.measured !== undefined && answer.reading === undefined) return notLookedAt(check);
  const exception = exceptionOf(check, answer);
  if (exception === undefined) return undefined;
  return {
    origin: { kind: 'check', id: check.id, exception: exception.id },
    consequence: exception.consequence,
    sentence: exception.sentence,
    safety: check.kind === 'safety',
    raises: exception.raises,
    shows: exception.shows,
    caution: exception.caution ?? (exception.consequence === 'hold' ? check.caution : undefined),
  };
}

const LOOK_AGAIN: RaisedWork = {
  source: JUDGEMENT,
  kind: 'prep',
  work: 'look-again',
  title: 'Look at what could not be seen at check-in',
  minutes: 5,
};

function notLookedAt(check: Check): Finding {
  const safety = check.kind === 'safety';
  return {
    origin: { kind: 'check', id: check.id, exception: 'could-not-look' },
    consequence: safety ? 'hold' : 'fix-before-hire',
    sentence: `Not looked at: ${check.words.charAt(0).toLowerCase()}${check.words.slice(1)}.`,
    safety,
    raises: LOOK_AGAIN,
  };
}

const BECAUSE = {
  'will-not-start': 'it will not start',
  'not-under-pressure': 'it was not under pressure',
  'in-parts': 'it is in parts',
} as const;

/** It could not be looked at as it is. It stays open as such, and is asked by the proof. */
function notPossible(check: Check, { because = 'will-not-start' }: Answer, findFault: RaisedWork | undefined): Finding {
  const safety = check.kind === 'safety';
  return {
    origin: { kind: 'check', id: check.id, exception: 'not-possible' },
    consequence: safety ? 'hold' : 'fix-before-hire',
    sentence: `Not possible, ${BECAUSE[because]}: ${check.words.charAt(0).toLowerCase()}${check.words.slice(1)}.`,
    safety,
    raises: because === 'will-not-start' && findFault !== undefined ? findFault : LOOK_AGAIN,
  };
}
