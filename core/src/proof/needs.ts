import { PROOF_NEEDS, type JobKind, type NeedTables, type ProofNeed } from '../catalogue/shapes';

interface NeedingJob {
  readonly kind: JobKind;
  readonly work: string;
  /** Families of its confirmed causes; none where none is confirmed. */
  readonly families: readonly string[];
}

const own = <T>(table: Readonly<Record<string, T>>, id: string): T | undefined =>
  Object.hasOwn(table, id) ? table[id] : undefined;

/**
 * What a job asks of its proof: by its causes where there are any, else by its work, else by its kind. Nothing: it ends with a look.
 * Source: common practice. Example: a new welding lead asks nothing, an oil service a short run and a second look at the level.
 */
export function needsOf({ kind, work, families }: NeedingJob, tables: NeedTables): ProofNeed[] {
  const wanted =
    families.length > 0
      ? families.flatMap((family) => own(tables.ofFamily, family) ?? tables.ofAnyCause)
      : (own(tables.ofWork, work) ?? tables.ofKind[kind]);
  return PROOF_NEEDS.filter((need) => wanted.includes(need));
}

/** The union of what jobs ask, in a fixed order. */
export const unionOf = (needs: readonly (readonly ProofNeed[])[]): ProofNeed[] =>
  PROOF_NEEDS.filter((need) => needs.some((one) => one.includes(need)));
