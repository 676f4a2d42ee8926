import { SIGNS_OFF, object, text } from '../../fields';
import { closingLooks, defectIds, measuredLooks } from '../schemas';
import { logKind, telling, type Names } from '../shape';

/** What the proof came to, where there was one; and what the job did not do, so that it starts nothing anew. */
interface Finished extends Names {
  readonly proof?: {
    readonly minutesRun?: number;
    readonly minutesUnderLoad?: number;
    readonly load: string | null;
    readonly readings?: readonly { readonly name: string; readonly value: number; readonly unit: string }[];
  };
  readonly kept?: string;
  /** What is no more, in the defects' own words. */
  readonly closed?: readonly string[];
  /** What was told and did not show. */
  readonly notFound?: readonly string[];
  /** What is still not right. */
  readonly leftOpen?: readonly string[];
}

function proofLines(proof: Finished['proof']): string[] {
  if (proof === undefined) return [];
  const minutes = proof.minutesRun ?? proof.minutesUnderLoad;
  return [
    `Proved: ${minutes} min under load${proof.minutesUnderLoad === undefined || proof.load === null ? '' : `. ${proof.load}`}.`,
    ...(proof.readings ?? []).map((reading) => `${reading.name}: ${reading.value} ${reading.unit}`),
  ];
}

/** A job is done: signed off after a look, or by its passed proof. */
export const jobFinished = logKind({
  kind: 'job-finished',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({ note: text.defined(), looks: closingLooks, measured: measuredLooks, leftOpen: defectIds }),
  sentence: ({ note }, { title, proof, kept, closed, notFound, leftOpen }: Finished) =>
    telling(
      `Done: ${title ?? 'a job'}`,
      ...proofLines(proof),
      ...(closed ?? []).map((sentence) => `Put right: ${sentence}`),
      ...(notFound ?? []).map((sentence) => `Not found: ${sentence}`),
      ...(leftOpen ?? []).map((sentence) => `Still open: ${sentence}`),
      note,
      kept,
    ),
});
