import type { Facts } from '@hudrik/core/log';
import type { Proof } from '@hudrik/core/proof';
import type { DefectRow, Trx, UnitRow } from '../database/tables';
import { refuse } from '../refusal';
import { mustClose } from './lookedAt';

type Signed = Pick<Facts<'proved'>, 'looks' | 'measured' | 'leftOpen'> & Pick<Partial<Facts<'proved'>>, 'notFound'>;

interface Signing {
  readonly unit: UnitRow;
  readonly jobIds: readonly number[];
  readonly facts: Signed;
  /** When it was signed: what was seen after that it does not speak of. */
  readonly at: Date;
  /** The proof that has passed; without one, what ends with a look. */
  readonly proof?: Proof;
}

/** What becomes of each thing that the jobs were there for. What was seen after it was signed stays open. */
export interface Signature {
  readonly right: readonly DefectRow[];
  readonly notFound: readonly DefectRow[];
  /** Still not right, or told and not explained by causes that are put right: it stays with the unit, and nothing is being done about it. */
  readonly leftOpen: readonly DefectRow[];
}

/**
 * Refused while a defect of the jobs was not looked at by who signs: a signature closes what it has seen in order, leaves open what it says is
 * not, and passes over nothing.
 */
export async function signatureOf(trx: Trx, { unit, jobIds, facts, at, proof }: Signing): Promise<Signature> {
  const open = await openDefectsOf(trx, jobIds);
  const isLater = (defect: DefectRow): boolean => defect.seen_at > at;
  const isIn = (ids: readonly string[] | undefined) => (defect: DefectRow) => ids?.includes(defect.id) === true;
  const notFound = proof
    ? open.filter((defect) => isWithoutCause(defect) && !isLater(defect)).filter(isIn(facts.notFound))
    : [];
  const staying = await staysOf(
    trx,
    unit.id,
    (defect) => jobIds.includes(defect.job_id ?? 0) && !isIn(facts.leftOpen)(defect),
  );
  const leftOpen = open.filter(
    (defect) =>
      !notFound.includes(defect) && (isIn(facts.leftOpen)(defect) || isLater(defect) || isUnexplained(defect, staying)),
  );
  const right = open.filter((defect) => !notFound.includes(defect) && !leftOpen.includes(defect));
  const missed = right.filter((defect) => !isIn(facts.looks)(defect) && !isShownBy(proof, defect));
  if (missed.length > 0)
    return refuse('not-looked-at', { defects: missed.map(({ id, sentence }) => ({ id, sentence })) });
  for (const defect of right) {
    const measured = facts.measured?.find((one) => one.defectId === defect.id);
    await mustClose(trx, defect, { unit, at, how: 'put-right', measured, signed: right, proof });
  }
  return { right, notFound, leftOpen };
}

/** Something told, which nothing that was confirmed explains. */
const isWithoutCause = (defect: DefectRow): boolean => defect.origin_kind === 'told' && defect.causes.length === 0;

/** Something told stays with the unit without a cause, and while one of its causes stays. */
const isUnexplained = (defect: DefectRow, staying: ReadonlySet<string>): boolean =>
  isWithoutCause(defect) || (defect.origin_kind === 'told' && defect.causes.some((cause) => staying.has(cause)));

/** Confirmed causes of the unit that are open still after those that are signed now. */
async function staysOf(trx: Trx, unitId: number, isSigned: (defect: DefectRow) => boolean): Promise<Set<string>> {
  const causes = await trx
    .selectFrom('defect')
    .selectAll()
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', 'cause')
    .where('closed_at', 'is', null)
    .execute();
  return new Set(causes.filter((cause) => !isSigned(cause)).map((cause) => cause.origin_id));
}

/** A reading that was outside and is within in this run, and a look that was not right and is in this proof, need nobody's look besides. */
function isShownBy(proof: Proof | undefined, { origin_kind: kind, origin_id: id }: DefectRow): boolean {
  if (proof === undefined) return false;
  if (kind === 'reading') return proof.readings.some(({ reading, verdict }) => reading.id === id && verdict === 'well');
  return (
    kind === 'look' && (proof.looks.some((one) => one.look.id === id && one.ok === true) || proof.leakLook === 'dry')
  );
}

const openDefectsOf = async (trx: Trx, jobIds: readonly number[]): Promise<DefectRow[]> =>
  jobIds.length === 0
    ? []
    : trx
        .selectFrom('defect')
        .selectAll()
        .where('job_id', 'in', [...jobIds])
        .where('closed_at', 'is', null)
        .orderBy('found_at')
        .orderBy('id')
        .execute();

export const sentencesOf = (defects: readonly DefectRow[]): string[] => defects.map((defect) => defect.sentence);
export const idsOf = (defects: readonly DefectRow[]): string[] => defects.map((defect) => defect.id);
