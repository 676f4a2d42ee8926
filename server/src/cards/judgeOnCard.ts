import { CLOCKS, entryOf, folderOf, PROOF_LOOKS, PROOFS, type ClockKind } from '@hudrik/core/catalogue';
import { cardOf } from '@hudrik/core/log';
import { entriesOfProof, readingsOf, verdictOf } from '@hudrik/core/proof';
import { planFor, ratedOf } from '@hudrik/core/ratings';
import { convertValue } from '@hudrik/core/units';
import type { JobRow, Trx } from '../database/tables';
import { closeOf } from '../defects/closeDefects';
import { openDefects } from '../defects/openDefects';
import { outside } from '../figures/judgeUnitAnew';
import { ratingsOfUnit } from '../fleet/models';
import type { UnitChange } from '../log/changeUnit';
import type { Taking } from '../log/taking';
import { entriesOfVisit, visitOfJob } from '../visits/visits';

type Change = Pick<UnitChange, 'trx' | 'unit' | 'at'>;

/** What a look is called; one for safety by its check. */
function nameOfLook(id: string): string {
  const looks = [
    ...PROOF_LOOKS.everyRun,
    PROOF_LOOKS.level,
    PROOF_LOOKS.tries,
    ...PROOFS.flatMap((plan) => plan.looks),
  ];
  return looks.find((look) => look.id === id)?.name ?? id.replace(/^safety-/, '').replaceAll('-', ' ');
}

interface Said {
  readonly job: JobRow;
  readonly entryId: string;
  readonly at: Date;
}

interface Ended {
  readonly kind: string;
  readonly short: boolean;
}

/**
 * A wait that ended badly is a defect; the same wait ended well closes it, but one that was cut short closes nothing that can hurt. One that was only
 * stopped says nothing.
 */
export async function judgeWait(
  trx: Trx,
  { job, entryId, at }: Said,
  { kind, short }: Ended,
  result: string,
): Promise<void> {
  const clock = entryOf<ClockKind>(CLOCKS, kind);
  const [words, isGood] = clock?.results[result] ?? [];
  if (clock === undefined || words === undefined) return;
  if (isGood === true) {
    const of = { unitId: job.unit_id, kind: 'clock', ids: [kind], harmless: short } as const;
    await closeOf(trx, of, { entryId, how: 'put-right', at });
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
  await openDefects(trx, { unitId: unit.id, entryId: id, at }, [outside(reading, value, job.work)]);
}

interface LookSaid {
  readonly id: string;
  readonly ok: boolean;
}

/** A look of a proof that was not right is a defect, until it is right after what was done and the proof has passed. */
export async function judgeLook(
  { change, id: entryId, at }: Taking<'leak-look' | 'proof-look'>,
  job: JobRow,
  look: LookSaid,
): Promise<void> {
  if (look.ok) return;
  const found = {
    origin: { kind: 'look', id: look.id },
    sentence: look.id === LEAKS ? 'It leaks with the fuel on.' : `Not right in the proof: ${nameOfLook(look.id)}.`,
    weight: 'hold',
    // What is looked at for safety, and whatever leaks.
    safety: look.id === LEAKS || look.id.startsWith('safety-'),
    ...{ caution: null, work: job.work },
  } as const;
  await openDefects(change.trx, { unitId: job.unit_id, entryId, at }, [found]);
}

const LEAKS = 'leak-look';

/** A slip that was taken back at once found nothing. */
export async function takeAnswerBack({ trx, unit, at }: Change, entryId: string, answer: string): Promise<void> {
  await closeOf(trx, { unitId: unit.id, kind: 'look', foundBy: answer }, { entryId, how: 'undone', at });
}

/** What stays off of a guard, a shield, the exhaust or a cable can hurt: a defect, unless a lead says that it is none of this unit's. */
export async function judgeStruckOff({ change, id, at, facts }: Taking<'struck-off'>, job: JobRow): Promise<void> {
  const { trx } = change;
  const { ledger } = cardOf(await entriesOfVisit(trx, (await visitOfJob(trx, job.id)).id));
  const thing = ledger.things.find((one) => one.thingId === facts.thingId);
  if (thing === undefined || !CAN_HURT.has(thing.system)) return;
  const found = {
    origin: { kind: 'stays-off', id: facts.thingId },
    sentence: `Stays off: ${thing.what}.`,
    ...({ weight: 'hold', safety: true, caution: null, work: null } as const),
  } as const;
  await openDefects(trx, { unitId: job.unit_id, entryId: id, at }, [found]);
}

/** Guards, shields and the exhaust; cables. What nobody named a system for may be one. */
const CAN_HURT: ReadonlySet<string | undefined> = new Set(['guard', 'electric', undefined]);

/** What was to stay off is on after all. */
export async function closeStaysOff(
  { trx, unit, at }: Change,
  { entryId, thingId, at: done }: { readonly entryId: string; readonly thingId: string; readonly at: Date },
): Promise<void> {
  const of = { unitId: unit.id, kind: 'stays-off', ids: [thingId], seenBy: done } as const;
  await closeOf(trx, of, { entryId, how: 'put-right', at });
}
