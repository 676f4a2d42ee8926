import { own, RATING_IDS, type Check, type RatingId } from '@hudrik/core/catalogue';
import type { LimitsInForce } from '@hudrik/core/defects';
import { exceptionOf, placeInLimit } from '@hudrik/core/verdict';
import { areOfOneDimension, convertValue, isUnit } from '@hudrik/core/units';
import type { DefectRow, Trx } from '../database/tables';
import { figuresBehind } from '../figures/figureInForce';
import { refuse } from '../refusal';
import type { Look } from './look';

/** The limits that a check holds a figure against, as they are kept with what it finds. */
export const limitsOfCheck = ({ measured }: Check): LimitsInForce | null =>
  measured === undefined
    ? null
    : {
        rating: measured.rating ?? null,
        least: measured.limit.kind === 'at-most' ? null : measured.limit.min,
        most: measured.limit.kind === 'at-least' ? null : measured.limit.max,
        unit: measured.unit,
      };

/**
 * What was found by a number is closed by a number: typed at the look, or taken in the run. The limit in force when it was seen judges it. A figure
 * that was changed since judges it once a second person has read it from the plate, and it was measured again after that.
 */
export async function mustBeWithin(trx: Trx, defect: DefectRow, check: Check, look: Look): Promise<void> {
  const limits = check.measured;
  if (limits === undefined) return;
  const value = valueOf(look, check);
  if (value === undefined)
    return refuse('needs-number', { id: defect.id, sentence: defect.sentence, check: check.words, unit: limits.unit });
  // A run judges what it measured by limits of its own.
  const isInToday =
    look.measured === undefined || exceptionOf(check, { check: check.id, result: 'ok', reading: value }) === undefined;
  const changed = await unconfirmed(trx, defect, look);
  const isIn = changed === null ? isInToday : isWithin(value, defect.limits);
  if (isIn) return;
  if (changed !== null && isInToday)
    return refuse('figure-not-confirmed', {
      ...{ id: defect.id, sentence: defect.sentence, rating: changed.rating },
      ...{ of: changed.of, value: changed.value },
    });
  refuse('not-in-limit', { id: defect.id, sentence: defect.sentence });
}

/** The figure of the look itself, or of the run that is signed. */
function valueOf({ measured, proof }: Look, check: Check): Look['measured'] {
  if (measured !== undefined) return measured;
  const rating = check.measured?.rating;
  const run = proof?.readings.find(
    ({ reading, verdict }) => rating !== undefined && reading.rating === rating && verdict === 'well',
  );
  return run?.value == null ? undefined : { value: run.value, unit: run.reading.unit };
}

/** A figure that these limits go by, changed since the defect was found, and not confirmed before this look. */
async function unconfirmed(trx: Trx, defect: DefectRow, { unit, at }: Look) {
  const rating = RATING_IDS.find((id): id is RatingId => id === defect.limits?.rating);
  if (rating === undefined) return null;
  const figures = await figuresBehind(trx, unit, rating);
  return (
    figures.find(
      (figure) => figure.setAt > defect.found_at && (figure.confirmedAt === null || figure.confirmedAt > at),
    ) ?? null
  );
}

function isWithin({ value, unit }: NonNullable<Look['measured']>, kept: LimitsInForce | null): boolean {
  if (kept === null) return false;
  const isOfIt = isUnit(unit) && isUnit(kept.unit) && areOfOneDimension(unit, kept.unit);
  if (!isOfIt) return false;
  const [min, max] = [kept.least ?? -Infinity, kept.most ?? Infinity];
  const limit = { kind: 'within', min, max, source: own('plate or sheet') } as const;
  return placeInLimit(convertValue(value, unit, kept.unit), limit) === 'in';
}
