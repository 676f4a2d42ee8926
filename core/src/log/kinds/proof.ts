import { PROOF_READING_IDS } from '../../catalogue/ids';
import {
  LEAD_ONLY,
  SIGNS_OFF,
  WORKS_ON_UNITS,
  boolean,
  id,
  number,
  object,
  reasonText,
  string,
  text,
} from '../../fields';
import {
  dryFirst,
  loadFits,
  lookInTime,
  mayCorrectLive,
  mayTakeBack,
  nothingOff,
  proofMissing,
  readingFits,
  signedSince,
  smokeInTime,
  systemsSaid,
  whatWasDone,
} from '../proofRefusals';
import { closingLooks, defectIds, measuredLooks, nothing, witnessed } from '../schemas';
import { logKind, telling } from '../shape';
import { saySecond, type Witnessed } from './defects';

/** What was done since it was said not to be right. */
const did = reasonText.optional();

/** The work is done; now it is proved. */
export const toProof = logKind({
  kind: 'to-proof',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  card: { refusal: nothingOff, visitState: () => 'to-prove' },
  sentence: () => telling('Proof started'),
});

/** The proof is left: the work goes on. */
export const backToWork = logKind({
  kind: 'back-to-work',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ why: text.defined() }),
  card: { change: (card) => ({ ...card, signatureAsked: null }), visitState: () => 'open' },
  sentence: (facts) => telling('Proof stopped, back to the work', facts.why),
});

/** The look for leaks with the fuel on, before anything runs. */
export const leakLook = logKind({
  kind: 'leak-look',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ dry: boolean().required(), note: text.defined(), did }),
  closes: true,
  card: { ofProof: true, refusal: (asked) => (asked.facts.dry ? whatWasDone(asked, 'leak-look') : null) },
  sentence: ({ dry, note, did: done }) =>
    telling(dry ? 'Fuel on: dry' : 'It leaks', note, done !== undefined && `Done since: ${done}`),
});

/** What it is loaded with, and the figure that was set. */
export const proofLoad = logKind({
  kind: 'proof-load',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    load: string().max(40).nullable().defined(),
    /** Older ones have none. */
    figure: object({ value: number().min(0).max(1e6).required(), unit: string().max(12).required() })
      .optional()
      .default(undefined),
  }),
  card: { ofProof: true, refusal: loadFits },
  sentence: ({ load, figure }) =>
    telling(
      load === null ? 'No load' : `Load: ${load.replaceAll('-', ' ')}`,
      figure && `Set to ${figure.value} ${figure.unit}`,
    ),
});

/** No load is to be had, a lead says: what it would have shown stays unproved, and that is shown. */
export const loadNotHad = logKind({
  kind: 'load-not-had',
  on: 'job',
  who: LEAD_ONLY,
  facts: object({ why: reasonText.required() }),
  closes: true,
  card: { ofProof: true },
  sentence: (facts) => telling('No load to be had', facts.why),
});

/** Whether the exhaust is clear. */
export const smoke = logKind({
  kind: 'smoke',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ clear: boolean().required() }),
  card: { ofProof: true, refusal: smokeInTime },
  sentence: ({ clear }) => telling(clear ? 'Exhaust clear' : 'It smokes'),
});

/** It runs. */
export const runStarted = logKind({
  kind: 'run-started',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  card: { ofProof: true, refusal: (asked) => nothingOff(asked) ?? dryFirst(asked) },
  sentence: () => telling('Run started'),
});

/** It stands. */
export const runStopped = logKind({
  kind: 'run-stopped',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ why: text.defined() }),
  card: { ofProof: true },
  sentence: (facts) => telling('Run stopped', facts.why),
});

/** A reading of the run, in the unit in which it was taken. Without a unit: the one of the class's list, as older ones were. */
export const proofReading = logKind({
  kind: 'proof-reading',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    reading: string().oneOf(PROOF_READING_IDS).required(),
    value: number().min(0).max(100_000).required(),
    unit: string().max(12).optional(),
    live: boolean().required(),
    /** The entry that was mistyped, which this one stands for. */
    insteadOf: id.optional(),
    /** Of what the instruments said by themselves a lead says why it does not stand. */
    why: reasonText.optional(),
  }),
  card: { ofProof: true, refusal: (asked) => readingFits(asked) ?? mayCorrectLive(asked) },
  sentence: ({ reading, value, unit, live, insteadOf, ...facts }) =>
    telling(
      `Proof reading, ${reading.replaceAll('-', ' ')}: ${value}${unit === undefined ? '' : ` ${unit}`}`,
      live && 'By the instruments',
      insteadOf !== undefined && (facts.why === undefined ? 'In place of a mistyped one' : 'In place of another'),
      facts.why,
    ),
});

/** One of the looks that a proof asks for. */
export const proofLook = logKind({
  kind: 'proof-look',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ look: string().max(80).required(), ok: boolean().required(), did }),
  closes: true,
  card: {
    ofProof: true,
    refusal: (asked) => lookInTime(asked) ?? (asked.facts.ok ? whatWasDone(asked, asked.facts.look) : null),
  },
  sentence: ({ look, ok, did: done }) =>
    telling(`${look.replaceAll('-', ' ')}: ${ok ? 'right' : 'not right'}`, done !== undefined && `Done since: ${done}`),
});

/** An answer was a slip of the thumb: whoever gave it takes it back at once. Both stay written down. */
export const answerTakenBack = logKind({
  kind: 'answer-taken-back',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ entryId: id.required() }),
  card: { ofProof: true, refusal: mayTakeBack },
  sentence: () => telling('An answer taken back'),
});

interface Proved extends Witnessed {
  /** What no load could show, by its codes, and why there was none. */
  readonly unproved?: { readonly why: string; readonly what: readonly string[] };
}

/** The signature under a proof. */
export const proved = logKind({
  kind: 'proved',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({
    passed: boolean().required(),
    note: text.defined(),
    looks: closingLooks,
    measured: measuredLooks,
    /** What was told and did not show in a proof long enough for it. */
    notFound: defectIds,
    /** What is still not right, and stays open. */
    leftOpen: defectIds,
    ...witnessed,
  }),
  closes: true,
  card: {
    ofProof: true,
    change: (card) => ({ ...card, signatureAsked: null }),
    refusal: (asked) =>
      asked.facts.passed
        ? (nothingOff(asked) ?? systemsSaid(asked) ?? signedSince(asked) ?? proofMissing(asked))
        : null,
    visitState: (_, { passed }) => (passed ? 'ended' : 'open'),
  },
  sentence: ({ passed, note }, { unproved, ...who }: Proved) =>
    telling(
      passed ? 'Proof passed' : 'Proof failed',
      note,
      saySecond(who),
      unproved && `Not proved, for want of a load: ${unproved.why}`,
    ),
});
