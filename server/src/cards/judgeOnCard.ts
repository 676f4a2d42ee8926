import { CLOCKS, entryOf, folderOf, type ClockKind } from '@hudrik/core/catalogue';
import { entriesOfProof, readingsOf, verdictOf } from '@hudrik/core/proof';
import { planFor, ratedOf } from '@hudrik/core/ratings';
import { convertValue } from '@hudrik/core/units';
import type { JobRow, Trx } from '../database/tables';
import { closeOf } from '../defects/closeDefects';
import { openDefects } from '../defects/openDefects';
import { ratingsOfUnit } from '../fleet/models';
import type { Taking } from '../log/taking';
import { entriesOfVisit, visitOfJob } from '../visits/visits';

interface Said {
  readonly job: JobRow;
  readonly entryId: string;
  readonly at: Date;
}

/** A wait that ended badly is a defect; the same wait ended well closes it. One that was only stopped says nothing. */
export async function judgeWait(trx: Trx, { job, entryId, at }: Said, kind: string, result: string): Promise<void> {
  const clock = entryOf<ClockKind>(CLOCKS, kind);
  const [words, isGood] = clock?.results[result] ?? [];
  if (clock === undefined || words === undefined) return;
  if (isGood === true) {
    await closeOf(trx, { unitId: job.unit_id, kind: 'clock', ids: [kind] }, { entryId, how: 'put-right', at });
    return;
  }
  const found = {
    origin: { kind: 'clock', id: kind },
    sentence: `${clock.name}: ${words.toLowerCase()}.`,
    weight: 'hold',
    safety: clock.safety === true,
    caution: null,
    work: job.work,
  } as const;
  await openDefects(trx, { unitId: job.unit_id, entryId, at }, [found]);
}

/** A reading of the run that is outside its limits is a defect, until it is within in a later run; a mistyped one never was. */
export async function judgeReading({ change, id, facts }: Taking<'proof-reading'>, job: JobRow): Promise<void> {
  const { trx, unit, at } = change;
  const entries = entriesOfProof(await entriesOfVisit(trx, (await visitOfJob(trx, job.id)).id));
  const turned = entries.findLast((entry) => entry.kind === 'run-started' || entry.kind === 'run-stopped');
  if (turned?.kind !== 'run-started') return;
  const { proof, rated } = folderOf(unit.class_id);
  const own = await ratingsOfUnit(trx, unit);
  const reading = planFor(proof, rated, ratedOf(rated, own.model, own.unit)).readings.find(
    (one) => one.id === facts.reading,
  );
  if (reading === undefined) return;
  const value = convertValue(facts.value, facts.unit ?? reading.unit, reading.unit);
  const verdict = verdictOf(reading, value);
  if (verdict === 'well') {
    // The mistyped one was what held it, and none that stands does.
    if (facts.insteadOf !== undefined && readingsOf([reading], entries).every((shown) => shown.verdict === 'well'))
      await closeOf(
        trx,
        { unitId: unit.id, kind: 'reading', ids: [reading.id], foundBy: facts.insteadOf },
        { entryId: id, how: 'undone', at },
      );
    return;
  }
  const found = {
    origin: { kind: 'reading', id: reading.id },
    sentence: `${reading.name} ${verdict === 'low' ? 'too low' : 'too high'} in the run: ${Math.round(value * 100) / 100} ${reading.unit}.`,
    weight: 'hold',
    safety: false,
    caution: null,
    work: job.work,
  } as const;
  await openDefects(trx, { unitId: unit.id, entryId: id, at }, [found]);
}
