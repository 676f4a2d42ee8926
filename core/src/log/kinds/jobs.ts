import { STANDING_WORKS } from '../../catalogue/layUp';
import { ITEM_OF_WORK } from '../../catalogue/servicePlans';
import { SIGNS_OFF, WORKS_ON_UNITS, id, jobKind, name, number, object, string, text, reasonText } from '../../fields';
import { closingLooks, defectIds, measuredLooks, nothing } from '../schemas';
import { type Names, logKind, telling } from '../shape';

/** Work raised by hand, or by what was found. */
export const jobRaised = logKind({
  kind: 'job-raised',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    kind: jobKind.required(),
    title: name.required(),
    minutes: number().integer().min(1).max(2000).required(),
    /** Work that a counter hangs on, or a lay-up's or a wake-up's: with it, the job is that, and no second one. Without it, work of its own. */
    work: string()
      .oneOf([...Object.keys(ITEM_OF_WORK), ...STANDING_WORKS])
      .optional(),
    blocks: string().oneOf(['hold', 'prep', 'none']).required(),
    /** What it is to put right, where nothing is being done about that. */
    defectId: id.optional(),
  }),
  sentence: ({ title }) => telling(`Job raised: ${title}`),
});

/** A waiting job is taken to the bench: its steps are listed. */
export const jobStarted = logKind({
  kind: 'job-started',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  sentence: (_, { title }: Names) => telling(`Work started: ${title ?? 'a job'}`),
});

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
  closes: true,
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

/** A job is not done, with a reason. */
export const jobDropped = logKind({
  kind: 'job-dropped',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({ why: reasonText.required() }),
  sentence: (facts, { title }: Names) => telling(`Dropped: ${title ?? 'a job'}`, facts.why),
});

/** A job is left for a later visit, with a reason. What it is there for stays open. */
export const jobPutOff = logKind({
  kind: 'job-put-off',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({ why: reasonText.required() }),
  sentence: (facts, { title }: Names) => telling(`Put off: ${title ?? 'a job'}`, facts.why),
});
