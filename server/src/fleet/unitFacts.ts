import type { FactName } from '@hudrik/core/catalogue';
import { forecastHours } from '@hudrik/core/hours';
import type { Trx } from '../database/tables';
import { rateOfUse } from './meters';
import { toUnitLine, unitRows } from './unitLines';

/** The figures of a unit that derived findings hang on, as they are now. */
export async function unitFacts(
  trx: Trx,
  unitId: number,
): Promise<Partial<Record<FactName, number>> & { readonly hoursToOilService: number }> {
  const unit = await trx.selectFrom('unit').selectAll().where('id', '=', unitId).executeTakeFirstOrThrow();
  const { hoursToOilService, nextHire } = toUnitLine(
    await unitRows(trx).where('u.id', '=', unitId).executeTakeFirstOrThrow(),
  );
  if (nextHire === null) return { hoursToOilService };
  const days = (Date.parse(nextHire.toAt) - Date.parse(nextHire.fromAt)) / 86_400_000;
  const { expected } = forecastHours(await rateOfUse(trx, unit), days);
  return { hoursToOilService, hoursToOilServiceAfterNextHire: hoursToOilService - expected };
}
