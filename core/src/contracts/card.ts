import { ObjectSchema, type InferType } from 'yup';
import { CLOCK_IDS, PROOFS, RISKS, STATES_FOUND, TEARDOWN_IDS, type RiskId, type StateFound } from '../catalogue';
import type { CardEntry, CardFacts, CardKind } from '../card';
import { machine } from './finding';
import { jobLine } from './fleet';
import { array, boolean, classId, id, instant, mixed, name, number, object, string, words } from './fields';

const share = number().min(-0.5).max(1.5);
const at = array(share.required()).length(2).required();
const mark = mixed<never>().test('mark', 'A mark is an arrow, a circle or a number.', (value) => {
  const kinds = [
    object({ kind: string().oneOf(['arrow']).required(), from: at, to: at }),
    object({ kind: string().oneOf(['circle']).required(), at, radius: share.required() }),
    object({ kind: string().oneOf(['number']).required(), at, number: number().integer().min(1).max(99).required() }),
  ];
  return kinds.some((kind) => kind.noUnknown().isValidSync(value, { strict: true }));
});
const marks = array(mark.required()).max(60).defined();
const fasteners = array(
  object({
    count: number().integer().min(1).max(99).required(),
    size: string().trim().max(40).defined(),
    place: string().trim().max(60).defined(),
  })
    .noUnknown()
    .required(),
)
  .max(12)
  .defined();
const thing = object({
  thingId: id.required(),
  what: name.required(),
  key: string().max(60).nullable().defined(),
  tray: string().trim().min(1).max(20).required(),
  place: number().integer().min(1).max(24).required(),
  fasteners,
  orientation: string().trim().max(300).defined(),
  linkHole: string().trim().max(80).defined(),
  stack: array(string().trim().min(1).max(80).required()).max(12).defined(),
  quarterTurns: number().integer().min(0).max(400).nullable().defined(),
});
const step = { stepId: id.required() };
const stepOrNone = id.nullable().defined();
const nothing = object({});
const PROOF_READING_IDS = [...new Set(PROOFS.flatMap((plan) => plan.readings.map((reading) => reading.id)))];

/** The facts of each kind of entry that a device may send. Each is checked by its kind; what is not named is refused. */
const SENT: { readonly [K in Exclude<CardKind, 'steps-laid'>]: ObjectSchema<never> } = {
  'step-added': object({ ...step, title: name.required() }),
  'step-changed': object({ ...step, title: name.required(), was: string().max(300).defined() }),
  'step-done': object(step),
  'step-undone': object(step),
  'step-dropped': object({ ...step, why: words.min(2).required() }),
  'hands-on': nothing,
  'hands-off': nothing,
  note: object({ text: words.min(1).required(), stepId: stepOrNone }),
  photo: object({ photoId: id.required(), marks, stepId: stepOrNone, thingId: id.nullable().defined() }),
  marked: object({ photoId: id.required(), marks }),
  'teardown-begun': object({ teardown: string().oneOf(TEARDOWN_IDS).required() }),
  'taken-off': thing,
  'thing-changed': thing,
  'put-back': object({ thingId: id.required() }),
  'off-again': object({ thingId: id.required() }),
  replaced: object({
    thingId: id.required(),
    part: string().trim().min(1).max(60).required(),
    forTrial: boolean().required(),
  }),
  struck: object({ thingId: id.required(), why: words.min(2).required() }),
  reading: object({
    reading: string().max(40).required(),
    given: mixed<Record<string, unknown>>().required(),
    outcome: string().max(40).required(),
    when: string().oneOf(['before', 'after']).required(),
    stepId: stepOrNone,
  }),
  'trial-start': object({
    how: string().oneOf(['ran', 'ran-badly', 'did-not-start']).required(),
    note: words.defined(),
  }),
  waits: object({ for: string().oneOf(['clock', 'part', 'decision']).required(), why: words.defined() }),
  'goes-on': object({ why: words.defined() }),
  'clock-started': object({
    clockId: id.required(),
    clock: string().oneOf(CLOCK_IDS).required(),
    minutes: number().min(1).max(20_160).required(),
    stepId: stepOrNone,
  }),
  'clock-ended': object({ clockId: id.required(), result: string().max(40).required(), note: words.defined() }),
  decided: object({
    way: string().oneOf(['mend', 'replace', 'swap-engine', 'retire']).required(),
    why: words.defined(),
    figures: mixed<Record<string, unknown>>().required(),
  }),
  'to-proof': nothing,
  'back-to-bench': object({ why: words.defined() }),
  'leak-look': object({ dry: boolean().required(), note: words.defined() }),
  'proof-load': object({ load: string().max(40).nullable().defined() }),
  smoke: object({ clear: boolean().required() }),
  'run-started': nothing,
  'run-stopped': object({ why: words.defined() }),
  'proof-reading': object({
    reading: string().oneOf(PROOF_READING_IDS).required(),
    value: number().min(0).max(100_000).required(),
    live: boolean().required(),
  }),
  'proof-look': object({ look: string().max(40).required(), ok: boolean().required() }),
  proved: object({ passed: boolean().required(), note: words.defined() }),
} as unknown as { readonly [K in Exclude<CardKind, 'steps-laid'>]: ObjectSchema<never> };

const SENT_KINDS = Object.keys(SENT) as (keyof typeof SENT)[];

/** One thing that happened on a card. Its id is made where it happened: sent twice it is one. `at` is when, by the device. */
export const newCardEntry = object({
  id: id.required(),
  at: instant.optional(),
  kind: string().oneOf(SENT_KINDS).required(),
  facts: mixed<CardFacts[CardKind]>().required(),
}).test('facts', 'The facts do not go with this kind of entry.', (entry, context) => {
  if (!SENT_KINDS.includes(entry.kind)) return true;
  try {
    SENT[entry.kind].noUnknown().validateSync(entry.facts, { strict: true });
    return true;
  } catch (error) {
    return context.createError({ path: 'facts', message: error instanceof Error ? error.message : 'not right' });
  }
});
export type NewCardEntryBody = InferType<typeof newCardEntry>;

export const PART_STATES = ['wanted', 'reserved', 'ordered', 'arrived', 'used', 'returned', 'dropped'] as const;
export const partLine = object({
  id: string().required(),
  jobId: string().required(),
  tag: string().required(),
  asked: string().required(),
  number: string().required(),
  name: string().required(),
  count: number().required(),
  cents: number().required(),
  state: string().oneOf(PART_STATES).required(),
  place: string().defined(),
  orderId: string().nullable().defined(),
  expectedAt: string().nullable().defined(),
  late: boolean().required(),
  inStock: number().required(),
});
export type PartLine = InferType<typeof partLine>;

const comeback = object({
  jobId: string().required(),
  title: string().required(),
  closedAt: string().required(),
  days: number().required(),
  hours: number().nullable().defined(),
  did: string().defined(),
  causes: array(string().required()).required(),
});
export type Comeback = InferType<typeof comeback>;

/** A job's card, whole. */
export const card = object({
  job: jobLine.required(),
  unit: object({
    tag: string().required(),
    classId: classId.required(),
    modelId: number().required(),
    model: string().required(),
    serial: string().required(),
    trueHours: number().required(),
  }).required(),
  entries: array(mixed<CardEntry>().required()).required(),
  causes: array(string().required()).required(),
  complaint: object({ afterMinutes: number().nullable().defined(), comesAndGoes: boolean().required() }).required(),
  seen: array(string().required()).required(),
  machine: machine.required(),
  limits: mixed<Record<string, readonly [number, number | null] | undefined>>().nullable().defined(),
  /** Orders of taking apart that finished cards of this model taught. */
  learnt: mixed<
    Record<
      string,
      readonly {
        readonly key: string;
        readonly what: string;
        readonly fasteners?: readonly { readonly count: number; readonly size: string; readonly place: string }[];
      }[]
    >
  >().required(),
  parts: array(partLine.required()).required(),
  comeback: comeback.nullable().defined(),
  /** The edition of the templates now: the card's steps may be of an earlier one. */
  edition: string().required(),
  /** The server's time. */
  now: string().required(),
});
export type CardReply = InferType<typeof card>;

export const clock = object({
  id: string().required(),
  jobId: string().required(),
  tag: string().required(),
  clock: string().required(),
  name: string().required(),
  startedAt: string().required(),
  endsAt: string().required(),
  by: string().nullable().defined(),
  mine: boolean().required(),
});
export const clocks = object({ now: string().required(), clocks: array(clock.required()).required() });
export type ClockLine = InferType<typeof clock>;

export const waysQuery = object({
  state: string()
    .oneOf(Object.keys(STATES_FOUND) as StateFound[])
    .default('dirty'),
  risks: string().max(200).default(''),
  access: number().min(0).max(2000).default(0),
});
export const RISK_IDS = Object.keys(RISKS) as RiskId[];
const way = object({
  way: string().oneOf(['mend', 'replace', 'swap-engine', 'retire']).required(),
  handsCents: number().required(),
  partsCents: number().required(),
  daysCents: number().required(),
  riskCents: number().required(),
  comebackCents: number().required(),
  failCents: number().required(),
  valueCents: number().required(),
  costCents: number().required(),
});
export const ways = object({
  ways: array(way.required()).required(),
  breakEvenSuccess: number().nullable().defined(),
  notLookedAt: array(string().required()).required(),
  given: mixed<Record<string, unknown>>().required(),
  notToBeHad: array(string().required()).required(),
});
export type WaysReply = InferType<typeof ways>;
