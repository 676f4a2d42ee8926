import { classOf } from '@hudrik/core/catalogue';
import { isImpossible } from '@hudrik/core/hours';
import { assessDraftHours, type Draft } from './draft';

/** Why the hours do not go on yet; null: they do. */
export function sayHoursOpen(draft: Draft, now: Date): string | null {
  const assessed = assessDraftHours(draft, now);
  if (assessed === null) return 'Enter what the meter shows.';
  const finding = assessed.findings[0];
  if (finding === undefined) return null;
  if (finding.code === 'below-last') return 'It shows less than before: was the meter replaced, or did it roll over?';
  if (isImpossible(finding)) return 'This meter cannot show that: read it once more.';
  return draft.confirmed ? null : 'Confirm above that it is so.';
}

/** Why fuel and kit do not go on yet: what is not answered. */
export function sayFuelOpen({ fuelEighths, fuelTap, ended, missing, opening }: Draft): string | null {
  const open = [
    fuelEighths === null && 'fuel',
    fuelTap === null && classOf(opening.classId).fuelTap && 'fuel tap',
    ended === null && 'how it ran',
    missing === null && 'what came back',
  ].filter((one): one is string => one !== false);
  return open.length === 0 ? null : `Still to answer: ${open.join(', ')}.`;
}
