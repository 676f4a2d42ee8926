import type { Check } from '@hudrik/core/catalogue';
import { placeInLimit } from '@hudrik/core/verdict';
import type { DraftAnswer } from './draft';

/** Why a check could not be made. */
export const BECAUSE_WORD = {
  'will-not-start': 'It will not start',
  'not-under-pressure': 'Not under pressure',
  'in-parts': 'It is in parts',
} as const;

/** What a figure says of a check: in order inside its limit, else the exception that it is. */
export function answerOf(check: Check, value: number, before: DraftAnswer | undefined): DraftAnswer {
  const { measured } = check;
  const kept = before ?? { check: check.id, photos: [] };
  if (measured === undefined) return { ...kept, result: 'ok' };
  const place = placeInLimit(value, measured.limit);
  const reading = { value, unit: measured.unit };
  return place === 'in'
    ? { ...kept, reading, result: 'ok', exception: undefined }
    : { ...kept, reading, result: 'not-ok', exception: place === 'low' ? measured.low : measured.high };
}
