import { PROOF_READING_IDS } from '../../catalogue/ids';
import { SIGNS_OFF, WORKS_ON_UNITS, boolean, id, number, object, string, text } from '../../fields';
import { dryFirst, nothingOff, proofMissing } from '../refusals';
import { closingLooks, defectIds, measuredLooks, nothing } from '../schemas';
import { logKind, telling } from '../shape';

/** The work is done; now it is proved. */
export const toProof = logKind({
  kind: 'to-proof',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  card: { refusal: nothingOff, visitState: () => 'to-prove' },
  sentence: () => telling('Proof started'),
});

/** The proof is broken off: there is more to do. */
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
  facts: object({ dry: boolean().required(), note: text.defined() }),
  card: { ofProof: true },
  sentence: ({ dry, note }) => telling(dry ? 'Fuel on: dry' : 'It leaks', note),
});

/** What it is loaded with. */
export const proofLoad = logKind({
  kind: 'proof-load',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ load: string().max(40).nullable().defined() }),
  card: { ofProof: true },
  sentence: ({ load }) => telling(load === null ? 'No load' : `Load: ${load.replaceAll('-', ' ')}`),
});

/** Whether the exhaust is clear. */
export const smoke = logKind({
  kind: 'smoke',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ clear: boolean().required() }),
  card: { ofProof: true },
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
  }),
  card: { ofProof: true },
  sentence: ({ reading, value, unit, live, insteadOf }) =>
    telling(
      `Proof reading, ${reading.replaceAll('-', ' ')}: ${value}${unit === undefined ? '' : ` ${unit}`}`,
      live && 'By the instruments',
      insteadOf !== undefined && 'In place of a mistyped one',
    ),
});

/** One of the looks that a proof asks for. */
export const proofLook = logKind({
  kind: 'proof-look',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ look: string().max(40).required(), ok: boolean().required() }),
  card: { ofProof: true },
  sentence: ({ look, ok }) => telling(`${look.replaceAll('-', ' ')}: ${ok ? 'right' : 'not right'}`),
});

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
  }),
  card: {
    ofProof: true,
    change: (card) => ({ ...card, signatureAsked: null }),
    refusal: (asked) => (asked.facts.passed ? (nothingOff(asked) ?? proofMissing(asked)) : null),
    visitState: (_, { passed }) => (passed ? 'ended' : 'open'),
  },
  sentence: ({ passed, note }) => telling(passed ? 'Proof passed' : 'Proof failed', note),
});
