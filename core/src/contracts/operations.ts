import { mixed, number, object, string, type AnyObjectSchema, type Schema } from 'yup';
import * as card from './card';
import * as finding from './finding';
import * as fleet from './fleet';
import * as inspection from './inspection';
import * as parts from './parts';
import * as people from './people';
import { ANYONE_SIGNED_IN, BENCH, DESK, HANDS_OUT, LEAD_ONLY, SIGNS_OFF, type Role } from './roles';

export interface Operation {
  readonly method: 'get' | 'post' | 'patch' | 'put' | 'delete';
  /** OpenAPI style: /api/units/{tag}. */
  readonly path: string;
  readonly summary: string;
  readonly who: 'public' | readonly Role[];
  readonly query?: AnyObjectSchema;
  readonly body?: AnyObjectSchema;
  /** A body that is not JSON: its media types. */
  readonly raw?: readonly string[];
  readonly reply: Schema;
  readonly status?: number;
  /** The reply carries an ETag, and the change wants it back in If-Match. */
  readonly ifMatch?: boolean;
}

const nothing = object({});
const operation = <const O extends Operation>(entry: O): O => entry;

/** Every call of the API. Server, app client and the OpenAPI document are made from this table. */
export const OPERATIONS = {
  health: operation({ method: 'get', path: '/api/health', summary: 'Is it up, and can it reach its records?', who: 'public', reply: people.health }),
  openapi: operation({ method: 'get', path: '/api/openapi.json', summary: 'This document', who: 'public', reply: mixed() }),
  door: operation({ method: 'get', path: '/api/door', summary: 'What the sign-in screen shows', who: 'public', reply: people.door }),
  signIn: operation({ method: 'post', path: '/api/session', summary: 'Sign in', who: 'public', body: people.signIn, reply: people.person }),
  firstLead: operation({ method: 'post', path: '/api/first-lead', summary: 'Make the first lead by the printed one-time code', who: 'public', body: people.firstLead, reply: people.person }),
  me: operation({ method: 'get', path: '/api/session', summary: 'Who is signed in', who: ANYONE_SIGNED_IN, reply: people.person }),
  signOut: operation({ method: 'delete', path: '/api/session', summary: 'Sign out', who: ANYONE_SIGNED_IN, reply: nothing }),
  setPreferences: operation({ method: 'put', path: '/api/session/preferences', summary: 'Units and theme', who: ANYONE_SIGNED_IN, body: people.preferences, reply: people.person }),
  people: operation({ method: 'get', path: '/api/people', summary: 'Everybody', who: LEAD_ONLY, reply: people.people }),
  changePerson: operation({ method: 'patch', path: '/api/people/{id}', summary: 'Another role, a new PIN, left or back', who: LEAD_ONLY, body: people.personChange, reply: people.people }),
  addPerson: operation({ method: 'post', path: '/api/people', summary: 'Add a person', who: LEAD_ONLY, body: people.newPerson, reply: people.person, status: 201 }),

  shift: operation({ method: 'get', path: '/api/shift', summary: 'What to do now, with reasons', who: ANYONE_SIGNED_IN, reply: inspection.shift }),
  units: operation({ method: 'get', path: '/api/units', summary: 'The yard, a page at a time', who: ANYONE_SIGNED_IN, query: fleet.unitsQuery, reply: fleet.units }),
  unit: operation({ method: 'get', path: '/api/units/{tag}', summary: 'One unit', who: ANYONE_SIGNED_IN, reply: fleet.unitPage, ifMatch: true }),
  addUnit: operation({ method: 'post', path: '/api/units', summary: 'Add a unit', who: LEAD_ONLY, body: fleet.newUnit, reply: fleet.unitPage, status: 201 }),
  changeUnit: operation({ method: 'patch', path: '/api/units/{tag}', summary: 'Change a unit', who: LEAD_ONLY, body: fleet.unitChange, reply: fleet.unitPage, ifMatch: true }),
  history: operation({ method: 'get', path: '/api/units/{tag}/history', summary: 'What happened to a unit, newest first', who: ANYONE_SIGNED_IN, query: fleet.historyQuery, reply: fleet.history }),
  addNote: operation({ method: 'post', path: '/api/units/{tag}/notes', summary: 'Write a note into the history', who: ANYONE_SIGNED_IN, body: fleet.note, reply: fleet.historyRecord, status: 201 }),
  correctReading: operation({ method: 'post', path: '/api/units/{tag}/reading-corrections', summary: 'Correct a reading: a new record that points at the old', who: SIGNS_OFF, body: fleet.readingCorrection, reply: fleet.unitPage, status: 201 }),
  addModel: operation({ method: 'post', path: '/api/models', summary: 'Add a model', who: LEAD_ONLY, body: fleet.newModel, reply: fleet.model, status: 201 }),
  modelSheet: operation({ method: 'get', path: '/api/models/{id}', summary: 'A model with its data sheet', who: ANYONE_SIGNED_IN, reply: fleet.modelSheet }),
  changeSheet: operation({ method: 'put', path: '/api/models/{id}/data-sheet', summary: 'What the data sheet says', who: LEAD_ONLY, body: finding.dataSheet, reply: fleet.modelSheet }),
  models: operation({ method: 'get', path: '/api/models', summary: 'Models with their data sheets', who: ANYONE_SIGNED_IN, reply: fleet.models }),

  hires: operation({ method: 'get', path: '/api/hires', summary: 'Hires in a stretch of time', who: ANYONE_SIGNED_IN, query: fleet.hiresQuery, reply: fleet.hires }),
  addHire: operation({ method: 'post', path: '/api/hires', summary: 'Book a hire', who: DESK, body: fleet.newHire, reply: fleet.hires, status: 201 }),
  hireBack: operation({ method: 'post', path: '/api/hires/{reference}/back', summary: 'It is back on the yard, not looked at', who: HANDS_OUT, reply: fleet.hires }),
  cancelHire: operation({ method: 'post', path: '/api/hires/{reference}/cancel', summary: 'Cancel a booked hire', who: DESK, reply: fleet.hires }),

  opening: operation({ method: 'get', path: '/api/units/{tag}/opening', summary: 'What is known when a check-in or check-out starts', who: ANYONE_SIGNED_IN, reply: inspection.opening }),
  addCheckIn: operation({ method: 'post', path: '/api/check-ins', summary: 'Check a unit in', who: BENCH, body: inspection.newCheckIn, reply: inspection.checkIn, status: 201 }),
  checkIn: operation({ method: 'get', path: '/api/check-ins/{id}', summary: 'One check-in as it was judged', who: ANYONE_SIGNED_IN, reply: inspection.checkIn }),
  addCheckOut: operation({ method: 'post', path: '/api/check-outs', summary: 'Hand a unit out', who: HANDS_OUT, body: inspection.newCheckOut, reply: inspection.checkOut, status: 201 }),
  putPhoto: operation({ method: 'put', path: '/api/photos/{id}', summary: 'Keep a photo', who: BENCH, raw: ['image/jpeg', 'image/png', 'image/webp'], reply: inspection.photo, status: 201 }),
  photo: operation({ method: 'get', path: '/api/photos/{id}', summary: 'A photo', who: ANYONE_SIGNED_IN, reply: mixed() }),

  openFinding: operation({ method: 'post', path: '/api/findings', summary: 'Begin to find a fault, or go on where somebody left off', who: BENCH, body: finding.newFinding, reply: finding.finding, status: 201 }),
  finding: operation({ method: 'get', path: '/api/findings/{id}', summary: 'A finding with all that was seen', who: ANYONE_SIGNED_IN, reply: finding.finding, ifMatch: true }),
  unitFinding: operation({ method: 'get', path: '/api/units/{tag}/finding', summary: 'The finding that is open on a unit, or none', who: ANYONE_SIGNED_IN, reply: finding.maybeFinding }),
  addEntry: operation({ method: 'post', path: '/api/findings/{id}/entries', summary: 'Something seen, taken back or put right', who: BENCH, body: finding.newEntry, reply: finding.finding, status: 201 }),
  changeMachine: operation({ method: 'put', path: '/api/findings/{id}/machine', summary: 'Say more of the engine and its past', who: BENCH, body: finding.machineChange, reply: finding.finding, ifMatch: true }),
  confirmCauses: operation({ method: 'post', path: '/api/findings/{id}/causes', summary: 'Confirm what was wrong: closes the finding onto its job', who: SIGNS_OFF, body: finding.confirmation, reply: finding.finding }),
  learned: operation({ method: 'get', path: '/api/learned', summary: 'What proven causes have taught, by class and engine family', who: ANYONE_SIGNED_IN, reply: finding.learned }),
  forgetLearned: operation({ method: 'post', path: '/api/learned/reset', summary: 'Go back to the built-in odds', who: LEAD_ONLY, reply: finding.learned }),

  jobs: operation({ method: 'get', path: '/api/jobs', summary: 'Jobs', who: ANYONE_SIGNED_IN, query: fleet.jobsQuery, reply: fleet.jobs }),
  addJob: operation({ method: 'post', path: '/api/jobs', summary: 'Raise a job by hand', who: SIGNS_OFF, body: fleet.newJob, reply: fleet.jobLine, status: 201 }),
  startJob: operation({ method: 'post', path: '/api/jobs/{id}/start', summary: 'Take a job to the bench', who: BENCH, reply: fleet.jobLine }),
  finishJob: operation({ method: 'post', path: '/api/jobs/{id}/done', summary: 'Sign a job off', who: SIGNS_OFF, body: fleet.jobDone, reply: fleet.jobLine, ifMatch: true }),
  dropJob: operation({ method: 'post', path: '/api/jobs/{id}/drop', summary: 'Drop a job with a reason', who: SIGNS_OFF, body: fleet.jobDropped, reply: fleet.jobLine, ifMatch: true }),

  card: operation({ method: 'get', path: '/api/jobs/{id}/card', summary: 'A job’s card, whole', who: ANYONE_SIGNED_IN, reply: card.card }),
  addCardEntry: operation({ method: 'post', path: '/api/jobs/{id}/entries', summary: 'Something that happened on a card', who: BENCH, body: card.newCardEntry, reply: card.card, status: 201 }),
  cardPdf: operation({ method: 'get', path: '/api/jobs/{id}/card.pdf', summary: 'The card to print', who: ANYONE_SIGNED_IN, reply: mixed() }),
  estimatePdf: operation({ method: 'get', path: '/api/jobs/{id}/estimate.pdf', summary: 'The estimate to print', who: ANYONE_SIGNED_IN, query: card.waysQuery, reply: mixed() }),
  ways: operation({ method: 'get', path: '/api/jobs/{id}/ways', summary: 'Mend, replace, swap the engine or let it go: the reckoning', who: ANYONE_SIGNED_IN, query: card.waysQuery, reply: card.ways }),
  live: operation({ method: 'get', path: '/api/jobs/{id}/live', summary: 'Readings of the load bank and the tachometer, as server-sent events', who: BENCH, query: object({ load: number().min(0).max(1).default(0) }), reply: mixed() }),
  clocks: operation({ method: 'get', path: '/api/clocks', summary: 'Waits that run, or have ended and want their result', who: ANYONE_SIGNED_IN, reply: card.clocks }),

  parts: operation({ method: 'get', path: '/api/parts', summary: 'Parts, by any number they ever had or by name', who: ANYONE_SIGNED_IN, query: parts.partsQuery, reply: parts.parts }),
  addPart: operation({ method: 'post', path: '/api/parts', summary: 'Add a part', who: SIGNS_OFF, body: parts.newPart, reply: parts.parts, status: 201 }),
  countPart: operation({ method: 'post', path: '/api/parts/{number}/count', summary: 'What was counted on the shelf', who: SIGNS_OFF, body: parts.stockChange, reply: parts.parts }),
  quotePart: operation({ method: 'get', path: '/api/parts/{number}/quote', summary: 'What the supplier says of a part', who: BENCH, reply: parts.quote }),
  askPart: operation({ method: 'post', path: '/api/jobs/{id}/parts', summary: 'A part for a card: reserved from the shelf, or wanted', who: BENCH, body: parts.askedPart, reply: parts.partLines, status: 201 }),
  changePartLine: operation({ method: 'post', path: '/api/part-lines/{id}/deed', summary: 'Use, give back, drop or reserve a card’s part', who: BENCH, body: parts.partDeed, reply: parts.partLines }),
  orders: operation({ method: 'get', path: '/api/orders', summary: 'Orders to the supplier', who: ANYONE_SIGNED_IN, reply: parts.orders }),
  addOrder: operation({ method: 'post', path: '/api/orders', summary: 'Order what cards want', who: SIGNS_OFF, body: parts.newOrder, reply: parts.order, status: 201 }),
  sendOrder: operation({ method: 'post', path: '/api/orders/{id}/send', summary: 'Send an order again, or ask how it stands', who: SIGNS_OFF, reply: parts.order }),
  receiveOrder: operation({ method: 'post', path: '/api/orders/{id}/receive', summary: 'It has arrived', who: BENCH, reply: parts.order }),
  exchangeParts: operation({ method: 'get', path: '/api/exchange-parts', summary: 'Parts taken off, cleaned and proven', who: ANYONE_SIGNED_IN, reply: parts.exchangeParts }),
  addExchangePart: operation({ method: 'post', path: '/api/exchange-parts', summary: 'Keep a part that was taken off', who: BENCH, body: parts.newExchangePart, reply: parts.exchangeParts, status: 201 }),
  changeExchangePart: operation({ method: 'post', path: '/api/exchange-parts/{id}', summary: 'Cleaned, proven, fitted or scrapped', who: BENCH, body: parts.exchangeChange, reply: parts.exchangeParts }),
  importParts: operation({ method: 'post', path: '/api/import/parts', summary: 'Take parts from CSV', who: LEAD_ONLY, raw: ['text/csv'], reply: fleet.importReport }),
  exportParts: operation({ method: 'get', path: '/api/export/parts', summary: 'Parts as CSV', who: ANYONE_SIGNED_IN, reply: string() }),
  photoThumb: operation({ method: 'get', path: '/api/photos/{id}/thumb', summary: 'A photo, small', who: ANYONE_SIGNED_IN, reply: mixed() }),

  importModels: operation({ method: 'post', path: '/api/import/models', summary: 'Take models from CSV', who: LEAD_ONLY, raw: ['text/csv'], reply: fleet.importReport }),
  exportModels: operation({ method: 'get', path: '/api/export/models', summary: 'Models as CSV', who: ANYONE_SIGNED_IN, reply: string() }),
  importUnits: operation({ method: 'post', path: '/api/import/units', summary: 'Take units from CSV', who: LEAD_ONLY, raw: ['text/csv'], reply: fleet.importReport }),
  exportUnits: operation({ method: 'get', path: '/api/export/units', summary: 'Units as CSV', who: ANYONE_SIGNED_IN, reply: string() }),
  importHires: operation({ method: 'post', path: '/api/import/hires', summary: 'Take hires from CSV', who: DESK, raw: ['text/csv'], reply: fleet.importReport }),
  exportHires: operation({ method: 'get', path: '/api/export/hires', summary: 'Hires as CSV', who: ANYONE_SIGNED_IN, reply: string() }),
} as const;

export type OperationId = keyof typeof OPERATIONS;
