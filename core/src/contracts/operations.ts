import { mixed, number, object, string, type AnyObjectSchema, type Schema } from 'yup';
import * as bench from './bench';
import * as card from './card';
import * as finding from './finding';
import * as service from './service';
import * as sheet from './sheet';
import * as fleet from './fleet';
import * as hires from './hires';
import * as inspection from './inspection';
import * as log from './log';
import * as parts from './parts';
import * as people from './people';
import { ROUTES, type OperationId } from './routes';
import { ANYONE_SIGNED_IN, WORKS_ON_UNITS, DESK, HANDS_OUT, LEAD_ONLY, SIGNS_OFF, type Role } from '../fields';

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
const operation = <const O extends Omit<Operation, 'method' | 'path'>, Id extends OperationId>(
  id: Id,
  entry: O,
): O & (typeof ROUTES)[Id] => ({ ...entry, ...ROUTES[id] });

/** Every call of the API. Server, app client and the OpenAPI document are made from this table. */
export const OPERATIONS = {
  health: operation('health', {
    summary: 'Is it up, and can it reach its records?',
    who: 'public',
    reply: people.health,
  }),
  openapi: operation('openapi', {
    summary: 'This document',
    who: 'public',
    reply: mixed(),
  }),
  signInOptions: operation('signInOptions', {
    summary: 'What the sign-in screen shows',
    who: 'public',
    reply: people.signInOptions,
  }),
  signIn: operation('signIn', {
    summary: 'Sign in',
    who: 'public',
    body: people.signIn,
    reply: people.person,
  }),
  firstLead: operation('firstLead', {
    summary: 'Make the first lead by the printed one-time code',
    who: 'public',
    body: people.firstLead,
    reply: people.person,
  }),
  me: operation('me', {
    summary: 'Who is signed in',
    who: ANYONE_SIGNED_IN,
    reply: people.person,
  }),
  signOut: operation('signOut', {
    summary: 'Sign out',
    who: ANYONE_SIGNED_IN,
    reply: nothing,
  }),
  setPreferences: operation('setPreferences', {
    summary: 'Units and theme',
    who: ANYONE_SIGNED_IN,
    body: people.preferences,
    reply: people.person,
  }),
  settings: operation('settings', {
    summary: 'How this yard writes money, figures and times',
    who: ANYONE_SIGNED_IN,
    reply: people.settings,
  }),
  changeSettings: operation('changeSettings', {
    summary: 'Currency, locale and time zone of the yard',
    who: LEAD_ONLY,
    body: people.settings,
    reply: people.settings,
  }),
  events: operation('events', {
    summary: 'What changed just now, as server-sent events: read anew what they name',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  people: operation('people', { summary: 'Everybody', who: LEAD_ONLY, reply: people.people }),
  changePerson: operation('changePerson', {
    summary: 'Another role, a new PIN, left or back',
    who: LEAD_ONLY,
    body: people.personChange,
    reply: people.people,
  }),
  addPerson: operation('addPerson', {
    summary: 'Add a person',
    who: LEAD_ONLY,
    body: people.newPerson,
    reply: people.person,
    status: 201,
  }),
  shift: operation('shift', {
    summary: 'What to do now, with reasons',
    who: ANYONE_SIGNED_IN,
    reply: inspection.shift,
  }),
  units: operation('units', {
    summary: 'The yard, a page at a time',
    who: ANYONE_SIGNED_IN,
    query: fleet.unitsQuery,
    reply: fleet.units,
  }),
  unit: operation('unit', {
    summary: 'One unit',
    who: ANYONE_SIGNED_IN,
    reply: fleet.unitPage,
    ifMatch: true,
  }),
  addUnit: operation('addUnit', {
    summary: 'Add a unit',
    who: LEAD_ONLY,
    body: fleet.newUnit,
    reply: fleet.unitPage,
    status: 201,
  }),
  changeUnit: operation('changeUnit', {
    summary: 'Change a unit',
    who: LEAD_ONLY,
    body: fleet.unitChange,
    reply: fleet.unitPage,
    ifMatch: true,
  }),
  addLogEntry: operation('addLogEntry', {
    summary: 'Something that happened: an entry of a kind, on a unit, a job, a finding or a wanted part',
    who: ANYONE_SIGNED_IN,
    body: log.newLogEntry,
    reply: log.taken,
    status: 201,
  }),
  history: operation('history', {
    summary: 'What happened to a unit, newest first',
    who: ANYONE_SIGNED_IN,
    query: fleet.historyQuery,
    reply: fleet.history,
  }),
  addModel: operation('addModel', {
    summary: 'Add a model',
    who: LEAD_ONLY,
    body: fleet.newModel,
    reply: fleet.model,
    status: 201,
  }),
  modelSheet: operation('modelSheet', {
    summary: 'A model with its data sheet',
    who: ANYONE_SIGNED_IN,
    reply: fleet.modelSheet,
  }),
  changeSheet: operation('changeSheet', {
    summary: 'What the data sheet says',
    who: LEAD_ONLY,
    body: sheet.enteredSheet,
    reply: fleet.modelSheet,
  }),
  unitSheet: operation('unitSheet', {
    summary:
      'What is known of a unit beside its state: its model’s sheet, its plate, notes that stand, what was measured',
    who: ANYONE_SIGNED_IN,
    reply: sheet.unitSheet,
  }),
  unitService: operation('unitService', {
    summary: 'Each item of a unit’s service plan: done, due, when it will be, and what is best done together',
    who: ANYONE_SIGNED_IN,
    reply: service.unitService,
  }),
  modelPlan: operation('modelPlan', {
    summary: 'What a model is serviced by: its own plan, and what it comes to with its class’s',
    who: ANYONE_SIGNED_IN,
    reply: service.modelPlan,
  }),
  changePlan: operation('changePlan', {
    summary: 'Another version of a model’s own service plan',
    who: LEAD_ONLY,
    body: service.planChange,
    reply: service.modelPlan,
  }),
  importPlans: operation('importPlans', {
    summary: 'Take models’ own service plans from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportPlans: operation('exportPlans', {
    summary: 'Models’ own service plans as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  fleetService: operation('fleetService', {
    summary: 'What of the yard’s service falls due in the weeks ahead, and how much work each week has',
    who: ANYONE_SIGNED_IN,
    reply: service.fleetService,
  }),
  bench: operation('bench', {
    summary: 'The plan of the bench: who does which visit when, with what is worth saying of it',
    who: ANYONE_SIGNED_IN,
    reply: bench.bench,
  }),
  planAnew: operation('planAnew', {
    summary: 'Look for a better plan, for so many seconds',
    who: SIGNS_OFF,
    body: bench.planAnew,
    reply: bench.bench,
  }),
  dayPdf: operation('dayPdf', {
    summary: 'What somebody has to do today, to print',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  workingHours: operation('workingHours', {
    summary: 'Who works when, and who is away',
    who: ANYONE_SIGNED_IN,
    reply: bench.workingHours,
  }),
  setHours: operation('setHours', {
    summary: 'When somebody works, week by week',
    who: LEAD_ONLY,
    body: bench.newHours,
    reply: bench.workingHours,
  }),
  addAbsence: operation('addAbsence', {
    summary: 'Somebody is away for some days',
    who: LEAD_ONLY,
    body: bench.newAbsence,
    reply: bench.workingHours,
    status: 201,
  }),
  endAbsence: operation('endAbsence', {
    summary: 'Somebody is not away after all',
    who: LEAD_ONLY,
    reply: bench.workingHours,
  }),
  unitParts: operation('unitParts', {
    summary: 'The parts of a unit’s model, by name and place or by any old number',
    who: ANYONE_SIGNED_IN,
    query: parts.partsQuery,
    reply: sheet.unitParts,
  }),
  importSheets: operation('importSheets', {
    summary: 'Take data sheets from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportSheets: operation('exportSheets', {
    summary: 'All data sheets as CSV, a line for each thing that they say',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  models: operation('models', {
    summary: 'Models with their data sheets',
    who: ANYONE_SIGNED_IN,
    reply: fleet.models,
  }),
  hires: operation('hires', {
    summary: 'Hires in a stretch of time',
    who: ANYONE_SIGNED_IN,
    query: fleet.hiresQuery,
    reply: fleet.hires,
  }),
  free: operation('free', {
    summary: 'Units that are free in a stretch of time, what is fit first',
    who: ANYONE_SIGNED_IN,
    query: fleet.freeQuery,
    reply: fleet.free,
  }),
  addHire: operation('addHire', {
    summary: 'Book a hire',
    who: DESK,
    body: fleet.newHire,
    reply: fleet.hires,
    status: 201,
  }),
  trouble: operation('trouble', {
    summary: 'What to say to a hirer who rings: what may safely be tried, and what could go in its place',
    who: HANDS_OUT,
    query: hires.troubleQuery,
    reply: hires.trouble,
  }),
  desk: operation('desk', {
    summary: 'How it stands with the booking desk outside: when it was read, what of it was not taken',
    who: ANYONE_SIGNED_IN,
    reply: hires.desk,
  }),
  readDeskNow: operation('readDeskNow', {
    summary: 'Read the booking desk’s calendar now: in the background, how it went is read by the same address',
    who: DESK,
    reply: hires.desk,
    status: 202,
  }),
  calendarAddress: operation('calendarAddress', {
    summary: 'Where one’s own calendar is read, with a secret',
    who: ANYONE_SIGNED_IN,
    reply: hires.calendarAddress,
  }),
  renewCalendar: operation('renewCalendar', {
    summary: 'A new secret: the old address is dead',
    who: ANYONE_SIGNED_IN,
    reply: hires.calendarAddress,
  }),
  ownCalendar: operation('ownCalendar', {
    summary: 'The plan and the service that falls due, as iCalendar, for whoever has the secret',
    who: 'public',
    reply: mixed(),
  }),
  hireCalendar: operation('hireCalendar', {
    summary:
      'Hires by class and unit, those of a class with the unit that each is given; what is not covered, with the nearest help',
    who: ANYONE_SIGNED_IN,
    reply: hires.calendar,
  }),
  changeHire: operation('changeHire', {
    summary: 'A booked hire goes with another unit, or at another time',
    who: DESK,
    body: hires.hireChange,
    reply: hires.calendar,
  }),
  cancelHire: operation('cancelHire', {
    summary: 'Cancel a booked hire',
    who: DESK,
    reply: fleet.hires,
  }),
  opening: operation('opening', {
    summary: 'What is known when a check-in or check-out starts',
    who: ANYONE_SIGNED_IN,
    reply: inspection.opening,
  }),
  checkIn: operation('checkIn', {
    summary: 'One check-in as it was judged',
    who: ANYONE_SIGNED_IN,
    reply: inspection.checkIn,
  }),
  putPhoto: operation('putPhoto', {
    query: object({ madeBy: number().integer().optional() }),
    summary: 'Keep a photo',
    who: WORKS_ON_UNITS,
    raw: ['image/jpeg', 'image/png', 'image/webp'],
    reply: inspection.photo,
    status: 201,
  }),
  photo: operation('photo', {
    summary: 'A photo',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  finding: operation('finding', {
    summary: 'A finding with all that was seen',
    who: ANYONE_SIGNED_IN,
    reply: finding.finding,
    ifMatch: true,
  }),
  unitFinding: operation('unitFinding', {
    summary: 'The finding that is open on a unit, or none',
    who: ANYONE_SIGNED_IN,
    reply: finding.maybeFinding,
  }),
  learned: operation('learned', {
    summary: 'What proven causes have taught, by class and engine family',
    who: ANYONE_SIGNED_IN,
    reply: finding.learned,
  }),
  forgetLearned: operation('forgetLearned', {
    summary: 'Go back to the built-in odds',
    who: LEAD_ONLY,
    reply: finding.learned,
  }),
  jobs: operation('jobs', {
    summary: 'Jobs',
    who: ANYONE_SIGNED_IN,
    query: fleet.jobsQuery,
    reply: fleet.jobs,
  }),
  card: operation('card', {
    summary: 'A job’s card, whole',
    who: ANYONE_SIGNED_IN,
    reply: card.card,
  }),
  cardPdf: operation('cardPdf', {
    summary: 'The card to print',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  estimatePdf: operation('estimatePdf', {
    summary: 'The estimate to print',
    who: ANYONE_SIGNED_IN,
    query: card.waysQuery,
    reply: mixed(),
  }),
  ways: operation('ways', {
    summary: 'Mend, replace, swap the engine or let it go: the reckoning',
    who: ANYONE_SIGNED_IN,
    query: card.waysQuery,
    reply: card.ways,
  }),
  live: operation('live', {
    summary: 'Readings of the load bank and the tachometer, as server-sent events',
    who: WORKS_ON_UNITS,
    query: object({ load: number().min(0).max(1).default(0) }),
    reply: mixed(),
  }),
  clocks: operation('clocks', {
    summary: 'Waits that run, or have ended and want their result',
    who: ANYONE_SIGNED_IN,
    reply: card.clocks,
  }),
  parts: operation('parts', {
    summary: 'Parts, by any number they ever had or by name',
    who: ANYONE_SIGNED_IN,
    query: parts.partsQuery,
    reply: parts.parts,
  }),
  addPart: operation('addPart', {
    summary: 'Add a part',
    who: SIGNS_OFF,
    body: parts.newPart,
    reply: parts.parts,
    status: 201,
  }),
  countPart: operation('countPart', {
    summary: 'What was counted on the shelf',
    who: SIGNS_OFF,
    body: parts.stockChange,
    reply: parts.parts,
  }),
  quotePart: operation('quotePart', {
    summary: 'What the supplier said of a part last, and when',
    who: WORKS_ON_UNITS,
    reply: parts.quote,
  }),
  askQuote: operation('askQuote', {
    summary: 'Ask the supplier about a part: in the background, the answer is read by the same address',
    who: WORKS_ON_UNITS,
    reply: parts.quote,
    status: 202,
  }),
  orders: operation('orders', {
    summary: 'Orders to the supplier',
    who: ANYONE_SIGNED_IN,
    reply: parts.orders,
  }),
  addOrder: operation('addOrder', {
    summary: 'Order what cards want',
    who: SIGNS_OFF,
    body: parts.newOrder,
    reply: parts.order,
    status: 201,
  }),
  sendOrder: operation('sendOrder', {
    summary: 'Ask the supplier about an order now: sent again, or asked how it stands',
    who: SIGNS_OFF,
    reply: parts.order,
    status: 202,
  }),
  receiveOrder: operation('receiveOrder', {
    summary: 'It has arrived',
    who: WORKS_ON_UNITS,
    reply: parts.order,
  }),
  exchangeParts: operation('exchangeParts', {
    summary: 'Parts taken off, cleaned and proven',
    who: ANYONE_SIGNED_IN,
    reply: parts.exchangeParts,
  }),
  changeExchangePart: operation('changeExchangePart', {
    summary: 'Cleaned, proven, fitted or scrapped',
    who: WORKS_ON_UNITS,
    body: parts.exchangeChange,
    reply: parts.exchangeParts,
  }),
  importParts: operation('importParts', {
    summary: 'Take parts from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportParts: operation('exportParts', {
    summary: 'Parts as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  photoThumb: operation('photoThumb', {
    summary: 'A photo, small',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  importModels: operation('importModels', {
    summary: 'Take models from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportModels: operation('exportModels', {
    summary: 'Models as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  importUnits: operation('importUnits', {
    summary: 'Take units from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportUnits: operation('exportUnits', {
    summary: 'Units as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  importHires: operation('importHires', {
    summary: 'Take hires from CSV',
    who: DESK,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportHires: operation('exportHires', {
    summary: 'Hires as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
} as const satisfies Readonly<Record<OperationId, Operation>>;
