import { mixed } from 'yup';
import { FORMER_FAULT_IDS } from '../catalogue/faults/former';
import { FAULT_IDS } from '../catalogue/ids';
import { SYSTEMS } from '../catalogue/shapes';
import {
  array,
  boolean,
  hours,
  id,
  name,
  number,
  object,
  string,
  text,
  trimmed,
  capitals,
  patterned,
  reasonText,
} from '../fields';
import type { Mark } from '../teardown';

/** Schemas that several kinds of entry share. */
export const nothing = object({});
/** A row of the database by its number. */
export const rowId = patterned(string(), /^\d{1,15}$/, 15, 'A number is wanted.');
export const why = reasonText;
export const idOrNone = id.nullable().defined();
/** Ids of the defects that the signer looked at and found in order: a signature closes no other. Older ones have none. */
export const closingLooks = array(id.required()).max(200).optional();
/** Where a rule asks for a second person: who it was, by their PIN; or that nobody else was there, why it is done all the same, and a photo. */
export const witnessed = {
  witnessId: id.optional(),
  alone: object({ why: reasonText.required(), photoId: id.nullable().defined() }).optional().default(undefined),
};
/** What was measured at a closing look, in its unit. */
export const measuredLooks = array(
  object({
    defectId: id.required(),
    value: number().min(-1e6).max(1e6).required(),
    unit: string().max(12).required(),
  }).required(),
)
  .max(200)
  .optional();
/** A fault by its id. One of a former edition may still wait on a phone: whoever takes it goes by what stands for it now. */
export const faultId = string().oneOf([...FAULT_IDS, ...FORMER_FAULT_IDS]);
/** Where a standing note shows. */
export const NOTE_PLACES = ['check-in', 'finding', 'card', 'check-out'] as const;
export type NotePlace = (typeof NOTE_PLACES)[number];
/** Ids of defects. */
export const defectIds = array(id.required()).max(200).optional();

const share = number().min(-0.5).max(1.5);
const at = array(share.required()).length(2).required();
const MARKS = [
  object({ kind: string().oneOf(['arrow']).required(), from: at, to: at }),
  object({ kind: string().oneOf(['circle']).required(), at, radius: share.required() }),
  object({ kind: string().oneOf(['number']).required(), at, number: number().integer().min(1).max(99).required() }),
];
const mark = mixed<Mark>().test('mark', 'A mark is an arrow, a circle or a number.', (value) =>
  MARKS.some((kind) => kind.noUnknown().isValidSync(value, { strict: true })),
);
export const marks = array(mark.required()).max(60).defined();

const fastener = object({
  count: number().integer().min(1).max(99).required(),
  size: trimmed.max(40).defined(),
  place: trimmed.max(60).defined(),
}).noUnknown();

/** What is written down of a thing as it comes off. */
export const thing = object({
  thingId: id.required(),
  what: name.required(),
  key: string().max(60).nullable().defined(),
  tray: trimmed.min(1).max(20).required(),
  place: number().integer().min(1).max(24).required(),
  fasteners: array(fastener.required()).max(12).defined(),
  orientation: trimmed.max(300).defined(),
  linkHole: trimmed.max(80).defined(),
  stack: array(trimmed.min(1).max(80).required()).max(12).defined(),
  quarterTurns: number().integer().min(0).max(400).nullable().defined(),
  /** What it belongs to: the proof asks the safety checks of that. */
  system: string().oneOf(SYSTEMS).optional(),
});

const meterEvent = object({
  kind: string().oneOf(['replaced', 'rolled-over']).required(),
  /** What the old meter showed last, if anybody knows; else the last reading stands. */
  oldReading: hours.nullable().default(null),
  /** Replaced: what the new meter showed when it was fitted. */
  newMeterShows: hours.default(0),
  /** Rolled over: the hours at which it starts again. */
  rollsAt: number().oneOf([100, 1000, 10_000]).optional(),
});

/** The hour meter as it was read. */
export const hoursEntry = object({
  typed: patterned(string(), /^\d{1,5}(\.\d)?$/, 7, 'Figures, with at most one after the point.').required(),
  /** The person saw what is odd about it and keeps it. */
  confirmed: boolean().default(false),
  meterEvent: meterEvent.nullable().default(null),
});

/** An id of the catalogue, and never longer. */
export const key = string().max(80);
/** More than any class has of checks, kit, stations and complaints. */
export const MOST_LISTED = 200;

export const kitCount = object({ id: key.required(), count: number().integer().min(0).max(50).required() });
export const fuelEighths = number().integer().min(0).max(8);
export const partNumber = patterned(
  capitals,
  /^[A-Z0-9][A-Z0-9.\-/ ]{1,39}$/,
  40,
  'A part number is 2 to 40 letters, figures, dots, dashes or slashes.',
);

/** What somebody saw at one check. */
export const answer = object({
  check: key.required(),
  result: string().oneOf(['ok', 'not-ok', 'could-not-look', 'not-possible']).required(),
  /** Why it could not be made. */
  because: string().oneOf(['will-not-start', 'not-under-pressure', 'in-parts']).optional(),
  exception: key.optional(),
  reading: object({ value: number().required(), unit: string().max(12).required() })
    .optional()
    .default(undefined),
  cause: string().oneOf(['wear', 'damage']).optional(),
  note: text.optional(),
  photos: array(id.required()).max(6).default([]),
});
