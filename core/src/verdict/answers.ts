import type { Check, Consequence, Exception, Limit, RaisedWork, Shown } from '../catalogue/shapes';

/** What a person answered to one check. */
export interface Answer {
  readonly check: string;
  readonly result: 'ok' | 'not-ok' | 'could-not-look';
  /** Which exception, when not OK. */
  readonly exception?: string | undefined;
  readonly reading?: { readonly value: number; readonly unit: string } | undefined;
}

/** Below, in or above the limit. At the limit itself a reading is in. */
export function placeInLimit(value: number, limit: Limit): 'low' | 'in' | 'high' {
  if (limit.kind !== 'at-most' && value < limit.min) return 'low';
  if (limit.kind !== 'at-least' && value > limit.max) return 'high';
  return 'in';
}

/** The exception an answer comes to: the one picked, or the one that its reading is. */
export function exceptionOf(check: Check, answer: Answer): Exception | undefined {
  if (answer.reading !== undefined && check.measured !== undefined) {
    const place = placeInLimit(answer.reading.value, check.measured.limit);
    const byReading = place === 'in' ? undefined : place === 'low' ? check.measured.low : check.measured.high;
    if (byReading !== undefined) return check.exceptions.find((entry) => entry.id === byReading);
  }
  if (answer.result !== 'not-ok') return undefined;
  return check.exceptions.find((entry) => entry.id === answer.exception) ?? check.exceptions[0];
}

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

/** The finding of one answered check, or undefined when there is nothing to say. */
export function findingOfAnswer(check: Check, answer: Answer): Finding | undefined {
  if (answer.result === 'could-not-look') return notLookedAt(check);
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

function notLookedAt(check: Check): Finding {
  const safety = check.kind === 'safety';
  return {
    origin: { kind: 'check', id: check.id, exception: 'could-not-look' },
    consequence: safety ? 'hold' : 'fix-before-hire',
    sentence: `Not looked at: ${check.words.charAt(0).toLowerCase()}${check.words.slice(1)}.`,
    safety,
    raises: { kind: 'prep', work: 'look-again', title: 'Look at what could not be seen at check-in', minutes: 5 },
  };
}
