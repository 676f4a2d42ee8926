import { SIGNS_OFF, object, text } from '../../fields';
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
  facts: object({ note: text.defined() }),
  sentence: ({ note }, { title, proof, kept }: Finished) =>
    telling(`Done: ${title ?? 'a job'}`, ...proofLines(proof), note, kept),
});
